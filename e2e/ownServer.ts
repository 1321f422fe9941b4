import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');

/** A server of a test's own over the database of all, which it may kill. */
export async function serve(port: number): Promise<ChildProcess> {
  const server = spawn(process.execPath, [join(root, 'apps/server/dist/main.js')], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      PORT: String(port),
      GOBREL_WEB: join(root, 'apps/web/dist'),
      LOG_LEVEL: 'warn',
    },
  });
  await once(server.stdout!, 'data');
  return server;
}
