import { memory } from './memory';

afterEach(() => {
  jest.restoreAllMocks();
  localStorage.clear();
});

const denied = (): never => {
  throw new DOMException('The operation is insecure.', 'SecurityError');
};

test('what is set is there, also for the next page; null forgets it', () => {
  memory.set('gobrel.pace', '140');
  expect(localStorage.getItem('gobrel.pace')).toBe('140');
  expect(memory.get('gobrel.pace')).toBe('140');
  memory.set('gobrel.pace', null);
  expect(memory.get('gobrel.pace')).toBeNull();
  expect(memory.keys()).toEqual([]);
});

test('what the browser does not take is remembered until the page is left', () => {
  memory.set('gobrel.pace', '130');
  const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(denied);
  memory.set('gobrel.pace', '150');
  memory.set('gobrel.done.f', '{"q":"a"}');
  expect(memory.get('gobrel.pace')).toBe('150');
  expect(memory.read('gobrel.done.f')).toEqual({ q: 'a' });
  expect(memory.keys()).toContain('gobrel.done.f');
  full.mockRestore();
  memory.set('gobrel.pace', '160');
  memory.set('gobrel.done.f', null);
  expect(localStorage.getItem('gobrel.pace')).toBe('160');
  expect(memory.get('gobrel.done.f')).toBeNull();
});

test('a browser that lets no page keep anything is no trouble', () => {
  const kept = Object.getOwnPropertyDescriptor(window, 'localStorage')!;
  Object.defineProperty(window, 'localStorage', { configurable: true, get: denied });
  try {
    expect(memory.get('gobrel.ahead')).toBeNull();
    memory.set('gobrel.ahead', '12');
    expect(memory.get('gobrel.ahead')).toBe('12');
    expect(memory.keys()).toEqual(['gobrel.ahead']);
    memory.set('gobrel.ahead', null);
    expect(memory.keys()).toEqual([]);
  } finally {
    Object.defineProperty(window, 'localStorage', kept);
  }
});

test.each(['', '{"q":', 'not JSON', '[1,'])('%p is nothing that was written as JSON', (words) => {
  localStorage.setItem('gobrel.unsent', words);
  expect(memory.read('gobrel.unsent')).toBeNull();
});
