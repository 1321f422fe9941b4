import { test as withPeople } from './people';
import { TestServer } from './testServer';

/** One for each of the tests that run side by side, above the ports of the servers of all. */
const FIRST_PORT = 4380;

/** A test with a server of its own beside that of all, over the same database, which it may kill. */
export const test = withPeople.extend<{ own: TestServer }>({
  own: async ({}, use, info) => {
    const own = new TestServer(FIRST_PORT + info.parallelIndex);
    await own.start();
    await use(own);
    await own.kill('SIGTERM');
  },
});
