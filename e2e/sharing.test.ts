import { expect, type Locator, type Page } from '@playwright/test';
import {
  COAUTHOR,
  followLetter,
  invite,
  isSaved,
  LAMP,
  newDeck,
  signIn,
  someone,
  TEACHER,
  test,
} from './people';

const card = (page: Page, title: string): Locator =>
  page
    .getByRole('application', { name: 'Map of the deck' })
    .getByRole('group', { name: title, exact: true });

test('somebody without an account is invited by letter, makes one, builds, is lowered and taken out under the open page', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  await newDeck(ines, 'Tide tables');
  await ines.getByRole('button', { name: 'Share' }).click();
  const sheet = ines.getByRole('dialog', { name: 'Share' });
  const address = sheet.getByLabel('E-mail of whom to invite');
  await address.fill('nora at home');
  await address.press('Enter');
  await expect(sheet.getByText('That is not an e-mail address')).toBeVisible();
  const email = `nora.${Date.now()}@gobrel.example`;
  await address.fill(email);
  await address.press('Enter');
  await expect(sheet.getByText(`A letter to ${email} is on its way.`)).toBeVisible();
  const waiting = sheet.getByRole('region', { name: 'Invited' });
  await expect(waiting).toContainText(`${email}may build, until`);
  await expect(sheet.getByRole('link', { name: 'See it in the outbox' })).toBeVisible();
  // Without a network it waits, and says so.
  await ines.context().setOffline(true);
  await address.fill(`later.${email}`);
  await address.press('Enter');
  await expect(sheet.getByText(/sent as soon as there is one/)).toBeVisible();
  await ines.context().setOffline(false);
  await expect(sheet.getByText(`A letter to later.${email} is on its way.`)).toBeVisible();

  // The letter is followed by somebody whom the server does not know.
  const reader = await signIn(await someone(browser));
  await followLetter(reader, email);
  const letter = reader.url();
  await expect(reader.getByText('You are signed in as ines@gobrel.example.')).toBeVisible();
  await expect(reader.getByRole('button', { name: 'Accept' })).toHaveCount(0);
  await expect(reader.getByRole('button', { name: 'Sign in as somebody else' })).toBeVisible();
  const nora = await someone(browser, { viewport: { width: 390, height: 844 }, hasTouch: true });
  await nora.goto(letter);
  await expect(nora.getByText('Tide tables')).toBeVisible();
  await nora.getByRole('button', { name: 'Sign in to accept' }).tap();
  await nora.getByRole('button', { name: 'Make an account' }).tap();
  await nora.getByLabel('Your name').fill('Nora Sund');
  await nora.getByLabel('E-mail').fill(email);
  await nora.getByLabel('Password').fill('nobody guesses this');
  await nora.getByRole('button', { name: 'Make an account' }).tap();
  await nora.getByRole('button', { name: 'Accept' }).tap();
  const saved = nora.getByRole('status', { name: 'Saved state' });
  await expect(saved).toHaveText('saved');
  await nora.goto(letter);
  await expect(nora.getByText('This invitation was accepted.')).toBeVisible();
  await nora.getByRole('link', { name: 'Open the deck' }).tap();
  await expect(saved).toHaveText('saved');

  await ines.keyboard.press('Escape');
  await ines.getByRole('button', { name: 'Share' }).click();
  await expect(waiting.getByText(email, { exact: true })).toHaveCount(0);
  await sheet.getByLabel('What Nora Sund may do').selectOption('may look');
  await expect(saved).toHaveText('to look at');
  await sheet.getByRole('button', { name: 'Take out' }).click();
  await expect(nora.getByRole('heading', { name: 'Not yours to open' })).toBeVisible();
});

test('a colleague takes a copy from an address, until it is given no more', async ({ browser }) => {
  const ines = await signIn(await someone(browser));
  await newDeck(ines, 'To be copied');
  await ines.getByRole('button', { name: 'Share' }).click();
  const sheet = ines.getByRole('dialog', { name: 'Share' });
  await sheet.getByRole('button', { name: 'Make an address' }).click();
  const address = await sheet.getByLabel('Address for copies').inputValue();
  const tomas = await someone(browser, { viewport: { width: 390, height: 844 }, hasTouch: true });
  await tomas.goto(address);
  await expect(tomas.getByRole('heading', { name: 'Ines Okafor gives you a deck' })).toBeVisible();
  await tomas.getByRole('button', { name: 'Sign in to take a copy' }).tap();
  await tomas.getByLabel('E-mail').fill(COAUTHOR.email);
  await tomas.getByLabel('Password').fill(COAUTHOR.password);
  await tomas.getByRole('button', { name: 'Sign in' }).tap();
  await tomas.getByRole('button', { name: 'Take a copy' }).tap();
  await expect(tomas.getByRole('status', { name: 'Saved state' })).toHaveText('saved');
  await tomas.goto('/');
  const card = tomas.getByRole('article').filter({ hasText: 'To be copied' });
  await expect(card).toContainText('after “To be copied” by Ines Okafor');
  await expect(card).toContainText('private');

  await sheet.getByRole('button', { name: 'Give no more' }).click();
  await expect(sheet.getByRole('button', { name: 'Make an address' })).toBeVisible();
  await tomas.goto(address);
  await expect(tomas.getByText(/No deck is given at this address/)).toBeVisible();
});

test('an invitation is taken back, or declined; a deck is handed over, and given back by whom it was shared with', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  const tomas = await signIn(await someone(browser), COAUTHOR);
  await newDeck(ines, 'Handed on');
  const sheet = ines.getByRole('dialog', { name: 'Share' });
  const ask = async (): Promise<void> => {
    await ines.getByRole('button', { name: 'Share' }).click();
    await sheet.getByLabel('E-mail of whom to invite').fill(COAUTHOR.email);
    await sheet.getByRole('button', { name: 'Invite' }).click();
    await expect(sheet.getByText(/is on its way/)).toBeVisible();
  };
  await ask();
  await followLetter(tomas, COAUTHOR.email);
  await sheet.getByRole('button', { name: 'Take back' }).click();
  await expect(sheet.getByRole('region', { name: 'Invited' })).toHaveCount(0);
  await tomas.getByRole('button', { name: 'Accept' }).click();
  await expect(tomas.getByRole('alert')).toHaveText('The invitation was taken back.');
  await ines.keyboard.press('Escape');
  await ask();
  await ines.keyboard.press('Escape');
  await followLetter(tomas, COAUTHOR.email);
  await tomas.getByRole('button', { name: 'Decline' }).click();
  await expect(tomas.getByText('This invitation was declined.')).toBeVisible();
  await expect(tomas.getByRole('button', { name: 'Accept' })).toHaveCount(0);

  await invite(ines, tomas, COAUTHOR, 'may look');
  await expect(tomas.getByRole('status', { name: 'Saved state' })).toHaveText('to look at');
  await ines.getByRole('button', { name: 'Share' }).click();
  await sheet.getByRole('button', { name: 'Hand over …' }).click();
  await sheet.getByRole('button', { name: 'Hand it over' }).click();
  await expect(sheet.getByLabel('E-mail of whom to invite')).toHaveCount(0);
  await expect(tomas.getByRole('status', { name: 'Saved state' })).toHaveText('saved');
  await sheet.getByRole('button', { name: 'Leave this deck …' }).click();
  await sheet.getByRole('button', { name: 'Leave the deck' }).click();
  await expect(ines.getByRole('heading', { name: 'Decks' })).toBeVisible();
  await expect(ines.getByRole('link', { name: 'Handed on' })).toHaveCount(0);
  await tomas.goto('/');
  await expect(tomas.getByRole('link', { name: 'Handed on' })).toBeVisible();

  // And left from among the decks, after a question.
  await tomas.getByRole('link', { name: 'Handed on' }).click();
  await invite(tomas, ines, TEACHER, 'may look');
  await ines.goto('/');
  await ines.getByRole('button', { name: 'More for Handed on' }).click();
  await ines.getByRole('menuitem', { name: 'Leave …' }).click();
  await ines.getByRole('dialog').getByRole('button', { name: 'Leave the deck' }).click();
  await expect(ines.getByRole('link', { name: 'Handed on' })).toHaveCount(0);
});

test('slides, and a section, are copied into another deck: beside what is there, with their links, and one undo away', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  await newDeck(ines, 'Takes slides in');
  const into = ines.url();
  await ines.goto(`${LAMP}/map`);
  await card(ines, 'Copper holds').click();
  await ines.getByRole('button', { name: 'More', exact: true }).click();
  await ines.getByRole('menuitem', { name: 'Copy into another deck …' }).click();
  const dialog = ines.getByRole('dialog', { name: 'Copy 1 slide into …' });
  await dialog.getByLabel('Find a deck').fill('takes slides');
  await dialog.getByRole('button', { name: /Takes slides in/ }).click();
  await expect(ines).toHaveURL(into);
  await expect(ines.getByText(/^One slide pasted\./)).toBeVisible();
  await expect(card(ines, 'Copper holds')).toBeVisible();
  await isSaved(ines);
  // It comes once.
  await ines.reload();
  await expect(card(ines, 'Copper holds')).toHaveCount(1);

  await ines.goto(`${LAMP}/map`);
  await ines
    .getByRole('button', { name: /The lamp room/ })
    .last()
    .click();
  await ines.getByRole('button', { name: 'Into another deck …' }).click();
  const section = ines.getByRole('dialog', { name: 'Copy “The lamp room” into …' });
  await section.getByRole('button', { name: /Takes slides in/ }).click();
  await expect(ines.getByText(/^3 slides pasted/)).toBeVisible();
  await expect(ines.getByText('The lamp room', { exact: true }).first()).toBeVisible();
  await expect(card(ines, 'A wire has burnt through')).toBeVisible();
  await isSaved(ines);
  await ines.keyboard.press('Control+z');
  await expect(card(ines, 'A wire has burnt through')).toHaveCount(0);
});
