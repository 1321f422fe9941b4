import { seedDemo } from '../demo/seedDemo.js';
import { makeDatabase, startServer, Visitor } from '../testing/testServer.js';
import { oneAtATime } from './startLock.js';

test('three servers that start on one empty database at the same time all come up, with the demo once', async () => {
  const databaseUrl = await makeDatabase();
  const servers = await Promise.all(
    [1, 2, 3].map(async () => {
      const server = await startServer({ databaseUrl });
      await oneAtATime(databaseUrl, () => seedDemo(server.app));
      return server;
    }),
  );
  for (const { url } of servers) {
    const ines = new Visitor(url);
    const session = { email: 'ines@gobrel.example', password: 'petrel-isle-lamp' };
    expect((await ines.post('session', session)).status).toBeLessThan(300);
    const { body } = await ines.get<{ title: string }[]>('decks');
    expect(body.filter(({ title }) => title === 'Keep the Lamp Lit')).toHaveLength(1);
  }
  await Promise.all(servers.map((server) => server.stop()));
});

test('what fails lets the next one have its turn', async () => {
  const databaseUrl = await makeDatabase();
  await expect(oneAtATime(databaseUrl, () => Promise.reject(new Error('no')))).rejects.toThrow(
    'no',
  );
  expect(await oneAtATime(databaseUrl, () => Promise.resolve(1))).toBe(1);
});
