import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import { isSaved, joinAs, RUNNING, signIn, someone, test } from './people';

const root = join(import.meta.dirname, '..');
const PORT = 4378;

async function serve(): Promise<ChildProcess> {
  const server = spawn(process.execPath, [join(root, 'apps/server/dist/main.js')], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      PORT: String(PORT),
      GOBREL_WEB: join(root, 'apps/web/dist'),
      LOG_LEVEL: 'warn',
    },
  });
  await once(server.stdout!, 'data');
  return server;
}

test('the server is killed in mid-lesson and started again: desk and student go on where they were', async ({
  browser,
}) => {
  let server = await serve();
  const baseURL = `http://127.0.0.1:${PORT}`;
  try {
    const teacher = await signIn(await someone(browser, { baseURL }));
    await teacher.goto(`/desk/${RUNNING}`);
    const student = await someone(browser, { baseURL });
    await joinAs(student, 'TERN 482', 'Rafi Stone');
    await student.getByRole('link', { name: 'Climb the tower' }).click();
    const dot = teacher
      .getByRole('list', { name: 'Students on Up the tower' })
      .getByRole('button', { name: 'Rafi Stone' });
    await expect(dot).toBeVisible();
    await isSaved(student);

    server.kill('SIGKILL');
    await expect(student.getByRole('status', { name: 'Saved state' })).toHaveText(
      'kept on this device',
    );
    await student.getByRole('link', { name: 'Look first' }).click();
    server = await serve();

    await expect(student.getByRole('status', { name: 'Saved state' })).toHaveText('saved', {
      timeout: 20_000,
    });
    const moved = teacher
      .getByRole('list', { name: 'Students on What the keeper sees' })
      .getByRole('button', { name: 'Rafi Stone' });
    await expect(moved).toBeVisible({ timeout: 20_000 });
    for (const [press, seen] of [
      ['Hold', true],
      ['Let go on', false],
      ['Hold', true],
      ['Let go on', false],
    ] as const) {
      await teacher.getByRole('button', { name: press, exact: true }).click();
      await expect(student.getByText('Hold: look up for a moment.')).toBeVisible({ visible: seen });
    }
  } finally {
    server.kill('SIGTERM');
  }
});
