import type { Device } from '@gobrel/core';
import { DataSource } from 'typeorm';
import {
  letterTo,
  signUp,
  startServer,
  until,
  Visitor,
  type TestServer,
} from '../testing/testServer.js';
import { isCommon } from './commonPasswords.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer({ proxies: 1 });
});
afterAll(() => server.stop());

const OLD = 'long enough words';
const NEW = 'gulls over the pier';
const signIn = async (email: string, password: string): Promise<Visitor & { status: number }> => {
  const visitor = new Visitor(server.url);
  const { status } = await visitor.post('session', { email, password });
  return Object.assign(visitor, { status });
};

test('what many have, and what is much like it, is no password', () => {
  for (const common of [
    'password1234',
    'Password!!!!',
    '1234567890',
    'qwertyuiop',
    'aaaaaaaaaaaa',
    'abababababab',
  ])
    expect([common, isCommon(common)]).toEqual([common, true]);
  for (const fine of [
    'petrel-isle-lamp',
    OLD,
    NEW,
    'Möwen über dem Steg',
    '灯台守は何を見たか今夜',
  ]) {
    expect([fine, isCommon(fine)]).toEqual([fine, false]);
  }
});

test('accounts and changes refuse a common password, and say so', async () => {
  const said = await new Visitor(server.url).post<{ errors: { message: string }[] }>('accounts', {
    email: 'una@gobrel.example',
    name: 'Una',
    password: 'password1234',
  });
  expect(said.status).toBe(400);
  expect(JSON.stringify(said.body)).toContain('Many have this password');
});

test('a password is changed by who knows it; every other device is signed out at once', async () => {
  const ines = await signUp(server.url);
  const tablet = await signIn(ines.email, OLD);
  expect(tablet.status).toBe(200);
  const wrong = await ines.post('account/password', { now: 'not this one', password: NEW });
  expect(wrong.status).toBe(409);
  expect((await tablet.get('session')).status).toBe(200);
  expect((await ines.post('account/password', { now: OLD, password: NEW })).status).toBe(204);
  expect((await tablet.get('session')).status).toBe(401);
  expect((await ines.get('session')).status).toBe(200);
  expect((await signIn(ines.email, OLD)).status).toBe(401);
  expect((await signIn(ines.email, NEW)).status).toBe(200);
});

test('devices are listed and signed out, one or all others, and nobody else’s', async () => {
  const ines = await signUp(server.url);
  const nora = await signUp(server.url);
  const [one, two] = [await signIn(ines.email, OLD), await signIn(ines.email, OLD)];
  const listed = async (): Promise<Device[]> => (await ines.get<Device[]>('account/devices')).body;
  const all = await listed();
  expect(all).toHaveLength(3);
  expect(all.filter(({ isThis }) => isThis)).toHaveLength(1);
  expect(JSON.stringify(all)).not.toContain('hash');
  const [theirs] = (await nora.get<Device[]>('account/devices')).body;
  expect((await ines.request('DELETE', `account/devices/${theirs!.id}`)).status).toBe(404);
  expect((await nora.get('session')).status).toBe(200);
  const ofOne = (await one.get<Device[]>('account/devices')).body.find(({ isThis }) => isThis)!;
  expect((await ines.request('DELETE', `account/devices/${ofOne.id}`)).status).toBe(204);
  expect((await one.get('session')).status).toBe(401);
  expect((await ines.request('DELETE', 'account/devices')).status).toBe(204);
  expect((await two.get('session')).status).toBe(401);
  expect(await listed()).toHaveLength(1);
});

test('a name is changed', async () => {
  const ines = await signUp(server.url);
  expect((await ines.request('PATCH', 'account', { name: '  Ines Varga ' })).status).toBe(204);
  expect((await ines.get<{ name: string }>('session')).body.name).toBe('Ines Varga');
  expect((await ines.request('PATCH', 'account', { name: ' ' })).status).toBe(400);
});

test('a forgotten password is made anew by a letter, once, and all devices are signed out', async () => {
  const ines = await signUp(server.url);
  const visitor = new Visitor(server.url);
  const ask = (email: string) => visitor.post('password-letters', { email });
  // Whether there is an account is not told.
  expect((await ask('nobody@gobrel.example')).status).toBe(204);
  expect((await ask(ines.email.toUpperCase())).status).toBe(204);
  const reader = await signUp(server.url);
  let token = '';
  await until(async () => {
    token = await letterTo(reader, ines.email).catch(() => '');
    return token !== '';
  });
  const at = `password-letters/${token}`;
  expect((await visitor.get<{ email: string }>(at)).body).toEqual({ email: ines.email });
  expect((await visitor.post(at, { password: 'password1234' })).status).toBe(400);
  expect((await visitor.post(at, { password: NEW })).status).toBe(204);
  expect((await ines.get('session')).status).toBe(401);
  expect((await signIn(ines.email, NEW)).status).toBe(200);
  expect((await visitor.post(at, { password: 'another one yet' })).status).toBe(404);
  expect((await visitor.get('password-letters/made-up')).status).toBe(404);
});

test('a letter is good for an hour; one person gets only so many', async () => {
  const ines = await signUp(server.url);
  const database = server.app.get(DataSource);
  const letters = async (): Promise<number> => {
    const rows = await database.query<{ id: string }[]>(`SELECT id FROM mail WHERE address = $1`, [
      ines.email,
    ]);
    return rows.length;
  };
  for (let n = 0; n < 8; n++) {
    const said = await new Visitor(server.url).post('password-letters', { email: ines.email });
    expect(said.status).toBe(204);
  }
  await until(async () => (await letters()) === 5);
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect(await letters()).toBe(5);
  const reader = await signUp(server.url);
  const token = await letterTo(reader, ines.email);
  await database.query(`UPDATE password_letter SET ends_at = now() - interval '1 second'`);
  const said = await new Visitor(server.url).post(`password-letters/${token}`, { password: NEW });
  expect(said.status).toBe(404);
});
