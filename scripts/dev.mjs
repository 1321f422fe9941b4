import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { startCluster } from './postgres.mjs';
import { build, checkModules, checkNode, checkPackages, root, say, workFolder } from './setup.mjs';

/** `npm run dev`: server and interface with hot reload, on the same data as `npm start`. */
checkNode();
checkPackages({ browser: false });
checkModules();
build();
const cluster = await startCluster(join(workFolder, 'postgres'));
const env = {
  ...process.env,
  PORT: '4301',
  DATABASE_URL: process.env.DATABASE_URL ?? cluster.createDatabase('gobrel'),
  // As with `npm start`: another database gets the demo only when it is asked for.
  GOBREL_DEMO: process.env.DATABASE_URL ? (process.env.GOBREL_DEMO ?? '') : '1',
};
const children = [
  spawn('npx', ['tsc', '-b', '--watch', '--preserveWatchOutput'], {
    cwd: root,
    stdio: 'inherit',
    env,
  }),
  spawn(process.execPath, ['--watch', 'apps/server/dist/main.js'], {
    cwd: root,
    stdio: 'inherit',
    env,
  }),
  spawn('npx', ['vite', '--port', '4300', '--host', '127.0.0.1'], {
    cwd: join(root, 'apps/web'),
    stdio: 'inherit',
    env,
  }),
];
say('Gobrel with hot reload: http://127.0.0.1:4300');
let isStopping = false;
for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, () => {
    if (isStopping) return;
    isStopping = true;
    for (const child of children) child.kill('SIGTERM');
    cluster.stop();
    process.exit(0);
  });
}
