import { expect, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import {
  COAUTHOR,
  joinAs,
  LAMP,
  pick,
  RUNNING,
  sameOnAnother,
  signIn,
  someone,
  startLesson,
  test,
} from './people';

const FINISHED = '/results/00000000-0000-4000-8000-000000000101';

async function saved(page: Page, name: string): Promise<string> {
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name, exact: true }).click();
  return readFileSync(await (await saving).path(), 'utf8');
}

test('figures say how they are reckoned and of how many; files hold every answer and run nothing', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto(FINISHED);
  await expect(page.getByText('24 students')).toBeVisible();
  await page.getByRole('button', { name: 'Ida Marsh, question 1' }).click();
  const panel = page.getByRole('region', { name: 'Mark' });
  await panel.getByLabel('Comment').fill('=HYPERLINK("x")\n@second line');
  // Another cell, a reload: what was typed is there.
  await page.getByRole('button', { name: 'Ida Marsh, question 2' }).click();
  await page.reload();
  await page.getByRole('button', { name: 'Ida Marsh, question 1' }).click();
  await expect(panel.getByLabel('Comment')).toHaveValue(/second line/);
  await expect(page.getByRole('status', { name: 'Saved state' })).toHaveText('saved');

  await page.getByRole('radio', { name: 'Questions' }).click();
  const first = page.getByRole('article').first();
  for (const figure of ['Facility', 'Discrimination', 'Upper less lower 27 %']) {
    await expect(first.getByText(figure, { exact: true })).toBeVisible();
  }
  await expect(first.getByText(/of those who answered: 2\d students/)).toBeVisible();
  await expect(page.getByText(/^Too few/)).toHaveCount(0);
  await page.getByRole('radio', { name: 'The lesson' }).click();
  await expect(page.getByText('Cronbach’s alpha', { exact: false }).first()).toBeVisible();
  await page.getByRole('radio', { name: 'Routes' }).click();
  await expect(page.getByRole('columnheader', { name: 'Turned back' })).toBeVisible();

  await page.getByRole('button', { name: 'Save as …' }).click();
  const long = await saved(page, 'CSV, long');
  const rows = long.trim().split('\n');
  expect(rows[0]).toContain('student,slide,question,kind,answer,points');
  expect(rows.filter((row) => row.startsWith('Ida Marsh,')).length).toBeGreaterThan(4);
  expect(long).toContain(`"'=HYPERLINK(""x"")`);
  const wide = await saved(page, 'CSV, wide');
  expect(wide.trim().split('\n')).toHaveLength(25);
  const statements = JSON.parse(await saved(page, 'xAPI statements')) as {
    verb: { id: string };
    actor: object;
    object: { id: string };
  }[];
  expect(statements.length).toBeGreaterThan(24);
  for (const { verb, actor, object } of statements) {
    expect([verb.id, typeof actor, object.id].every(Boolean)).toBe(true);
  }

  await page.goto(`/results/${RUNNING}`);
  await page.getByRole('radio', { name: 'Questions' }).click();
  await expect(page.getByText('Too few: it takes 20').first()).toBeVisible();
});

test('marks are kept back until they are released, and a folio is given back for another attempt', async ({
  browser,
}) => {
  const desk = await signIn(await someone(browser));
  const { lessonId, code } = await startLesson(desk);
  await desk.getByRole('button', { name: 'Settings' }).click();
  await desk.getByLabel('Students see their marks').selectOption('when you release them');
  await desk.keyboard.press('Escape');
  const mona = await someone(browser, { viewport: { width: 390, height: 844 } });
  await joinAs(mona, code, 'Mona');
  await mona.getByRole('button', { name: 'Climb the tower' }).click();
  await mona.getByRole('button', { name: 'Look first' }).click();
  await mona.getByRole('radio', { name: 'The battery is flat' }).check();
  await mona.getByRole('button', { name: 'Hand in' }).click();
  await mona.getByRole('button', { name: 'Hand in now' }).click();
  await expect(mona.getByText(/^Handed in\./)).toBeVisible();
  await expect(mona.getByText(/Not right yet/)).toHaveCount(0);

  const results = await sameOnAnother(browser, desk);
  await results.goto(`/results/${lessonId}`);
  await results.getByRole('button', { name: /^Mona, question 1/ }).click();
  await results.getByRole('button', { name: 'Brave try' }).click();
  await results.getByRole('radio', { name: 'Questions' }).click();
  await expect(results.getByText(/Too few/).first()).toBeVisible();
  await results.getByRole('radio', { name: 'Gradebook' }).click();
  await results.getByRole('button', { name: 'Release the marks' }).click();
  await expect(mona.getByText(/Not right yet/)).toBeVisible();
  await expect(mona.getByText('Brave try')).toBeVisible();

  await results.getByRole('button', { name: /^Mona, question 1/ }).click();
  await results.getByRole('button', { name: 'Give back for another attempt' }).click();
  await mona.reload();
  await mona.getByRole('radio', { name: 'Something in the circuit is open' }).check();
  await expect(mona.getByRole('status', { name: 'Saved state' })).toHaveText('saved');
  await pick(desk, 'What the keeper sees');
  await desk.getByRole('radio', { name: 'Roll' }).click();
  await expect(desk.getByRole('row', { name: /Mona.*circuit is open/ })).toBeVisible();
});

test('two teachers share a desk, one of them on a tablet', async ({ browser }) => {
  const ines = await signIn(await someone(browser));
  const { lessonId, code } = await startLesson(ines);
  const tomas = await signIn(
    await someone(browser, { viewport: { width: 1024, height: 768 }, hasTouch: true }),
    COAUTHOR,
  );
  await tomas.goto(`${LAMP}/lessons`);
  await tomas.goto(`/desk/${lessonId}`);
  const mona = await someone(browser);
  await joinAs(mona, code, 'Mona');
  await mona.getByRole('link', { name: 'Climb the tower' }).click();
  await mona.getByRole('link', { name: 'Look first' }).click();
  await mona.getByLabel('The battery is flat').check();
  for (const desk of [ines, tomas]) {
    await pick(desk, 'What the keeper sees');
    await desk.getByRole('radio', { name: 'Roll' }).click();
  }
  const star = (desk: Page) => desk.getByRole('button', { name: 'Star the answer of Mona' });
  await star(tomas).tap();
  await expect(star(ines)).toHaveAttribute('aria-pressed', 'true');
  await ines.getByRole('button', { name: 'Hold', exact: true }).click();
  await tomas.getByRole('button', { name: 'Let go on' }).tap();
  await expect(ines.getByRole('button', { name: 'Hold', exact: true })).toBeVisible();
  await tomas.getByRole('radio', { name: 'Together' }).tap();
  await expect(ines.getByRole('radio', { name: 'Together' })).toBeChecked();
  await tomas.getByRole('button', { name: 'End', exact: true }).tap();
  await tomas.getByRole('button', { name: 'End it' }).tap();
  await expect(ines.getByText('ended', { exact: false }).first()).toBeVisible();
});
