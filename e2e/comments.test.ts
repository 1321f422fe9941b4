import { expect, type Page } from '@playwright/test';
import { COAUTHOR, invite, newDeck, signIn, someone, test } from './people';

const panel = (page: Page) => page.getByRole('complementary', { name: 'Comments' });
const button = (page: Page, name: string | RegExp) =>
  panel(page).getByRole('button', { name, exact: typeof name === 'string' });
const openPanel = (page: Page) =>
  page
    .getByRole('banner')
    .getByRole('button', { name: /^Comments/ })
    .click();

test('who may comment says something to a thing, the owner sees it at once, answers by name and says that it is done', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  const tomas = await signIn(
    await someone(browser, { viewport: { width: 1024, height: 768 }, hasTouch: true }),
    COAUTHOR,
  );
  await newDeck(ines, 'Said to a deck');
  await invite(ines, tomas, COAUTHOR, 'may comment');
  await expect(tomas.getByRole('status', { name: 'Saved state' })).toHaveText('to look at');
  for (const page of [ines, tomas]) {
    await page.getByRole('link', { name: 'Slide', exact: true }).click();
    await expect(page.getByRole('group', { name: /^Stage: / })).toBeVisible();
  }
  await openPanel(tomas);
  await expect(panel(tomas)).toContainText('Nothing is said yet.');
  const field = panel(tomas).getByLabel('To this slide');
  // What is being written stays on the page, also when it is loaded anew.
  await field.fill('Shorter titles?');
  await tomas.reload();
  await openPanel(tomas);
  await expect(field).toHaveValue('Shorter titles?');
  await tomas.context().setOffline(true);
  await button(tomas, 'Say it').tap();
  await expect(panel(tomas).getByText('It is said as soon as there is a network.')).toBeVisible();
  await tomas.context().setOffline(false);
  await expect(panel(tomas).getByRole('article')).toContainText('Shorter titles?');
  await expect(field).toHaveValue('');

  // Ines sees the mark without asking, and opens it from the slide.
  await ines.getByRole('button', { name: 'A comment on this slide' }).click();
  await expect(panel(ines).getByRole('article')).toContainText('Tomas Maren');
  await button(ines, 'Answer').click();
  await ines.keyboard.type('Which one, @Tom');
  await ines.keyboard.press('Enter');
  await ines.keyboard.type('?');
  await button(ines, 'Say it').click();
  await expect(panel(tomas).getByRole('article')).toContainText('Which one, @Tomas Maren ?');
  // Each changes what is their own.
  await expect(panel(ines).getByRole('button', { name: 'Change' })).toHaveCount(1);
  await button(ines, 'Change').click();
  await panel(ines).getByLabel('Your words').fill('Which of them, @Tomas Maren?');
  await button(ines, 'Keep').click();
  await expect(panel(tomas).getByRole('article')).toContainText('Which of them, @Tomas Maren?');
  await button(ines, 'Done').click();
  await expect(panel(tomas).getByRole('article')).toHaveCount(0);
  await expect(ines.getByRole('button', { name: 'A comment on this slide' })).toHaveCount(0);
  await panel(tomas).getByLabel('Done, too: 1').check();
  await expect(panel(tomas).getByRole('article')).toBeVisible();

  // The letter leads to what was said.
  await tomas.goto('/stand-ins/outbox');
  const letter = tomas
    .getByRole('article')
    .filter({ hasText: 'Ines Okafor asks you about' })
    .first();
  await letter.getByRole('link').click();
  await expect(panel(tomas)).toBeVisible();

  // Of the map's cards the one that something is said to has a mark.
  await panel(tomas).getByLabel('To this slide').fill('One more thing');
  await button(tomas, 'Say it').tap();
  await ines.getByRole('link', { name: 'Map', exact: true }).click();
  await ines.getByRole('button', { name: /^A comment on “/ }).click();
  await expect(panel(ines)).toContainText('One more thing');
  await expect(ines).toHaveURL(/\/slide\//);
});

test('whoever may only look sees no comments, and whoever is lowered to that sees them go', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  const tomas = await signIn(await someone(browser), COAUTHOR);
  await newDeck(ines, 'Only looked at');
  await invite(ines, tomas, COAUTHOR, 'may build');
  await openPanel(tomas);
  await expect(panel(tomas)).toBeVisible();
  await ines.getByRole('button', { name: 'Share' }).click();
  await ines.getByLabel('What Tomas Maren may do').selectOption('may look');
  await expect(panel(tomas)).toHaveCount(0);
  const button = tomas.getByRole('banner').getByRole('button', { name: /^Comments/ });
  await expect(button).toHaveCount(0);
  await ines.getByLabel('What Tomas Maren may do').selectOption('may build');
  await expect(button).toBeVisible();
});
