import { readFileSync } from 'node:fs';
import { configFromEnvironment } from './config.js';

const url = 'postgres://gobrel@127.0.0.1/gobrel';

test('with nothing but a database it listens for this machine alone, without the demo', () => {
  expect(configFromEnvironment('/x', { DATABASE_URL: url, PORT: '' })).toMatchObject({
    port: 4300,
    host: '127.0.0.1',
    databaseUrl: url,
    webFolder: '',
    redisUrl: '',
    proxies: 0,
    isSecure: false,
    seedsDemo: false,
    livesDemo: false,
    logLevel: 'info',
    pictureWorker: '/x/assets/pictureProcess.js',
  });
});

test('what is set is read as what it is', () => {
  const env = { DATABASE_URL: url, PORT: '80', GOBREL_PROXIES: '2', GOBREL_HTTPS: '1' };
  expect(configFromEnvironment('/x', { ...env, LOG_LEVEL: 'warn', OTHER: 'x' })).toMatchObject({
    port: 80,
    proxies: 2,
    isSecure: true,
    logLevel: 'warn',
  });
});

test.each([
  [{}, 'DATABASE_URL'],
  [{ DATABASE_URL: 'mysql://x' }, 'DATABASE_URL'],
  [{ DATABASE_URL: url, PORT: 'eighty' }, 'PORT'],
  [{ DATABASE_URL: url, PORT: '70000' }, 'PORT'],
  [{ DATABASE_URL: url, GOBREL_HTTPS: 'yes' }, 'GOBREL_HTTPS'],
  [{ DATABASE_URL: url, GOBREL_PROXIES: '-1' }, 'GOBREL_PROXIES'],
  [{ DATABASE_URL: url, REDIS_URL: 'localhost' }, 'REDIS_URL'],
  [{ DATABASE_URL: url, LOG_LEVEL: 'loud' }, 'LOG_LEVEL'],
  [{ DATABASE_URL: url, SMTP_URL: 'mail.example' }, 'SMTP_URL'],
  [{ DATABASE_URL: url, SMTP_URL: 'smtp://mail.example' }, 'GOBREL_ADDRESS'],
  [{ DATABASE_URL: url, GOBREL_ADDRESS: 'https://a.example/x' }, 'GOBREL_ADDRESS'],
  [{ DATABASE_URL: url, GOBREL_OUTBOX: 'everybody' }, 'GOBREL_OUTBOX'],
])('%j is said to be wrong, by its name', (env, name) => {
  expect(() => configFromEnvironment('/x', env)).toThrow(name);
});

test('every setting stands in the table of docs/running.md', () => {
  const source = readFileSync('apps/server/src/config.ts', 'utf8');
  const table = readFileSync('docs/running.md', 'utf8');
  const names = [...source.matchAll(/^ {2}([A-Z_]+)(?:: .+)? = /gm)].map(([, name]) => name!);
  expect(names).toHaveLength(13);
  for (const name of names) expect(table).toContain(`| \`${name}\``);
});
