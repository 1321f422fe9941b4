import { act, cleanup, render } from '@testing-library/react';
import { InTurn } from './InTurn';

let frames: (() => void)[] = [];
beforeEach(() => {
  frames = [];
  jest.spyOn(window, 'requestAnimationFrame').mockImplementation((then) => {
    frames.push(() => then(0));
    return frames.length;
  });
  jest.spyOn(window, 'cancelAnimationFrame').mockImplementation((at) => {
    frames[at - 1] = () => undefined;
  });
});
afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
});
const frame = (): void => {
  const now = frames;
  frames = [];
  act(() => now.forEach((then) => then()));
};

test('small slides come one a frame, in their order', () => {
  const { container } = render(
    <>
      {['one', 'two', 'three'].map((words, at) => (
        <InTurn key={words} at={at}>
          {() => <b>{words}</b>}
        </InTurn>
      ))}
    </>,
  );
  const seen: string[] = [];
  for (let at = 0; at < 4; at += 1) {
    seen.push(container.textContent ?? '');
    frame();
  }
  expect(seen).toEqual(['', 'one', 'onetwo', 'onetwothree']);
});

test('what is closed meanwhile draws nothing any more', () => {
  let drawn = 0;
  const { unmount } = render(
    <InTurn at={2}>
      {() => {
        drawn += 1;
        return <b>late</b>;
      }}
    </InTurn>,
  );
  frame();
  unmount();
  frame();
  frame();
  expect(drawn).toBe(0);
});
