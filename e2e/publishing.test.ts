import { expect, type Page } from '@playwright/test';
import { copyOfLamp, LAMP, newDeck, signIn, someone, test } from './people';

/** The part of Share that is for anyone. */
async function anyone(page: Page) {
  await page.getByRole('button', { name: 'Share' }).click();
  const sheet = page.getByRole('dialog', { name: 'Share' });
  await sheet.getByRole('radio', { name: 'With anyone' }).click();
  return sheet;
}
const addressIn = (page: Page) => page.getByLabel('Address of the published deck').inputValue();
const slide = (page: Page, name: string) => page.getByRole('group', { name, exact: true }).first();

test('a deck is published, walked without an account, tried, read on a phone, and withdrawn under its readers', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  await ines.goto(`${await copyOfLamp(ines)}/slide/keeper-sees`);
  const sheet = await anyone(ines);
  await sheet.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(sheet.getByRole('region', { name: 'Address' })).toBeVisible();
  const address = await addressIn(ines);
  expect(address).toMatch(/\/at\/([a-z]{4}-){3}[a-z]{4}$/);

  const reader = await someone(browser);
  await reader.goto(address);
  await expect(slide(reader, 'The lamp goes out')).toBeVisible();
  // At a choice arrows wait.
  await expect(reader.getByText('Choose', { exact: true })).toBeVisible();
  await reader.keyboard.press('ArrowRight');
  await expect(slide(reader, 'The lamp goes out')).toBeVisible();
  await reader.getByRole('link', { name: 'Climb the tower' }).click();
  await reader.getByRole('link', { name: 'Look first' }).click();
  await expect(slide(reader, 'What the keeper sees')).toBeVisible();
  await reader.getByRole('radio', { name: 'It is too windy' }).check();
  await reader.getByRole('button', { name: 'Done: show my mark' }).click();
  await expect(reader.getByText(/Not right yet · 0 of/)).toBeVisible();
  await reader.getByRole('radio', { name: 'Something in the circuit is open' }).check();
  await reader.getByRole('button', { name: 'Done: show my mark' }).click();
  await expect(reader.getByText(/^Right · /)).toBeVisible();
  // The page loaded anew is where it was; what was tried is gone.
  await reader.reload();
  await expect(slide(reader, 'What the keeper sees')).toBeVisible();
  await expect(reader.getByRole('radio', { checked: true })).toHaveCount(0);

  // An address of this slide, taken where it is edited.
  await sheet.getByRole('radio', { name: 'To this slide' }).click();
  const phone = await someone(browser, { viewport: { width: 390, height: 844 }, hasTouch: true });
  await phone.goto(await addressIn(ines));
  await expect(phone.getByRole('heading', { name: 'What the keeper sees' }).last()).toBeVisible();
  await phone.getByRole('button', { name: 'Follow the wire' }).tap();
  await expect(
    phone.getByRole('heading', { name: 'A wire has burnt through' }).last(),
  ).toBeVisible();
  await phone.getByRole('button', { name: 'Back' }).tap();
  await expect(phone.getByRole('heading', { name: 'What the keeper sees' }).last()).toBeVisible();
  // Back at where one began, the address leads there again.
  await expect.poll(() => new URL(phone.url()).searchParams.get('to')).toBe('keeper-sees');

  await expect(sheet.getByRole('region', { name: 'How it is read' })).toContainText(
    /Opened \d times/,
    {
      timeout: 20_000,
    },
  );
  await expect(sheet.getByRole('region', { name: 'How it is read' })).toContainText('Look first');
  await sheet.getByRole('button', { name: 'Withdraw …' }).click();
  await sheet.getByRole('button', { name: 'Withdraw it' }).click();
  await expect(sheet.getByText(/nobody can read it\. Published again/)).toBeVisible();
  for (const page of [reader, phone]) {
    await expect(page.getByText(/This deck is not published any more/)).toBeVisible({
      timeout: 20_000,
    });
  }
  await reader.goto(address);
  await expect(reader.getByText(/This deck is not published any more/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Publish again' }).click();
  await expect(sheet.getByRole('region', { name: 'Address' })).toBeVisible();
  await reader.goto(address);
  await expect(slide(reader, 'The lamp goes out')).toBeVisible();
});

test('a pass word is asked for, what changed is shown before it is published again, and readers come along', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  await newDeck(ines, 'Harbour walk');
  const sheet = await anyone(ines);
  await sheet.getByLabel('Pass word').fill('lantern');
  await sheet.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(sheet.getByText('The deck asks for one.')).toBeVisible();
  const address = await addressIn(ines);
  const reader = await someone(browser);
  await reader.goto(address);
  await reader.getByLabel('Pass word').fill('lamp');
  await reader.keyboard.press('Enter');
  await expect(reader.getByText('That is not the pass word of this deck.')).toBeVisible();
  await reader.getByLabel('Pass word').fill('lantern');
  await reader.keyboard.press('Enter');
  await expect(reader.getByRole('button', { name: 'Start again' })).toBeVisible();

  await ines.keyboard.press('Escape');
  const name = ines.getByLabel('Name of the deck');
  await name.fill('Harbour walk at night');
  await expect(ines.getByRole('status', { name: 'Saved state' })).toHaveText('saved');
  const again = await anyone(ines);
  await expect(again.getByText('The deck has changed since it was published.')).toBeVisible();
  await expect(reader.getByText('Harbour walk at night')).toHaveCount(0);
  await again.getByRole('button', { name: 'Publish again' }).click();
  await expect(reader.getByText('Harbour walk at night').last()).toBeVisible({ timeout: 20_000 });
});

test('a deck stands in the page of a school’s site, is played there with its choices and started again; not on others', async ({
  browser,
  server,
}) => {
  const ines = await signIn(await someone(browser));
  await ines.goto(`${await copyOfLamp(ines)}/map`);
  const sheet = await anyone(ines);
  // Another host is another site, also on one computer.
  const site = server.baseURL.replace('127.0.0.1', 'localhost');
  await sheet.getByRole('radio', { name: 'On these' }).click();
  await sheet.getByLabel('Sites, one in a line').fill('what’s!this');
  const publish = sheet.getByRole('button', { name: 'Publish', exact: true });
  await publish.click();
  await expect(ines.getByText(/A site is an address as/)).toBeVisible();
  await sheet.getByLabel('Sites, one in a line').fill(`https://school.example ${site}`);
  await publish.click();
  await sheet.getByRole('radio', { name: '640' }).click();
  const html = await sheet.getByLabel('HTML to paste').inputValue();
  expect(html).toContain('title="Keep the Lamp Lit (copy)" width="640" height="412"');

  const school = await someone(browser);
  await school.goto(`${site}/stand-ins/school-site`);
  await school.getByLabel('HTML').fill(html);
  await school.getByRole('button', { name: 'Show it on this page' }).click();
  const frame = school.frameLocator('iframe[title="Keep the Lamp Lit (copy)"]');
  await expect(frame.getByRole('link', { name: 'Climb the tower' })).toBeVisible();
  await frame.getByRole('link', { name: 'Climb the tower' }).press('ArrowRight');
  await expect(frame.getByRole('link', { name: 'Climb the tower' })).toBeVisible();
  await frame.getByRole('link', { name: 'Climb the tower' }).click();
  await expect(frame.getByRole('link', { name: 'Look first' })).toBeVisible();
  await frame.getByRole('button', { name: 'Start again' }).click();
  await expect(frame.getByRole('link', { name: 'Climb the tower' })).toBeVisible();
  await expect(frame.getByRole('link', { name: 'Own window' })).toBeVisible();

  await sheet.getByLabel('Sites, one in a line').fill('https://school.example');
  await sheet.getByRole('button', { name: 'Keep what is decided here' }).click();
  await expect(ines.getByText('Kept: it holds from now on.')).toBeVisible();
  await school.reload();
  await expect(frame.getByText('This deck may not be shown on this site.')).toBeVisible();
});

test('a trail that was chosen leads a show past its choices to its end, and the address keeps the place', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto(`${LAMP}/show`);
  await expect(slide(page, 'The lamp goes out')).toBeVisible();
  await page.mouse.move(640, 780);
  const trail = page.getByLabel('The trail that is followed');
  const [, first] = await trail.locator('option').allTextContents();
  await trail.selectOption(first!);
  await page.mouse.move(640, 300);
  await trail.blur();
  const place = (): string | null => new URL(page.url()).searchParams.get('from');
  for (let step = 0; step < 4; step++) {
    const before = place();
    await page.keyboard.press('ArrowRight');
    await expect.poll(place).not.toBe(before);
  }
  const at = place();
  await page.reload();
  await expect(page.locator('[data-shows]')).toBeVisible();
  await expect.poll(place).toBe(at);
});
