import { fork } from 'node:child_process';
import { once } from 'node:events';
import { readdirSync, readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import sharp from 'sharp';

test('every thread that reads pictures yields to the class, those that came later too', async () => {
  const child = fork(resolve('apps/server/dist/assets/pictureProcess.js'), [], {
    serialization: 'advanced',
    execArgv: [],
  });
  await once(child, 'message');
  const create = { width: 1200, height: 900, channels: 3, background: '#224466' } as const;
  const picture = await sharp({ create }).png().toBuffer();
  child.send({ id: 1, name: 'sizeOf', args: [picture, 300, 'webp'] });
  const [told] = (await once(child, 'message')) as [{ id: number; done?: unknown }];
  const threads = readdirSync(`/proc/${child.pid}/task`);
  const priorities = threads.map((thread) => {
    const stat = readFileSync(`/proc/${child.pid}/task/${thread}/stat`, 'utf8');
    // Its name is in parentheses, and may hold anything.
    return Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[16]);
  });
  child.disconnect();
  expect(told).toMatchObject({ id: 1, done: expect.anything() as unknown });
  expect(threads.length).toBeGreaterThan(3);
  expect(Math.min(...priorities)).toBeGreaterThanOrEqual(15);
});
