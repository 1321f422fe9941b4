import { expect, type Locator, type Page } from '@playwright/test';
import {
  boxOf,
  drag,
  fitMap,
  isSaved,
  joinAs,
  LAMP,
  lessonOfStarters,
  newDeck,
  signIn,
  someone,
  test,
} from './people';

const card = (page: Page, title: string): Locator =>
  page
    .getByRole('application', { name: 'Map of the deck' })
    .getByRole('group', { name: title, exact: true });
const bar = (page: Page): Locator => page.getByRole('toolbar', { name: 'Map', exact: true });

/** A deck of cards that nothing leads to but a choice from the first. */
async function cards(page: Page, first: string, ...others: string[]): Promise<void> {
  await newDeck(page, 'Hands');
  await page.keyboard.type(first);
  await page.keyboard.press('Enter');
  for (const title of others) {
    await page.keyboard.press('Tab');
    await page.keyboard.type(title);
    await page.keyboard.press('Enter');
    await expect(card(page, title)).toBeVisible();
    await page.keyboard.press('ArrowLeft');
    await expect(bar(page)).toContainText(first);
  }
  await fitMap(page);
}

test('a wire that is dropped anywhere on a card leads to it, and what is typed then is its wording', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await cards(page, 'Pier', 'Sea', 'Cave');
  await card(page, 'Sea').click();
  await drag(page, page.getByLabel('Draw a link from Sea'), card(page, 'Cave'), { x: 0.8, y: 0.7 });
  await expect(page.getByLabel('Wording of the choice')).toBeFocused();
  await page.keyboard.type('Dive in');
  await page.keyboard.press('Enter');
  await expect(bar(page)).toContainText('“Dive in”');
  await expect(page.locator('.react-flow__node-card')).toHaveCount(3);
  // A tablet has no Ctrl+Z.
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('link', { name: 'Check' }).click();
  await expect(page.getByRole('button', { name: 'Redo' })).toBeEnabled();
});

test('two cards are linked by keyboard alone, and by tap and tap', async ({ browser }) => {
  const page = await signIn(await someone(browser));
  await cards(page, 'Pier', 'Sea', 'Cave');
  await card(page, 'Sea').click();
  await page.keyboard.press('Shift+ArrowDown');
  await expect(bar(page)).toContainText('2 slides');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('By key');
  await page.keyboard.press('Enter');
  await expect(bar(page)).toContainText('“By key”');
  // Shift adds to what is in hand, as on the stage.
  await card(page, 'Pier').click();
  await card(page, 'Cave').click({ modifiers: ['Shift'] });
  await expect(bar(page)).toContainText('2 slides');
  await card(page, 'Cave').click();
  await page.getByRole('button', { name: 'Link to …' }).click();
  await card(page, 'Pier').click();
  await page.keyboard.type('By tap');
  await page.keyboard.press('Enter');
  await expect(bar(page)).toContainText('“By tap”');
  await isSaved(page);
});

test('a show begins on the slide one is on, and a clicker drives it', async ({ browser }) => {
  const page = await signIn(await someone(browser));
  await page.goto(`${LAMP}/slide/copper`);
  await expect(page.getByRole('group', { name: 'Stage: Copper holds' })).toBeVisible();
  await page.getByRole('button', { name: 'Show', exact: true }).click();
  await page.waitForURL(/show/);
  await expect(page.getByRole('group', { name: 'Copper holds', exact: true })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('group', { name: 'The lamp is lit', exact: true })).toBeVisible();
  await page.keyboard.press('PageUp');
  await expect(page.getByRole('group', { name: 'Copper holds', exact: true })).toBeVisible();
  await page.keyboard.press('PageDown');
  await expect(page.getByRole('group', { name: 'The lamp is lit', exact: true })).toBeVisible();
});

test('a shared device is given back, and the next child sees nothing of the one before', async ({
  browser,
}) => {
  const device = await someone(browser);
  const name = `Mona ${Date.now()}`;
  await device.goto('/join?code=TERN+482');
  await device.getByRole('button', { name: 'Go on' }).click();
  await device.getByLabel(/your name/i).fill(name);
  await device.getByRole('button', { name: 'Join', exact: true }).click();
  await device.getByRole('link', { name: 'Climb the tower' }).click();
  await isSaved(device);
  await device.goto('/join');
  await expect(device.getByRole('region', { name: 'In a lesson' })).toContainText(name);
  await device.getByRole('button', { name: 'I am somebody else' }).click();
  await expect(device.getByRole('region', { name: 'In a lesson' })).toHaveCount(0);
  await device.goto('/lesson');
  await expect(device.getByLabel('Join code')).toBeVisible();
  const kept = await device.evaluate(async () =>
    (await indexedDB.databases()).map((one) => one.name).filter((one) => one?.includes('folio')),
  );
  expect(kept).toEqual([]);
});

test('a show on a tablet: a swipe walks, a tap brings the band, and what is not seen is not pressed', async ({
  browser,
}) => {
  const page = await signIn(
    await someone(browser, { hasTouch: true, viewport: { width: 1024, height: 768 } }),
  );
  await page.goto(`${LAMP}/show?from=copper`);
  const slide = (name: string) => page.getByRole('group', { name, exact: true });
  await expect(slide('Copper holds')).toBeVisible();
  const finger = await page.context().newCDPSession(page);
  const touch = async (type: string, ...points: [number, number][]): Promise<void> => {
    await finger.send('Input.dispatchTouchEvent', {
      type: type as 'touchStart',
      touchPoints: points.map(([x, y]) => ({ x, y })),
    });
  };
  const swipe = async (from: number, to: number): Promise<void> => {
    await touch('touchStart', [from, 300]);
    for (let step = 1; step <= 5; step++)
      await touch('touchMove', [from + ((to - from) * step) / 5, 300]);
    await touch('touchEnd');
  };
  await swipe(700, 300);
  await expect(slide('The lamp is lit')).toBeVisible();
  await swipe(300, 700);
  await expect(slide('Copper holds')).toBeVisible();
  // Where the band's way out would be: nothing is pressed before it is seen.
  const leave = page.getByRole('button', { name: 'Leave the show' });
  const box = await boxOf(leave);
  await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2);
  await page.waitForTimeout(400);
  expect(page.url()).toContain('/show');
  await expect(page.locator('main > div', { has: leave })).toHaveCSS('opacity', '1');
  await leave.tap();
  await page.waitForURL(/\/map/);
});

test('on a slide the common key links what is meant, Enter takes the first match, and keys act on the copy', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'Links by hand');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Slide', exact: true }).click();
  const stage = page.getByRole('group', { name: /^Stage:/ });
  await expect(stage).toBeVisible();
  const ways = page.getByRole('region', { name: 'Ways out' });
  // With nothing in hand and the focus nowhere: a new way out. What is found nowhere is made.
  await page.locator('body').click({ position: { x: 5, y: 300 } });
  await page.keyboard.press('Control+k');
  await page.getByLabel('Find a slide, or name a new one').fill('The cave');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(ways.getByRole('button', { name: /The cave/ }).first()).toBeVisible();
  // A shape and its copy: keys act on the copy, and it is called by its shape.
  await page.getByRole('button', { name: 'Shape' }).click();
  await page.getByRole('button', { name: 'Star', exact: false }).first().click();
  await page.keyboard.press('Escape');
  const stars = stage.getByRole('button', { name: /star/i });
  await expect(stars).toHaveCount(1);
  await stars.first().click();
  await page.keyboard.press('Control+d');
  await expect(stars).toHaveCount(2);
  await page.keyboard.press('Delete');
  await expect(stars).toHaveCount(1);
  // What is typed into a new piece takes the place of its first word.
  await page.getByRole('button', { name: 'Piece', exact: true }).click();
  await page.keyboard.type('oar');
  await page.keyboard.press('Escape');
  await expect(stage.getByRole('button', { name: 'Piece: oar' })).toBeVisible();
  await isSaved(page);
});

test('at the desk every student on a slide can be reached, a card answers Enter, tiles tell the answers, and hidden names are hidden', async ({
  browser,
}) => {
  const { ines: desk, code } = await lessonOfStarters(browser, ['Work it out']);
  const names = ['Ada', 'Bela', 'Cleo', 'Dan', 'Eike', 'Finn'];
  for (const name of names) {
    await joinAs(await someone(browser), code, name);
  }
  const map = desk.getByRole('region', { name: 'Map of the lesson' });
  const all = map.getByRole('button', { name: /^Show all 6 students/ });
  await all.click();
  for (const name of names) {
    await expect(map.getByRole('button', { name, exact: true })).toBeVisible();
  }
  // Not only there, but to be pressed.
  await map.getByRole('button', { name: 'Finn', exact: true }).click();
  await expect(desk.getByRole('heading', { name: 'Finn' })).toBeVisible();
  const card = map.locator('.react-flow__node').first();
  await card.focus();
  await desk.keyboard.press('Enter');
  const details = desk.getByRole('region', { name: 'Details' });
  await expect(details.getByRole('radio', { name: 'Tiles' })).toBeVisible();
  await desk.getByRole('button', { name: /Hide names/ }).click();
  await expect(map.getByRole('button', { name: 'Ada', exact: true })).toHaveCount(0);
  await expect(map.getByRole('button', { name: 'Student 1', exact: true })).toBeVisible();
});

test('a card that is dragged into a section joins it, and is let out of it', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await cards(page, 'Pier', 'Sea', 'Cave');
  await card(page, 'Sea').click();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'New section from it' }).click();
  await page.keyboard.type('The bay');
  await page.keyboard.press('Enter');
  const fold = page.getByRole('button', { name: 'Fold The bay' });
  await drag(page, card(page, 'Cave'), card(page, 'Sea'));
  await fold.click();
  await expect(card(page, 'The bay')).toBeVisible();
  await expect(card(page, 'Cave')).toHaveCount(0);
  await page.getByRole('button', { name: 'Unfold The bay' }).click();
  // A section grows with its cards; out of it leads the menu.
  await card(page, 'Cave').click();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Out of its section' }).click();
  await fold.click();
  await expect(card(page, 'Sea')).toHaveCount(0);
  await expect(card(page, 'Cave')).toBeVisible();
});

test('a choice that lies under a zone is taken by a student', async ({ browser }) => {
  const { code } = await lessonOfStarters(browser, ['Sort into two', 'Name it'], { isChain: true });
  const mona = await someone(browser);
  await joinAs(mona, code, 'Mona');
  // The zone of the starter lies over the choice that was made on the map.
  await mona.getByRole('link', { name: 'On 1', exact: true }).click();
  await expect(mona.getByText('Name it').first()).toBeVisible();
});
