import { expect, type Browser, type Page } from '@playwright/test';
import { boxOf, copyOfLamp, cuttable, signIn, someone, test } from './people';

const slide = (page: Page, name: string) => page.getByRole('group', { name, exact: true }).first();
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };

/** A show that is open to others: its page, the sheet that says how, and the address to follow at. */
async function openShow(browser: Browser) {
  const ines = await signIn(await someone(browser));
  const deck = await copyOfLamp(ines);
  await ines.goto(`${deck}/show`);
  await expect(slide(ines, 'The lamp goes out')).toBeVisible();
  await ines.mouse.move(640, 790);
  await ines.getByRole('button', { name: 'Others', exact: true }).click();
  const sheet = ines.getByRole('dialog', { name: 'Others in this show' });
  const address = await sheet.getByLabel('Address to follow at').inputValue();
  return { ines, deck, sheet, address };
}

async function remoteOf(browser: Browser, ines: Page): Promise<Page> {
  const sheet = ines.getByRole('dialog', { name: 'Others in this show' });
  await sheet.getByRole('button', { name: 'Another device' }).click();
  const qr = sheet.getByRole('img', { name: /\/remote\// });
  const address = /http\S+/.exec((await qr.getAttribute('alt'))!)![0];
  const remote = await someone(browser, PHONE);
  await remote.goto(address);
  await expect(remote.getByRole('button', { name: 'Black page' })).toBeVisible();
  await expect(sheet.getByText('One device steers beside this one.')).toBeVisible();
  return remote;
}

test('a show is steered from a second window and a phone, and followed on two devices, until it ends', async ({
  browser,
}) => {
  const { ines, sheet, address } = await openShow(browser);
  const phone = await someone(browser, PHONE);
  await phone.goto(address);
  await expect(phone.getByRole('heading', { name: 'The lamp goes out' }).last()).toBeVisible();
  // The other one types the code, where codes of lessons are typed as well.
  const tablet = await someone(browser, { viewport: { width: 1024, height: 768 }, hasTouch: true });
  await tablet.goto('/join');
  const code = address.split('/').at(-1)!;
  await tablet.getByLabel('Join code').fill(code.replace(/\d+/, ' $&'));
  await tablet.getByRole('button', { name: 'Go on' }).tap();
  await expect(slide(tablet, 'The lamp goes out')).toBeVisible();
  await expect(sheet.getByText('2 follow now')).toBeVisible();
  const remote = await remoteOf(browser, ines);
  const popup = ines.waitForEvent('popup');
  await sheet.getByRole('button', { name: 'Presenter’s window' }).click();
  const second = await popup;
  await expect(second.getByRole('region', { name: 'Notes' })).toContainText(
    'Ask the class to vote',
  );
  await expect(second.getByText('2 devices follow and see this slide.')).toBeVisible();

  // Each of the three that steer leads all the others.
  await second.getByRole('region', { name: 'Ways on' }).getByText('Climb the tower').click();
  for (const page of [ines, tablet, second])
    await expect(slide(page, 'Up the tower')).toBeVisible();
  await expect(phone.getByRole('heading', { name: 'Up the tower' }).last()).toBeVisible();
  await remote.getByRole('button', { name: 'Look first' }).tap();
  for (const page of [ines, tablet, second]) {
    await expect(slide(page, 'What the keeper sees')).toBeVisible();
  }
  await ines.keyboard.press('ArrowLeft');
  for (const page of [tablet, second]) await expect(slide(page, 'Up the tower')).toBeVisible();
  await expect(remote.getByRole('heading', { name: 'Up the tower' }).last()).toBeVisible();

  // Looking back disturbs nobody, and the show goes on meanwhile.
  await phone.getByRole('button', { name: 'Look back' }).tap();
  await phone.getByRole('button', { name: 'Look back' }).tap();
  await expect(phone.getByRole('heading', { name: 'Up the tower' }).last()).toBeVisible();
  await remote.getByRole('button', { name: 'Call the mainland' }).tap();
  await expect(slide(tablet, 'Nobody answers')).toBeVisible();
  await expect(phone.getByRole('heading', { name: 'Up the tower' }).last()).toBeVisible();
  await phone.getByRole('button', { name: 'Now' }).tap();
  await expect(phone.getByRole('heading', { name: 'Nobody answers' }).last()).toBeVisible();

  await remote.getByRole('button', { name: 'Black page' }).tap();
  await expect(tablet.getByText('A moment without a slide.')).toBeVisible();
  await expect(ines.getByRole('status', { name: /The page is black/ })).toBeVisible();
  await second.keyboard.press('b');
  await expect(slide(tablet, 'Nobody answers')).toBeVisible();

  // A page that is loaded anew is in the show where it is.
  await ines.reload();
  await expect(slide(ines, 'Nobody answers')).toBeVisible();
  await remote.reload();
  await remote.getByRole('button', { name: 'Back', exact: true }).tap();
  await expect(slide(ines, 'Up the tower')).toBeVisible();

  await ines.keyboard.press('Escape');
  await ines.getByRole('button', { name: 'End it for everybody' }).click();
  for (const page of [phone, tablet, remote, second]) {
    await expect(page.getByRole('heading', { name: 'The show is over' })).toBeVisible();
  }
  await tablet.goto(address);
  await expect(tablet.getByText(/No show has this code now/)).toBeVisible();
});

test('what is pointed at and drawn is seen by all; drawn things are wiped, or kept on the slide', async ({
  browser,
}) => {
  const { ines, deck, sheet, address } = await openShow(browser);
  const tablet = await someone(browser, { viewport: { width: 1024, height: 768 } });
  await tablet.goto(address);
  const popup = ines.waitForEvent('popup');
  await sheet.getByRole('button', { name: 'Presenter’s window' }).click();
  const second = await popup;
  await second.getByRole('button', { name: 'Pen', exact: true }).click();
  const stage = await boxOf(second.getByRole('application', { name: 'Draw here' }));
  const draw = async (y: number): Promise<void> => {
    await second.mouse.move(stage.x + 80, stage.y + y);
    await second.mouse.down();
    await second.mouse.move(stage.x + 200, stage.y + y + 30, { steps: 6 });
    await second.mouse.up();
  };
  const marks = (page: Page) => page.locator('svg[aria-hidden].z-10 path');
  await draw(60);
  for (const page of [ines, tablet]) await expect(marks(page)).toHaveCount(1);
  await draw(110);
  for (const page of [ines, tablet]) await expect(marks(page)).toHaveCount(2);
  await second.getByRole('button', { name: 'Keep', exact: true }).click();
  for (const page of [ines, tablet]) await expect(marks(page)).toHaveCount(0);
  await draw(160);
  await expect(marks(tablet)).toHaveCount(1);
  await second.getByRole('button', { name: 'Wipe' }).click();
  await expect(marks(tablet)).toHaveCount(0);
  await second.getByRole('button', { name: 'Point', exact: true }).click();
  await second.mouse.move(stage.x + 300, stage.y + 200, { steps: 4 });
  for (const page of [ines, tablet]) await expect(page.locator('[data-points]')).toBeVisible();
  await second.getByRole('button', { name: 'Point', exact: true }).click();
  for (const page of [ines, tablet]) await expect(page.locator('[data-points]')).toHaveCount(0);
  await ines.goto(`${deck}/slide`);
  await expect(ines.locator('[data-kind="ink"], [aria-label*="rawing"]').first()).toBeVisible();
});

test('whoever follows without a network sees where the show was, and comes along again; so does who steers', async ({
  browser,
}) => {
  const { ines, address } = await openShow(browser);
  const remote = await remoteOf(browser, ines);
  await ines.keyboard.press('Escape');
  const tablet = await someone(browser, { viewport: { width: 1024, height: 768 } });
  const tabletNet = await cuttable(tablet);
  await tablet.goto('/follow');
  await tablet.getByLabel('Code of the show').fill(address.split('/').at(-1)!);
  await tablet.getByRole('button', { name: 'Follow', exact: true }).click();
  await expect(slide(tablet, 'The lamp goes out')).toBeVisible();
  tabletNet.cut();
  await expect(tablet.getByText(/No connection/)).toBeVisible();
  await remote.getByRole('button', { name: 'Climb the tower' }).tap();
  await expect(slide(ines, 'Up the tower')).toBeVisible();
  await expect(slide(tablet, 'The lamp goes out')).toBeVisible();
  tabletNet.mend();
  await expect(slide(tablet, 'Up the tower')).toBeVisible({ timeout: 20_000 });
  // What a window does without a network it does; the others come along later.
  const inesNet = await cuttable(ines);
  await ines.reload();
  await expect(slide(ines, 'Up the tower')).toBeVisible();
  await ines.mouse.move(640, 790);
  await expect(ines.getByRole('button', { name: /^Others · 1/ })).toBeVisible();
  inesNet.cut();
  await ines.getByRole('link', { name: 'Look first' }).click();
  await expect(slide(ines, 'What the keeper sees')).toBeVisible();
  await expect(slide(tablet, 'Up the tower')).toBeVisible();
  inesNet.mend();
  await expect(slide(tablet, 'What the keeper sees')).toBeVisible({ timeout: 20_000 });
});

test('in a show pieces are moved and questions tried, with a finger, too; what is tried stays while it goes on', async ({
  browser,
}) => {
  const ines = await signIn(
    await someone(browser, { viewport: { width: 1024, height: 768 }, hasTouch: true }),
  );
  await ines.goto(`${await copyOfLamp(ines)}/show?from=keeper-sees`);
  await ines.getByRole('radio', { name: 'It is too windy' }).check();
  await ines.getByRole('button', { name: 'Done: show my mark' }).click();
  await expect(ines.getByText(/Not right yet/)).toBeVisible();
  await ines.getByRole('radio', { name: 'Something in the circuit is open' }).check();
  await ines.getByRole('button', { name: 'Done: show my mark' }).click();
  await expect(ines.getByText(/^Right · /)).toBeVisible();
});
