import { expect } from '@playwright/test';
import { beginEmpty, newDeck, signIn, someone, test } from './people';

test('a newcomer makes an account, a class and a deck; copies, trashes and restores it', async ({
  browser,
}) => {
  const page = await someone(browser);
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await page.getByRole('button', { name: 'Make an account' }).click();
  await page.getByLabel('Your name').fill('Nora Quay');
  await page.getByLabel('E-mail').fill('nora@gobrel.example');
  await page.getByLabel('Password').fill('short');
  await page.getByRole('button', { name: 'Make an account' }).click();
  await expect(page.getByRole('alert')).toContainText('at least 10 characters');
  await page.getByLabel('Password').fill('long enough words');
  await page.getByRole('button', { name: 'Make an account' }).click();
  // Who has no deck sees at once what one can begin with.
  await expect(page.getByRole('heading', { name: 'Your first deck' })).toBeVisible();
  await expect(page.getByRole('button', { name: /The last boat/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Like one of mine …' })).toHaveCount(0);

  await page.getByRole('link', { name: 'Classes' }).click();
  await expect(page.getByText('No class yet')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Gulls 4');
  await page.getByLabel('Students, a name a line').fill('Ada\nBela\nAda');
  await page.getByRole('button', { name: 'Keep this class' }).click();
  await expect(page.getByRole('alert')).toContainText('“Ada” stands in the list twice');
  await page.getByLabel('Students, a name a line').fill('Ada\n\nBela ');
  await page.getByRole('button', { name: 'Keep this class' }).click();
  await expect(page.getByText('2 students')).toBeVisible();

  await page.getByRole('link', { name: 'All decks' }).click();
  await beginEmpty(page, 'Harbour Walk');
  await page.getByRole('link', { name: 'All decks' }).click();
  const card = page.getByRole('article').filter({ hasText: 'Harbour Walk' });
  await card.getByRole('button', { name: 'More for Harbour Walk' }).click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(page.getByText('2 decks')).toBeVisible();
  await page.getByLabel('Find a deck').fill('copy');
  await expect(page.getByRole('article')).toHaveCount(1);
  await page.getByRole('button', { name: 'More for Harbour Walk (copy)' }).click();
  await page.getByRole('menuitem', { name: 'Move to trash' }).click();
  await expect(page.getByText('No deck is called “copy”.')).toBeVisible();
  await page.getByLabel('Find a deck').fill('');
  await page.getByRole('button', { name: 'Trash' }).click();
  await page.getByRole('button', { name: 'Restore' }).click();
  await expect(page.getByText('The trash is empty.')).toBeVisible();
  await page.getByRole('button', { name: 'Back to decks' }).click();
  await expect(page.getByText('2 decks')).toBeVisible();
  await page.goto('/desk/00000000-0000-4000-8000-000000000102');
  await expect(page.getByRole('heading', { name: 'Not yours to open' })).toBeVisible();
  await page.getByRole('link', { name: 'To your decks' }).click();
  await expect(page.getByText('2 decks')).toBeVisible();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.goto('/classes');
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  // What the page before had open goes when that is gone.
  const left = (): Promise<unknown[]> =>
    page.evaluate(async () => (await indexedDB.databases()).map(({ name }) => name));
  await expect.poll(left).toEqual([]);
});

test('a wrong password is said, and an address opened before signing in is reached after it', async ({
  browser,
}) => {
  const page = await someone(browser);
  await page.goto('/classes');
  await page.getByLabel('E-mail').fill('ines@gobrel.example');
  await page.getByLabel('Password').fill('not this one');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toHaveText('The e-mail address or the password is wrong.');
  await page.getByLabel('Password').fill('petrel-isle-lamp');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: /Kestrel 5/ })).toBeVisible();
});

test('a map grows from the keyboard alone, tidies itself, and undoes every step', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'By Keyboard');
  const press = (key: string) => page.keyboard.press(key);
  const card = (name: string) => page.getByRole('group', { name, exact: true });
  await page.keyboard.type('One');
  await press('Enter');
  await expect(card('One')).toBeVisible();
  for (const [key, words] of [
    ['Tab', 'Two'],
    ['Enter', 'Three'],
    ['Tab', 'Four'],
  ] as const) {
    await press(key);
    await page.keyboard.type(words);
    await press('Enter');
    await expect(card(words)).toBeVisible();
  }
  await press('ArrowLeft');
  await press('F2');
  await expect(page.getByLabel('Name of the slide')).toHaveValue('Three');
  await page.getByLabel('Name of the slide').fill('Third');
  await press('Enter');
  await expect(card('Third')).toBeVisible();
  await card('One').click();
  await expect(
    page.getByRole('list', { name: 'Ways out of One' }).getByText('Three', { exact: true }),
  ).toBeAttached();
  const before = await card('Two').boundingBox();
  await page.getByRole('button', { name: /^Tidy the cards/ }).click();
  await expect
    .poll(async () => JSON.stringify(await card('Two').boundingBox()))
    .not.toBe(JSON.stringify(before));
  for (let step = 0; step < 6; step++) await press('ControlOrMeta+z');
  await expect(card('Four')).toHaveCount(0);
  await expect(card('Two')).toHaveCount(0);
});
