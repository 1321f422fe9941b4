import { expect, type Page } from '@playwright/test';
import { openSlide, stageOf, trayOf, undo } from './onTheStage';
import { isSaved, newDeck, signIn, someone, test } from './people';

const scenery = (page: Page) => stageOf(page).locator('svg[data-scenery]').first();
const themes = (page: Page) => page.getByRole('group', { name: 'Themes' });

test('theme, side and scenery change at once for everybody; a slide departs and comes back; undo takes each back', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await openSlide(page, 'In other colours');
  await expect(scenery(page)).toHaveAttribute('data-scenery', 'full');
  const other = await page.context().newPage();
  await other.goto(page.url());
  await expect(scenery(other)).toBeVisible();

  const theme = trayOf(page).getByRole('button', { name: /^Theme/ });
  await stageOf(page).click({ position: { x: 4, y: 4 } });
  await theme.click();
  await themes(page).getByRole('button', { name: 'Harbour' }).click();
  await expect(themes(page).getByRole('button', { name: 'Harbour' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  const sky = scenery(page).locator('stop').first();
  await expect(sky).toHaveAttribute('stop-color', '#F7DDB4');
  await expect(scenery(other).locator('stop').first()).toHaveAttribute('stop-color', '#F7DDB4');
  await page.getByRole('radio', { name: 'Dark' }).click();
  await expect(sky).toHaveAttribute('stop-color', '#1B2038');
  await page.getByRole('radio', { name: 'Quiet' }).click();
  await expect(scenery(page)).toHaveAttribute('data-scenery', 'quiet');
  await page.getByRole('radio', { name: 'None' }).click();
  await expect(scenery(page)).toHaveCount(0);
  await page.getByRole('radio', { name: 'This slide' }).click();
  await themes(page).getByRole('button', { name: 'Meadow' }).click();
  await page.getByRole('radio', { name: 'Full' }).click();
  await expect(scenery(page)).toHaveAttribute('data-scenery', 'full');
  await isSaved(page);
  await page.reload();
  await expect(theme).toHaveAccessibleName('Theme: Meadow');
  await theme.click();
  await page.getByRole('button', { name: 'As the deck again' }).click();
  await page.keyboard.press('Escape');
  await expect(theme).toHaveAccessibleName('Theme: Harbour');
  await undo(page).click();
  await expect(theme).toHaveAccessibleName('Theme: Meadow');
});

test('a written plan is a deck in one step; a file without one, and an empty plan, are told', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto('/new');
  await page.getByLabel('A file with a written plan').setInputFiles({
    name: 'notes.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('Nothing that is a list.'),
  });
  await expect(page.getByRole('alert')).toContainText('holds no written plan');
  await page.getByLabel('A file with a written plan').setInputFiles({
    name: 'Fog.md',
    mimeType: 'text/markdown',
    buffer: Buffer.from('- The pier: Fog.\n  - Wait: **Home** (ending)\n'),
  });
  const form = page.getByRole('dialog');
  await expect(form.getByLabel('Name')).toHaveValue('Fog');
  await form.getByRole('button', { name: 'Begin' }).click();
  const map = page.getByRole('application', { name: 'Map of the deck' });
  await expect(map.getByRole('group', { name: 'Home', exact: true })).toBeVisible();
});

test('each of our beginnings is found, walked to an ending, taken, and has nothing to mend', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  const page = await signIn(await someone(browser));
  await page.goto('/new');
  const cards = page.getByRole('main').getByRole('listitem').getByRole('button');
  await expect(cards.first()).toBeVisible();
  const names = await cards.getByRole('heading').allInnerTexts();
  expect(names.length).toBeGreaterThanOrEqual(14);
  for (const name of names) {
    await page.goto('/new');
    await page.getByLabel('Find a beginning').fill(name);
    await cards.filter({ has: page.getByRole('heading', { name, exact: true }) }).click();
    const sheet = page.getByRole('dialog', { name });
    const taken = new Set<string>();
    for (let step = 0; step < 20; step += 1) {
      if (await sheet.getByText(/^An ending/).isVisible()) break;
      // The last choice that has not been taken: it leads on where others lead back.
      const choices = await sheet.getByRole('link').allInnerTexts();
      const at = choices.findLastIndex((choice) => !taken.has(choice));
      taken.add(choices[at]!);
      await sheet.getByRole('link').nth(at).click();
    }
    await expect(sheet.getByText(/^An ending/)).toBeVisible();
    await sheet.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(page.getByRole('application', { name: 'Map of the deck' })).toBeVisible();
    await page.getByRole('link', { name: /^Check/ }).click();
    await expect(page.getByRole('heading', { name: 'Nothing to mend' })).toBeVisible();
  }
});

test('a new deck begins as a copy of one of one’s own', async ({ browser }) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'High water');
  await page.goto('/new');
  await page.getByRole('button', { name: 'Like one of mine …' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^High water/ })
    .click();
  await expect(page.getByText('High water (copy)')).toBeVisible();
});
