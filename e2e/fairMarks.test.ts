import { expect } from '@playwright/test';
import {
  gather,
  giveMarksAtOnce,
  joinAs,
  lessonOfStarters,
  newDeck,
  signIn,
  someone,
  test,
} from './people';

test('a number that can be read in two ways is asked about; one that was read otherwise than written is shown', async ({
  browser,
}) => {
  const { ines: desk, code, lessonId, slides } = await lessonOfStarters(browser, ['Work it out']);
  await giveMarksAtOnce(desk, lessonId);
  await gather(desk, lessonId, slides.get('Work it out')!);
  const mona = await someone(browser);
  await joinAs(mona, code, 'Mona');
  const field = mona.getByRole('textbox', { name: 'Your answer in m' });
  const done = mona.getByRole('button', { name: 'Done: show my mark' });
  await field.fill('1,250');
  await expect(mona.getByText('Do you mean')).toBeVisible();
  await expect(done).toHaveCount(0);
  await mona.getByRole('button', { name: '1250', exact: true }).click();
  await expect(field).toHaveValue('1250');
  await expect(mona.getByText('Do you mean')).toHaveCount(0);
  await field.fill('10^1 m');
  await expect(mona.getByText('Read as 10 m')).toBeVisible();
  await field.fill('9');
  // No mark comes by itself; for what she is done with it comes, and it stands.
  await mona.waitForTimeout(2500);
  await expect(mona.getByText('Not right yet')).toHaveCount(0);
  await done.click();
  await expect(mona.getByText('Not right yet · 0 of 2')).toBeVisible();
  await expect(field).toBeDisabled();
  await expect(mona.getByText('Answered; it stands as it is.')).toBeVisible();
  await mona.reload();
  await expect(field).toBeDisabled();
  await expect(mona.getByText('Not right yet · 0 of 2')).toBeVisible();
});

test('a teacher sees how a key was read, and what the deck is written in decides', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'Zahlen');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Slide', exact: true }).click();
  await page.getByRole('button', { name: 'Language: English' }).click();
  await page.getByLabel('Language of the deck').selectOption({ label: 'German' });
  await expect(page.getByText('one and a half is 1,5.')).toBeVisible();
  await page.keyboard.press('Escape');
  const tray = page.getByRole('toolbar', { name: 'Tray' });
  await tray.getByRole('button', { name: 'Question', exact: true }).click();
  await page.getByRole('button', { name: 'Number', exact: true }).click();
  await tray.getByRole('button', { name: 'Answer and key' }).click();
  const right = page.getByLabel('Right', { exact: true });
  await right.fill('1.000');
  await expect(page.getByLabel('Decimals')).toHaveValue(',');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('status', { name: 'Kept' })).toContainText(
    'read in two ways: write 1000 or 1.',
  );
  await right.fill('1 000 ± 5 %');
  await expect(page.getByRole('status', { name: 'What is right' })).toHaveText(
    'Read as 950 to 1050.',
  );
});

test('a list with family names first is asked about and shown before anything is made', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto('/classes');
  await page.getByLabel('Name', { exact: true }).fill('6c');
  await page.getByLabel('Or from a CSV file').setInputFiles({
    name: '6c.csv',
    mimeType: 'text/csv',
    // As an old spreadsheet saves it: semicolons, windows-1252.
    buffer: Buffer.from('Brändt;Ada\nTamm;Béla\nOrd;Cleo\n', 'latin1'),
  });
  const preview = page.getByRole('region', { name: 'What will be in the list' });
  await expect(preview).toContainText('3 students');
  const keep = page.getByRole('button', { name: 'Keep this class' });
  await expect(keep).toBeDisabled();
  await preview.getByLabel(/What stands first/).check();
  await expect(preview.getByRole('listitem').first()).toHaveText('Ada Brändt');
  await keep.click();
  await expect(page.getByRole('article').filter({ hasText: '6c' })).toContainText('Béla Tamm');
});
