import { expect, type Page } from '@playwright/test';
import { openSlide, stageOf, trayOf } from './onTheStage';
import { isSaved, signIn, someone, test } from './people';

const inShow = (page: Page, words: string) =>
  page.getByRole('group', { name: 'The bay', exact: true }).getByText(words);
const nothingInHand = (page: Page) => stageOf(page).click({ position: { x: 4, y: 4 } });
const tray = (page: Page, name: RegExp) => trayOf(page).getByRole('button', { name });

test('things come one by one, back takes them away again; slides turn over and show their number', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await openSlide(page, 'One by one');
  await nothingInHand(page);
  await tray(page, /^Transition/).click();
  await page.getByRole('radio', { name: 'Turn over' }).click();
  await page.keyboard.press('Escape');
  await expect(tray(page, /^Transition/)).toHaveAccessibleName('Transition: Turn over');
  await tray(page, /^Layout/).click();
  await page.getByRole('radio', { name: 'All', exact: true }).click();
  await page.keyboard.press('Escape');
  await expect(stageOf(page).getByText('1', { exact: true })).toBeVisible();

  for (const [words, step] of [
    ['High tide', '1'],
    ['Low tide', '2'],
  ] as const) {
    await trayOf(page).getByRole('button', { name: 'Text', exact: true }).click();
    await page.keyboard.type(words);
    await page.keyboard.press('Escape');
    await trayOf(page).getByRole('button', { name: 'More', exact: true }).click();
    await page.getByLabel('Comes at step').fill(step);
    await page.getByLabel('Comes at step').press('Enter');
    await page.keyboard.press('Escape');
    await nothingInHand(page);
  }
  await isSaved(page);
  await page.getByRole('button', { name: 'Show', exact: true }).click();
  await expect(
    page.getByRole('group', { name: 'The bay', exact: true }).getByText('1', { exact: true }),
  ).toBeVisible();
  await expect(inShow(page, 'High tide')).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await expect(inShow(page, 'High tide')).toBeVisible();
  await expect(inShow(page, 'Low tide')).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await expect(inShow(page, 'Low tide')).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(inShow(page, 'Low tide')).toHaveCount(0);
  await expect(inShow(page, 'High tide')).toBeVisible();
});

test('a page turns between two slides and leaves nothing behind; with less motion wanted nothing moves', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  const made = await page.context().request.post('/api/decks', {
    data: { title: 'Turning', beginning: 'choice-story' },
  });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`/deck/${id}/slide`);
  await nothingInHand(page);
  await tray(page, /^Transition/).click();
  await page.getByRole('radio', { name: 'Along the wire' }).click();
  await isSaved(page);
  await page.goto(`/deck/${id}/show`);
  const choice = page.locator('[data-shows]').getByRole('link').first();
  await expect(choice).toBeVisible();
  const moving = () => page.evaluate(() => document.getAnimations().length > 0);
  const leaving = page.locator('[data-leaving]');
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.evaluate(() => {
    const seen = { most: 0 };
    Object.assign(window, { seen });
    new MutationObserver(() => {
      const left = document.querySelectorAll('[data-leaving]').length;
      seen.most = Math.max(seen.most, left);
    }).observe(document.body, { childList: true, subtree: true, attributes: true });
  });
  const left = () =>
    page.evaluate(() => (window as unknown as { seen: { most: number } }).seen.most);
  await choice.click();
  await expect.poll(left).toBeGreaterThan(0);
  await expect(leaving).toHaveCount(0);
  await expect.poll(moving).toBe(false);

  // On and back again while the first page is still on its way: the show stands, and goes on.
  await page.keyboard.press('ArrowLeft');
  await choice.click();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(choice).toBeVisible();
  await expect(leaving).toHaveCount(0);
  await choice.click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('A long wait');
  await expect(page.locator('[data-shows]').getByText('Walk to the light').first()).toBeVisible();
  await expect(leaving).toHaveCount(0);

  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.evaluate(() =>
    Object.assign(window, { seen: Object.assign((window as never)['seen'], { most: 0 }) }),
  );
  await page.keyboard.press('ArrowLeft');
  await expect(choice).toBeVisible();
  expect(await left()).toBe(0);
});
