import { Client } from 'pg';
import { makeToken } from '../access/tokens.js';
import { signUp, startServer, type TestServer } from '../testing/testServer.js';

/** The cluster that comes with the application; the tests run on one that is made the same way. */
const address = (): URL => new URL(process.env.DATABASE_URL ?? '');
const ask = async (url: URL, statement: string): Promise<Record<string, string>[]> => {
  const client = new Client({ connectionString: url.href });
  try {
    await client.connect();
    return (await client.query<Record<string, string>>(statement)).rows;
  } finally {
    await client.end();
  }
};

test('the database asks for its password', async () => {
  const bare = address();
  bare.password = '';
  await expect(ask(bare, 'SELECT 1')).rejects.toThrow();
  bare.password = 'guessed';
  await expect(ask(bare, 'SELECT 1')).rejects.toThrow(/password/);
  const rules = await ask(address(), 'SELECT DISTINCT auth_method FROM pg_hba_file_rules');
  expect(rules).toEqual([{ auth_method: 'scram-sha-256' }]);
});

test('what people write does not come into its log', async () => {
  for (const [setting, value] of [
    ['log_error_verbosity', 'terse'],
    ['log_min_error_statement', 'panic'],
    ['log_statement', 'none'],
    ['log_min_duration_statement', '-1'],
  ] as const) {
    expect(await ask(address(), `SHOW ${setting}`)).toEqual([{ [setting]: value }]);
  }
});

describe('over https', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startServer({ isSecure: true });
  });
  afterAll(() => server.stop());

  test('cookies are bound to this very host, and others of the same name say nothing', async () => {
    const ines = await signUp(server.url);
    const names = [...ines.cookies.keys()];
    expect(names).toEqual(['__Host-gobrel_session']);
    expect((await ines.get('session')).status).toBe(200);
    const token = ines.cookies.get('__Host-gobrel_session')!;
    ines.cookies = new Map([['gobrel_session', token]]);
    expect((await ines.get('session')).status).toBe(401);
    ines.cookies = new Map([['__Host-gobrel_session', makeToken()]]);
    expect((await ines.get('session')).status).toBe(401);
  });
});
