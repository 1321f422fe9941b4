import { expect } from '@playwright/test';
import { test } from './ownServer';
import { isSaved, joinAs, signIn, someone, startLesson } from './people';

test('the server is killed in mid-lesson and started again: desk and student go on where they were', async ({
  browser,
  own,
}) => {
  const { baseURL } = own;
  const teacher = await signIn(await someone(browser, { baseURL }));
  const { code } = await startLesson(teacher);
  const student = await someone(browser, { baseURL });
  await joinAs(student, code, 'Rafi Stone');
  await student.getByRole('link', { name: 'Climb the tower' }).click();
  const dot = teacher
    .getByRole('list', { name: 'Students on Up the tower' })
    .getByRole('button', { name: 'Rafi Stone' });
  await expect(dot).toBeVisible();
  await isSaved(student);

  await own.kill();
  await expect(student.getByRole('status', { name: 'Saved state' })).toHaveText(
    'kept on this device',
  );
  await student.getByRole('link', { name: 'Look first' }).click();
  await own.start();

  await expect(student.getByRole('status', { name: 'Saved state' })).toHaveText('saved');
  const moved = teacher
    .getByRole('list', { name: 'Students on What the keeper sees' })
    .getByRole('button', { name: 'Rafi Stone' });
  await expect(moved).toBeVisible();
  for (const [press, seen] of [
    ['Hold', true],
    ['Let go on', false],
    ['Hold', true],
    ['Let go on', false],
  ] as const) {
    await teacher.getByRole('button', { name: press, exact: true }).click();
    await expect(student.getByText('Hold: look up for a moment.')).toBeVisible({ visible: seen });
  }
});
