import { expect } from '@playwright/test';
import { signIn, someone, test } from './people';

test('a forgotten password is made anew by a letter; name and password are changed, and devices signed out', async ({
  browser,
}) => {
  const email = `una.${Date.now()}@gobrel.example`;
  const una = await someone(browser);
  await una.goto('/sign-in');
  await una.getByRole('button', { name: 'Make an account' }).click();
  await una.getByLabel('Your name').fill('Una Holm');
  await una.getByLabel('E-mail').fill(email);
  await una.getByLabel('Password').fill('password1234');
  await una.getByRole('button', { name: 'Make an account' }).click();
  await expect(una.getByRole('alert')).toContainText('Many have this password');
  await una.getByLabel('Password').fill('gulls over the pier');
  await una.getByRole('button', { name: 'Make an account' }).click();
  await una.getByRole('link', { name: 'Your account: Una Holm' }).click();

  // On another device, where she has forgotten it.
  const tablet = await someone(browser);
  await tablet.goto('/sign-in');
  await tablet.getByLabel('E-mail').fill(email);
  await tablet.getByRole('link', { name: 'Forgotten it?' }).click();
  await expect(tablet.getByRole('heading', { name: 'A new password' })).toBeVisible();
  await expect(tablet.getByLabel('E-mail')).toHaveValue(email);
  await tablet.getByRole('button', { name: 'Send the letter' }).click();
  await expect(tablet.getByText(/a letter is on its way/)).toBeVisible();
  const post = await signIn(await someone(browser));
  await post.goto('/stand-ins/outbox');
  const letter = post.getByRole('article').filter({ hasText: email }).first();
  await expect(letter).toContainText('/password/');
  const address = /http\S+\/password\/[\w-]+/.exec((await letter.textContent())!)![0];
  await tablet.goto(address);
  await expect(tablet.getByText(`For ${email}.`)).toBeVisible();
  await tablet.getByLabel('A new password').fill('nine ferries a day');
  await tablet.getByRole('button', { name: 'Keep it' }).click();
  await tablet.getByRole('link', { name: 'Sign in' }).click();
  await expect(tablet.getByLabel('Password', { exact: true })).toBeVisible();
  await tablet.getByLabel('E-mail').fill(email);
  await tablet.getByLabel('Password').fill('nine ferries a day');
  await tablet.getByRole('button', { name: 'Sign in' }).click();
  await tablet.getByRole('link', { name: /^Your account/ }).click();
  // The first device is signed out by that, and comes in again.
  await una.reload();
  await una.getByLabel('E-mail').fill(email);
  await una.getByLabel('Password').fill('nine ferries a day');
  await una.getByRole('button', { name: 'Sign in' }).click();
  await expect(una.getByRole('heading', { name: 'Your account' })).toBeVisible();
  await una.getByLabel('Your name').fill('Una Holm-Reyes');
  await una.getByRole('button', { name: 'Keep' }).click();
  await expect(una.getByText(/Your name is changed/)).toBeVisible();
  const signedIn = una.getByRole('region', { name: 'Signed in' });
  await expect(signedIn.getByRole('listitem')).toHaveCount(2);
  await una.getByLabel('The one that you have now').fill('not this one');
  await una.getByLabel('A new one').fill('twelve ferries a day');
  await una.getByRole('button', { name: 'Change the password' }).click();
  await expect(una.getByRole('alert')).toContainText('not the password that you have now');
  await una.getByRole('button', { name: 'Sign out everywhere else' }).click();
  await expect(signedIn.getByRole('listitem')).toHaveCount(1);
  await tablet.reload();
  await expect(tablet.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await tablet.goto(address);
  await expect(tablet.getByText(/This address is good once/)).toBeVisible();
});
