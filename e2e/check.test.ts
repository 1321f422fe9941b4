import { expect } from '@playwright/test';
import { isSaved, LAMP, signIn, someone, test } from './people';

const FOG_BANK = LAMP.replace(/1$/, '5');

test('the draft deck: every sort of finding, mended in one click, undone, set aside', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto(`${FOG_BANK}/check`);
  const finding = (name: string | RegExp) => page.getByRole('article', { name });
  for (const name of [
    'A choice without a target: Fog comes in',
    'No way on: The rocks',
    /A loop with no way out/,
    'Cannot be reached: Ashore',
    'Arrows run past a choice: Fog comes in',
    /The trail leaves the links/,
    'Two choices say the same: The horn',
    /Hard to see/,
    'Too small from the back row: About fog',
    'Runs out of its box: About fog',
    'Stretched: About fog',
    'No credit: About fog',
    'No alternative text: About fog',
    /No route comes to this question/,
    'No key: Ashore',
  ]) {
    await expect(finding(name).first()).toBeVisible();
  }
  const numbers = page.getByRole('complementary', { name: 'Numbers' });
  await expect(numbers).toContainText('5 of 7');

  await finding('No way on: The rocks').getByRole('button', { name: 'Mark as ending' }).click();
  await expect(finding('No way on: The rocks')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(finding('No way on: The rocks')).toBeVisible();

  await finding('Cannot be reached: Ashore')
    .getByRole('button', { name: /Lead to it from/ })
    .click();
  await expect(finding('Cannot be reached: Ashore')).toHaveCount(0);
  await expect(finding(/No route comes to this question/)).toHaveCount(0);

  await finding('A choice without a target: Fog comes in')
    .getByRole('button', { name: 'Make a slide for it' })
    .click();
  await expect(finding('No way on: Drop the anchor')).toBeVisible();

  const alt = finding('No alternative text: About fog');
  await alt.getByLabel('Alternative text').fill('A chart of the bay');
  await alt.getByRole('button', { name: 'Keep' }).click();
  await expect(alt).toHaveCount(0);
  await finding('Stretched: About fog').getByRole('button', { name: 'Show all of it' }).click();
  await expect(finding('Stretched: About fog')).toHaveCount(0);
  await finding('Too small from the back row: About fog')
    .getByRole('button', { name: 'Set it as its style says' })
    .click();
  await expect(finding('Too small from the back row: About fog')).toHaveCount(0);
  await finding('Runs out of its box: About fog')
    .getByRole('button', { name: 'Move the rest to a new slide' })
    .click();
  await expect(finding('Runs out of its box: About fog')).toHaveCount(0);

  const key = finding('No key: Ashore');
  await key.getByRole('button', { name: 'Set aside' }).click();
  await key.getByLabel('Why it may stay as it is').fill('They talk about it.');
  await key.getByRole('button', { name: 'Set aside', exact: true }).click();
  await expect(page.getByText(/Set aside: 1/)).toBeVisible();
  await page.getByText(/Set aside: 1/).click();
  await expect(page.getByText('Let be: “They talk about it.”')).toBeVisible();
  await page.getByRole('button', { name: 'Take it up again' }).click();
  await expect(page.getByText(/Set aside: 1/)).toHaveCount(0);
  await isSaved(page);
});

test('a finding opens its slide with the thing in hand, and words on a picture are measured', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto(`${FOG_BANK}/check`);
  const faint = page.getByRole('article', { name: 'Hard to see: Drifting' });
  await expect(faint).toContainText(/by \d\.\d to 1/);
  await faint.getByRole('button', { name: 'Open the slide' }).click();
  await expect(page.getByRole('button', { name: /Text: The current has you/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.goBack();
  await faint.getByRole('button', { name: /ink that stands out/ }).click();
  await expect(faint).toHaveCount(0);
});

test('a plan that is a plain list becomes a walk in one click, and an arrow in it joins a slide', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto('/new');
  await page.getByRole('button', { name: 'A written plan …' }).click();
  await page.getByLabel('Name').fill('Rain');
  await page
    .getByRole('textbox', { name: 'Plan' })
    .fill(
      '- Where does rain come from?: Look at the sea.\n- Warm air lifts it: It rises.\n- It falls: Cold air lets go.\n  - Once more -> where does rain come from?\n',
    );
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByRole('link', { name: /Check/ }).click();
  await page
    .getByRole('article', { name: 'No way on: Where does rain come from?' })
    .getByRole('button', { name: 'Let all 2 go on like that' })
    .click();
  await expect(page.getByText('One thing to mend')).toBeVisible();
  await page
    .getByRole('article', { name: /A loop with no way out/ })
    .getByRole('button', { name: /Mark .* as ending/ })
    .click();
  await expect(page.getByRole('article')).toHaveCount(0);
  await page.getByRole('link', { name: 'Map', exact: true }).click();
  await page.getByRole('button', { name: 'Written plan' }).click();
  await expect(page.getByRole('textbox', { name: 'Written plan' })).toHaveValue(
    /- Once more: \[Where does rain come from\?\]\(#where-does-rain-come-from\)/,
  );
  await isSaved(page);
});
