import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { freePort, startCluster } from './postgres.mjs';
import { SERVER_ENVIRONMENT, SERVER_OPTIONS } from './serverEnvironment.mjs';
import {
  build,
  checkModules,
  checkNode,
  checkPackages,
  giveUp,
  root,
  say,
  workFolder,
} from './setup.mjs';

/** `npm start`: sets everything up and runs Gobrel with the demo data. `--fresh` begins anew. */
const fresh = process.argv.includes('--fresh');
checkNode();
if (!process.env.DATABASE_URL) checkPackages({ browser: false });
checkModules();
build();

let cluster = null;
if (!process.env.DATABASE_URL) {
  say('Starting PostgreSQL …');
  cluster = await startCluster(join(workFolder, 'postgres'), { fresh });
} else if (fresh) {
  giveUp('--fresh empties only a database of our own, not the one in DATABASE_URL.');
}
const hasDemo = cluster !== null || ['1', 'live'].includes(process.env.GOBREL_DEMO ?? '');
const port = Number(process.env.PORT ?? 0) || ((await isFree(4300)) ? 4300 : await freePort());
const server = spawn(
  process.execPath,
  [...SERVER_OPTIONS, join(root, 'apps/server/dist/main.js')],
  {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    // Its own process group: Ctrl-C comes to us first, and we end things in order.
    detached: true,
    env: {
      ...SERVER_ENVIRONMENT,
      ...process.env,
      PORT: String(port),
      DATABASE_URL: process.env.DATABASE_URL ?? cluster.createDatabase('gobrel'),
      GOBREL_WEB: join(root, 'apps/web/dist'),
      // A database of somebody's own gets the demo, whose password is known, only when it is asked for.
      GOBREL_DEMO: hasDemo ? (process.env.GOBREL_DEMO === '1' ? '1' : 'live') : '',
    },
  },
);
server.stdout.on('data', (chunk) => {
  const text = String(chunk);
  if (!text.includes('listening on')) return void process.stdout.write(text);
  const demo = `
  Sign in as            ines@gobrel.example   password  petrel-isle-lamp
  A lesson is running   join at http://127.0.0.1:${port}/join with  TERN 482
`;
  say(`
  Gobrel runs at        http://127.0.0.1:${port}${hasDemo ? demo : '\n'}
  Ctrl-C stops it.`);
});

let isStopping = false;
function stop() {
  if (isStopping) return;
  isStopping = true;
  say('\nStopping …');
  server.kill('SIGTERM');
  setTimeout(() => server.kill('SIGKILL'), 8000).unref();
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
server.on('exit', (code) => {
  cluster?.stop();
  if (isStopping) process.exit(0);
  giveUp(`The server stopped by itself (${code}).`);
});

async function isFree(wanted) {
  const { createServer } = await import('node:net');
  return new Promise((done) => {
    const probe = createServer();
    probe.once('error', () => done(false));
    probe.listen(wanted, '127.0.0.1', () => probe.close(() => done(true)));
  });
}
