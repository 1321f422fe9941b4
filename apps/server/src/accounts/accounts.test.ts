import { DataSource } from 'typeorm';
import { Passwords } from './Passwords.js';
import { signUp, startServer, Visitor, type TestServer } from '../testing/testServer.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.stop());

test('an account signs in and out, and only then are decks to be had', async () => {
  const { email } = await signUp(server.url);
  const visitor = new Visitor(server.url);
  expect((await visitor.get('decks')).status).toBe(401);
  const signedIn = await visitor.post('session', {
    email: email.toUpperCase(),
    password: 'long enough words',
  });
  expect(signedIn.status).toBe(200);
  expect(signedIn.headers.getSetCookie()[0]).toMatch(/HttpOnly; SameSite=Lax/);
  expect((await visitor.get('decks')).body).toEqual([]);
  await visitor.request('DELETE', 'session');
  expect((await visitor.get('session')).status).toBe(401);
});

test('a session that was closed cannot be used again with its old cookie', async () => {
  const visitor = await signUp(server.url);
  const kept = new Map(visitor.cookies);
  await visitor.request('DELETE', 'session');
  visitor.cookies = kept;
  expect((await visitor.get('session')).status).toBe(401);
});

test('neither passwords nor tokens are in the database', async () => {
  const visitor = await signUp(server.url);
  const database = server.app.get(DataSource);
  const [teacher] = await database.query<{ password_hash: string }[]>(
    'SELECT password_hash FROM teacher WHERE id = $1',
    [visitor.id],
  );
  expect(teacher!.password_hash).toMatch(/^\$argon2id\$/);
  const sessions = await database.query<{ token_hash: string }[]>('SELECT token_hash FROM session');
  const token = visitor.cookies.get('gobrel_session')!;
  expect(sessions.length).toBeGreaterThan(0);
  expect(sessions.map((row) => row.token_hash)).not.toContain(token);
});

test('wrong passwords are refused without saying which part is wrong, and throttled', async () => {
  const { email } = await signUp(server.url);
  const visitor = new Visitor(server.url);
  const wrong = await visitor.post<{ detail: string }>('session', {
    email,
    password: 'something else',
  });
  const nobody = await visitor.post<{ detail: string }>('session', {
    email: 'nobody@gobrel.example',
    password: 'x',
  });
  expect(wrong.status).toBe(401);
  expect(wrong.body.detail).toBe(nobody.body.detail);
  for (let i = 0; i < 9; i++) await visitor.post('session', { email, password: 'something else' });
  expect((await visitor.post('session', { email, password: 'long enough words' })).status).toBe(
    429,
  );
});

test.each([
  [{ email: 'no address', name: 'A', password: 'long enough words' }, 'e-mail'],
  [{ email: 'a@gobrel.example', name: '', password: 'long enough words' }, 'name'],
  [{ email: 'a@gobrel.example', name: 'A', password: 'short' }, '10 characters'],
  [{ email: 'a@gobrel.example', name: 'A', password: 'long enough words', role: 'admin' }, 'role'],
  [{ email: ['a@gobrel.example'], name: 'A', password: 'long enough words' }, 'e-mail'],
])('%j is refused with a sentence', async (body, said) => {
  const answer = await new Visitor(server.url).post<{ detail: string; title: string }>(
    'accounts',
    body,
  );
  expect(answer.status).toBe(400);
  expect(answer.headers.get('content-type')).toContain('application/problem+json');
  expect(answer.body.detail).toContain(said);
});

test('the same address twice is refused', async () => {
  const { email } = await signUp(server.url);
  const again = await new Visitor(server.url).post('accounts', {
    email,
    name: 'B',
    password: 'long enough words',
  });
  expect(again.status).toBe(409);
});

test('a request from another site is refused, whatever cookies it carries', async () => {
  const visitor = await signUp(server.url);
  for (const origin of ['https://elsewhere.example', 'null', '']) {
    const answer = await visitor.request(
      'POST',
      'decks',
      { title: 'x' },
      { origin: origin || 'garbage' },
    );
    expect(answer.status).toBe(403);
  }
  const unsaid = await fetch(`${server.url}/api/decks`, {
    method: 'POST',
    headers: {
      cookie: visitor.cookie,
      'content-type': 'application/json',
      'sec-fetch-site': 'cross-site',
    },
    body: JSON.stringify({ title: 'x' }),
  });
  expect(unsaid.status).toBe(403);
});

test('answers carry a strict content policy, broken JSON a problem and no stack', async () => {
  const answer = await fetch(`${server.url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: '{"email": ',
  });
  expect(answer.headers.get('content-security-policy')).toContain("default-src 'self'");
  expect(answer.status).toBe(400);
  expect(await answer.text()).not.toMatch(/ at |node_modules/);
  expect((await new Visitor(server.url).get('health')).body).toEqual({ status: 'ok' });
});

test('a password that is checked keeps nobody waiting, and what is no hash of ours is never right', async () => {
  const passwords = server.app.get(Passwords);
  const known = await passwords.hash('long enough words', 'a');
  const turned: number[] = [];
  const ticking = setInterval(() => turned.push(performance.now()), 1);
  const answers = await Promise.all([
    ...Array.from({ length: 6 }, (_, at) => passwords.isRight(`guess ${at}`, known, 'b')),
    passwords.isRight('long enough words', known, 'c'),
    passwords.isRight('long enough words', null, 'd'),
    passwords.isRight('long enough words', 'no hash at all', 'e'),
  ]);
  clearInterval(ticking);
  expect(answers).toEqual([false, false, false, false, false, false, true, false, false]);
  expect(turned.length).toBeGreaterThan(5);
});
