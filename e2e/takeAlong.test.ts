import { expect, type Browser, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { LAMP, signIn, someone, test } from './people';

const slide = (page: Page, name: string) => page.getByRole('group', { name, exact: true }).first();

/** Saves the deck as a file; what it says of its size before. */
async function saved(page: Page, path: string): Promise<string> {
  const sheet = page.getByRole('dialog', { name: 'Share' });
  const save = sheet.getByRole('button', { name: 'Save the file' });
  await expect(save).toBeVisible();
  const said = (await sheet.getByRole('status').textContent())!;
  const [file] = await Promise.all([page.waitForEvent('download'), save.click()]);
  expect(file.suggestedFilename()).toBe('Keep-the-Lamp-Lit.html');
  await file.saveAs(path);
  return said;
}

/** Somebody without a network; what the page reaches for is kept. */
async function without(browser: Browser, more: Parameters<typeof someone>[1] = {}) {
  const page = await someone(browser, { offline: true, ...more });
  const reached: string[] = [];
  page.on('request', (request) => {
    if (!/^(file|data|blob):/.test(request.url())) reached.push(request.url());
  });
  page.on('console', (said) => {
    if (said.type() === 'error') reached.push(said.text());
  });
  return { page, reached };
}

test('a deck is taken along as one file, which walks, is tried and is marked without a network', async ({
  browser,
}, info) => {
  const ines = await signIn(await someone(browser));
  await ines.goto(`${LAMP}/map`);
  await ines.getByRole('button', { name: 'Share' }).click();
  await ines.getByRole('radio', { name: 'Take along' }).click();
  const sheet = ines.getByRole('dialog', { name: 'Share' });
  await expect(sheet.getByText('No right answer is in the file.')).toBeVisible();
  const plain = info.outputPath('plain.html');
  await saved(ines, plain);
  const words = await readFile(plain, 'utf8');
  expect(words).toContain('"keys":null');
  expect(words).not.toContain('"optionIds"');
  await sheet.getByLabel('Answers are marked').check();
  await expect(sheet.getByText('The file holds the right answers')).toBeVisible();
  const marked = info.outputPath('marked.html');
  expect(await saved(ines, marked)).toMatch(/^\d\.\d MB, \d+ slides, \d+ pictures/);

  // On a computer: by keys and choices, tried until it is right, and after a reload where it was.
  const { page, reached } = await without(browser);
  await page.goto(`file://${marked}`);
  await expect(page).toHaveTitle('Keep the Lamp Lit');
  await page.keyboard.press('ArrowRight');
  await expect(slide(page, 'The lamp goes out')).toBeVisible();
  await page.getByRole('link', { name: 'Climb the tower' }).click();
  await page.getByRole('link', { name: 'Look first' }).click();
  await page.getByRole('radio', { name: 'It is too windy' }).check();
  await page.getByRole('button', { name: 'Done: show my mark' }).click();
  await expect(page.getByText(/Not right yet · 0 of/)).toBeVisible();
  await page.getByRole('radio', { name: 'Something in the circuit is open' }).check();
  await page.getByRole('button', { name: 'Done: show my mark' }).click();
  await expect(page.getByText(/^Right · /)).toBeVisible();
  await expect.poll(() => page.url()).toContain('#keeper-sees');
  await page.reload();
  await expect(slide(page, 'What the keeper sees')).toBeVisible();
  const shown = await page
    .locator('img')
    .evaluateAll((all) => all.map((one) => (one as HTMLImageElement).naturalWidth > 0));
  expect(shown.length).toBeGreaterThan(0);
  expect(shown).not.toContain(false);
  await page.getByRole('button', { name: 'Start again' }).click();
  await expect(slide(page, 'The lamp goes out')).toBeVisible();
  expect(reached).toEqual([]);

  // On a phone, without keys: answered, and not marked.
  const phone = await without(browser, {
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  });
  await phone.page.goto(`file://${plain}#keeper-sees`);
  await phone.page.getByRole('radio', { name: 'It is too windy' }).check();
  await expect(phone.page.getByRole('radio', { name: 'It is too windy' })).toBeChecked();
  await expect(phone.page.getByRole('button', { name: /show my mark/ })).toHaveCount(0);
  expect(phone.reached).toEqual([]);
});

test('making a file is stopped and begun again, and without the server that is said', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  await ines.goto(`${LAMP}/map`);
  await ines.route('**/along/along.js', async (route) => {
    await new Promise((later) => setTimeout(later, 1500));
    await route.continue().catch(() => undefined);
  });
  await ines.getByRole('button', { name: 'Share' }).click();
  await ines.getByRole('radio', { name: 'Take along' }).click();
  const sheet = ines.getByRole('dialog', { name: 'Share' });
  await expect(sheet.getByRole('progressbar')).toBeVisible();
  await sheet.getByRole('button', { name: 'Stop' }).click();
  await expect(sheet.getByText('Stopped.')).toBeVisible();
  await ines.context().setOffline(true);
  await sheet.getByRole('button', { name: 'Make it' }).click();
  await expect(sheet.getByRole('alert')).toContainText('could not be made');
  await ines.context().setOffline(false);
  await sheet.getByRole('button', { name: 'Make it' }).click();
  await expect(sheet.getByRole('button', { name: 'Save the file' })).toBeVisible();
});
