import { InTurn } from '../access/InTurn.js';
import { SlowLane } from './SlowLane.js';

test('steps are done one after another, of one person after another, each in the order in which they came', async () => {
  const lane = new SlowLane();
  const done: string[] = [];
  const step = (who: string, name: string): Promise<number> =>
    lane.step(who, () => done.push(`${who}${name}`));
  const all = [step('a', '1'), step('a', '2'), step('a', '3'), step('b', '1'), step('c', '1')];
  await Promise.all(all);
  await step('b', '2');
  expect(done).toEqual(['a1', 'a2', 'b1', 'c1', 'a3', 'b2']);
});

test('a step that fails fails alone', async () => {
  const lane = new SlowLane();
  const bad = lane.step('a', () => {
    throw new Error('cannot be read');
  });
  const good = lane.step('a', () => 'read');
  await expect(bad).rejects.toThrow('cannot be read');
  await expect(good).resolves.toBe('read');
});

test('between two steps there is time for whatever else has come', async () => {
  const lane = new SlowLane();
  const seen: string[] = [];
  const steps = [1, 2].map((n) => lane.step('a', () => seen.push(`step ${n}`)));
  setImmediate(() => seen.push('another'));
  await Promise.all(steps);
  expect(seen).toEqual(['step 1', 'another', 'step 2']);
});

test('what comes at the same time is begun one in a turn, of one person after another', async () => {
  const inTurn = new InTurn();
  const begun: string[] = [];
  const all = ['a1', 'a2', 'a3', 'b1'].map(
    (name) =>
      new Promise<void>((resolve) => inTurn.enter(name[0]!, () => (begun.push(name), resolve()))),
  );
  expect(begun).toEqual([]);
  await all[0];
  expect(begun).toEqual(['a1']);
  await Promise.all(all);
  expect(begun).toEqual(['a1', 'b1', 'a2', 'a3']);
});
