import { act, cleanup, renderHook } from '@testing-library/react';
import { useMapSettings } from './mapSettings';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const opened = (deckId = 'd', isLeftward = false) =>
  renderHook(() => useMapSettings(deckId, isLeftward)).result;

test('how somebody looks at the map of a deck is remembered, of each deck by itself', () => {
  const first = opened();
  expect(first.current[0]).toEqual({ direction: 'right', overlay: 'findings', panel: 'none' });
  act(() => first.current[1]({ direction: 'down', panel: 'plan' }));
  act(() => first.current[1]({ panel: 'trails' }));
  expect(opened().current[0]).toMatchObject({ direction: 'down', panel: 'trails' });
  expect(opened('other').current[0]).toMatchObject({ direction: 'right', panel: 'none' });
});

test('a deck that is read from right to left grows to the left, unless it grows down', () => {
  const map = opened('arabic', true);
  expect(map.current[0].direction).toBe('left');
  act(() => map.current[1]({ direction: 'down' }));
  expect(map.current[0].direction).toBe('down');
});

test.each([
  '',
  'null',
  '7',
  '"down"',
  '[]',
  '{"direction":"up","overlay":4,"panel":"none of ours"}',
])('what is no settings of ours is as good as none: %s', (words) => {
  localStorage.setItem('gobrel:map:d', words);
  expect(opened().current[0]).toEqual({
    direction: 'right',
    overlay: 'findings',
    panel: 'none',
  });
});
