import { PassQueue } from './PassQueue.js';

interface Lamp {
  id: string;
  oil: number;
}

/** A queue that notes its passes; `fails` says which lamps cannot be worked on, and whether for ever. */
function lamps(fails: (id: string) => 'once' | 'for ever' | null = () => null) {
  const passes: string[][] = [];
  const problems: string[] = [];
  const failed = new Set<string>();
  const latest = new Map<string, Lamp>();
  const queue: PassQueue<Lamp> = new PassQueue<Lamp>(1, {
    pass: async (batch) => {
      await Promise.resolve();
      for (const { id } of batch) {
        const how = fails(id);
        if (how === 'for ever') throw new TypeError(`${id} is broken`);
        if (how === 'once' && !failed.has(id)) {
          failed.add(id);
          throw new Error(`${id} is out of reach`);
        }
      }
      passes.push(batch.map(({ id, oil }) => `${id}${oil}`));
    },
    latest: (one) => latest.get(one.id) ?? one,
    isLasting: (error) => error instanceof TypeError,
    problem: (sentence) => problems.push(sentence),
  });
  return { queue, passes, problems, latest };
}
const lamp = (id: string, oil = 1): Lamp => ({ id, oil });

test('what is marked together is one pass, each once', async () => {
  const { queue, passes } = lamps();
  const north = lamp('north');
  queue.mark(north);
  queue.mark(lamp('south'));
  queue.mark(north);
  await queue.settle();
  expect(passes).toEqual([['north1', 'south1']]);
});

test('what was opened anew since it was marked is worked on as it is now', async () => {
  const { queue, passes, latest } = lamps();
  queue.mark(lamp('north', 1));
  latest.set('north', lamp('north', 2));
  await queue.settle();
  expect(passes).toEqual([['north2']]);
});

test('settling waits for what was marked before, and not for what is marked without end', async () => {
  const { queue, passes } = lamps();
  const again = setInterval(() => queue.mark(lamp('busy')), 0);
  queue.mark(lamp('north'));
  await queue.settle();
  clearInterval(again);
  expect(passes.flat()).toContain('north1');
  await queue.settle();
});

test('when nothing is marked, nothing is waited for', async () => {
  const { queue, passes } = lamps();
  await queue.settle();
  expect(passes).toEqual([]);
});

test('a pass that failed is tried again, whole', async () => {
  const { queue, passes, problems } = lamps((id) => (id === 'south' ? 'once' : null));
  queue.mark(lamp('north'));
  queue.mark(lamp('south'));
  await queue.close();
  expect(problems).toEqual(['south is out of reach']);
  expect(passes).toEqual([]);

  const other = lamps((id) => (id === 'south' ? 'once' : null));
  other.queue.mark(lamp('north'));
  other.queue.mark(lamp('south'));
  await until(() => other.passes.length > 0);
  expect(other.passes).toEqual([['north1', 'south1']]);
});

test('one that fails for ever holds up no other, and is let be', async () => {
  const { queue, passes, problems } = lamps((id) => (id === 'south' ? 'for ever' : null));
  for (const id of ['north', 'south', 'east']) queue.mark(lamp(id));
  await until(() => passes.length === 2);
  expect(passes).toEqual([['north1'], ['east1']]);
  expect(problems).toEqual(['south is broken', 'south: TypeError: south is broken']);
  await queue.close();
  expect(problems).toHaveLength(2);
});

test('one that rests comes in the next pass, and is waited for when it is asked for by itself', async () => {
  const seen: string[] = [];
  let hasRested = false;
  const queue: PassQueue<Lamp> = new PassQueue<Lamp>(1, {
    pass: (batch) => {
      for (const one of batch) {
        if (one.id === 'dear' && !hasRested) {
          hasRested = true;
          queue.rest(one);
        } else seen.push(one.id);
      }
      return Promise.resolve();
    },
    latest: (one) => one,
    isLasting: () => false,
    problem: () => undefined,
  });
  const dear = lamp('dear');
  queue.mark(dear);
  queue.mark(lamp('cheap'));
  await queue.settleOne(() => dear);
  expect(seen).toEqual(['cheap', 'dear']);
});

test('a queue that is closed has worked on all, and works on nothing more', async () => {
  const { queue, passes } = lamps();
  queue.mark(lamp('north'));
  await queue.close();
  queue.mark(lamp('south'));
  await queue.settle();
  expect(passes).toEqual([['north1']]);
});

async function until(claim: () => boolean): Promise<void> {
  while (!claim()) await new Promise((resolve) => setTimeout(resolve, 5));
}
