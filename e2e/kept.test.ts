import { expect, type Locator, type Page } from '@playwright/test';
import {
  boxOf,
  cuttable,
  drag,
  gather,
  isSaved,
  joinAs,
  lessonOfStarters,
  newDeck,
  signIn,
  someone,
  test,
} from './people';

const SENTENCE = 'The keeper climbs the stairs at dusk and lights the lamp, whatever the sea says.';
const field = (page: Page, name = 'Your answer'): Locator =>
  page.getByRole('textbox', { name, exact: true });
const state = (page: Page): Locator => page.getByRole('status', { name: 'Saved state' });

/** Types as a quick child does, without a pause. */
async function typeOn(page: Page, into: Locator, words: string, delay = 40): Promise<void> {
  await into.focus();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(words, { delay });
}

/** A lesson on one slide with a question that is answered in writing, and a student in it. */
async function writing(
  browser: Parameters<typeof someone>[0],
  starter = 'Explain why',
): Promise<{ desk: Page; mona: Page; roll: Locator; code: string; lessonId: string }> {
  const { ines: desk, code, lessonId, slides } = await lessonOfStarters(browser, [starter]);
  await gather(desk, lessonId, slides.get(starter)!);
  const mona = await someone(browser);
  await joinAs(mona, code, 'Mona');
  await expect(
    field(mona, starter === 'Work it out' ? 'Your answer in m' : undefined),
  ).toBeVisible();
  await desk
    .getByRole('region', { name: 'Map of the lesson' })
    .getByRole('group', { name: starter, exact: true })
    .click({ force: true });
  const details = desk.getByRole('region', { name: 'Details' });
  await details.getByRole('radio', { name: 'Roll' }).click();
  const roll = details.getByRole('row').filter({ hasText: 'Mona' }).getByRole('cell').first();
  return { desk, mona, roll, code, lessonId };
}

test('words typed without a pause are all there after a reload, a closed page and a crash of the tab', async ({
  browser,
}) => {
  const { mona, roll } = await writing(browser);
  await typeOn(mona, field(mona), SENTENCE);
  await mona.reload();
  await expect(field(mona)).toHaveValue(SENTENCE);

  await typeOn(mona, field(mona), ' Then she rests.');
  const context = mona.context();
  await mona.close();
  await expect(roll).toHaveText(`${SENTENCE} Then she rests.`);

  const again = await context.newPage();
  await again.goto('/lesson');
  await expect(field(again)).toHaveValue(`${SENTENCE} Then she rests.`);
  await typeOn(again, field(again), ' Not for long.');
  const crash = await context.newCDPSession(again);
  const crashed = again.waitForEvent('crash');
  void crash.send('Page.crash').catch(() => undefined);
  await crashed;
  const third = await context.newPage();
  await third.goto('/lesson');
  await expect(field(third)).toHaveValue(`${SENTENCE} Then she rests. Not for long.`);
  await expect(roll).toHaveText(`${SENTENCE} Then she rests. Not for long.`);
});

test('what is on the screen when the teacher holds or ends the lesson is on the desk', async ({
  browser,
}) => {
  const { desk, mona, roll } = await writing(browser);
  const typing = typeOn(mona, field(mona), SENTENCE);
  await expect(roll).toContainText('The keeper');
  await desk.getByRole('button', { name: 'Hold', exact: true }).click();
  await typing;
  await expect(field(mona)).toBeDisabled();
  const held = await field(mona).inputValue();
  expect(held.length).toBeGreaterThan(10);
  await expect(roll).toHaveText(held);
  await desk.getByRole('button', { name: 'Let go on' }).click();
  await expect(field(mona)).toBeEnabled();
  const going = typeOn(mona, field(mona), ` ${SENTENCE}`);
  await expect(roll).toContainText(`${held} T`);
  await desk.getByRole('button', { name: 'End', exact: true }).click();
  await desk.getByRole('dialog').getByRole('button', { name: /^End/ }).click();
  await going;
  await expect(field(mona)).toBeDisabled();
  await expect(roll).toHaveText(await field(mona).inputValue());
});

test('what is written after another tab has handed in is taken off the screen, and that is said', async ({
  browser,
}) => {
  const { mona, roll } = await writing(browser);
  const other = await mona.context().newPage();
  await other.goto('/lesson');
  await mona.bringToFront();
  await typeOn(mona, field(mona), SENTENCE);
  await expect(field(other)).toHaveValue(SENTENCE);
  await mona.getByRole('button', { name: 'Hand in' }).click();
  await mona.getByRole('button', { name: 'Hand in now' }).click();
  await expect(mona.getByText(/^Handed in\./)).toBeVisible();
  await typeOn(other, field(other), ' Too late.');
  await expect(other.getByText(/What you wrote last was not kept/)).toBeVisible();
  await expect(field(other)).toHaveValue(SENTENCE);
  await expect(roll).toHaveText(SENTENCE);
});

test('a laptop that is closed and opened again goes on with the same words', async ({
  browser,
}) => {
  const { mona, roll } = await writing(browser);
  await typeOn(mona, field(mona), SENTENCE);
  const lid = await mona.context().newCDPSession(mona);
  await lid.send('Page.setWebLifecycleState', { state: 'frozen' });
  await expect(roll).toHaveText(SENTENCE);
  await lid.send('Page.setWebLifecycleState', { state: 'active' });
  await typeOn(mona, field(mona), ' And on.');
  await isSaved(mona);
  await expect(roll).toHaveText(`${SENTENCE} And on.`);
});

test('two tabs of one student write in one answer, and no letter of either is lost', async ({
  browser,
}) => {
  const { mona, roll } = await writing(browser);
  const other = await mona.context().newPage();
  await other.goto('/lesson');
  await expect(field(other)).toBeVisible();
  await typeOn(mona, field(mona), 'aaaaaaaaaa');
  await expect(field(other)).toHaveValue('aaaaaaaaaa');
  await Promise.all([
    typeOn(mona, field(mona), 'b'.repeat(30)),
    typeOn(other, field(other), 'c'.repeat(30)),
  ]);
  await expect
    .poll(async () => [...(await field(mona).inputValue())].sort().join(''))
    .toBe('a'.repeat(10) + 'b'.repeat(30) + 'c'.repeat(30));
  await expect(field(other)).toHaveValue(await field(mona).inputValue());
  await expect(roll).toHaveText(await field(mona).inputValue());
});

test('what is no number is kept and said not to count, and what counts is told', async ({
  browser,
}) => {
  const { mona, roll } = await writing(browser, 'Work it out');
  const answer = field(mona, 'Your answer in m');
  await answer.fill('1,5');
  await isSaved(mona);
  await answer.fill('150 cm');
  await expect(mona.getByText('This is not counted')).toContainText('What counts is still 1,5.');
  await isSaved(mona);
  await mona.reload();
  await expect(answer).toHaveValue('150 cm');
  await expect(mona.getByText('What counts is still 1,5.')).toBeVisible();
  await expect(roll).toHaveText(/1,5/);
  await mona.getByRole('button', { name: 'Hand in' }).click();
  await expect(mona.getByRole('dialog')).toContainText('What you wrote does not count yet');
  await mona.getByRole('button', { name: 'Not yet' }).click();
  await answer.fill('2');
  await expect(mona.getByText('This is not counted')).toHaveCount(0);
  await expect(roll).toHaveText(/^2 m/);
});

test('a network that says nothing is told within seconds, and handing in works after going back and forward', async ({
  browser,
}) => {
  const { code } = await writing(browser);
  const tove = await someone(browser);
  let isSilent = false;
  await tove.routeWebSocket(/\/sync/, (socket) => {
    const server = socket.connectToServer();
    socket.onMessage((message) => !isSilent && server.send(message));
    server.onMessage((message) => !isSilent && socket.send(message));
  });
  await joinAs(tove, code, 'Tove');
  await isSaved(tove);
  isSilent = true;
  await expect(state(tove)).toHaveText('kept on this device');
  await typeOn(tove, field(tove), SENTENCE);
  isSilent = false;
  await expect(state(tove)).toHaveText('saved', { timeout: 20_000 });

  await tove.goto('/');
  await tove.goBack();
  await expect(field(tove)).toHaveValue(SENTENCE);
  await tove.goForward();
  await tove.goBack();
  await isSaved(tove);
  await tove.getByRole('button', { name: 'Hand in' }).click();
  await tove.getByRole('button', { name: 'Hand in now' }).click();
  await expect(tove.getByText(/^Handed in\./)).toBeVisible();
});

test('a deck’s name, notes, sections and trails are there after a reload in the middle of typing', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'Kept');
  await page.keyboard.press('Escape');
  const name = page.getByRole('textbox', { name: 'Name of the deck' });
  await typeOn(page, name, ' in every letter');
  await page.reload();
  await expect(name).toHaveValue('Kept in every letter');
  await name.fill('');
  await name.blur();
  await expect(page.getByText('A deck needs a name.')).toBeVisible();
  await expect(name).toHaveValue('Kept in every letter');

  await page.getByRole('link', { name: 'Slide', exact: true }).click();
  const notes = page.getByLabel('Notes for you');
  await typeOn(page, notes, SENTENCE);
  await page.reload();
  await expect(notes).toHaveValue(SENTENCE);
  // One visit is a step or a few, not one for each letter.
  await notes.fill('Quite another note');
  await notes.blur();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(notes).toHaveValue(SENTENCE);

  // A second deck in the same tab knows that it is connected.
  await page.goto('/');
  await newDeck(page, 'A second deck');
  await isSaved(page);
  await page.goBack();
  await page.goForward();
  await isSaved(page);
});

test('what is dragged and what is picked is there at once, too', async ({ browser }) => {
  const { ines: desk, code, lessonId, slides } = await lessonOfStarters(browser, ['Sort into two']);
  await gather(desk, lessonId, slides.get('Sort into two')!);
  const keno = await someone(browser);
  await joinAs(keno, code, 'Keno');
  const piece = keno.getByRole('button', { name: /^Piece/ }).first();
  await expect(piece).toBeVisible();
  const before = await boxOf(piece);
  await drag(keno, piece, keno.getByRole('group', { name: 'Sort into two' }), { x: 0.5, y: 0.9 });
  await keno.reload();
  await expect(piece).toBeVisible();
  await expect.poll(async () => (await piece.boundingBox())!.y).toBeGreaterThan(before.y + 20);
});

/** What a browser says whose user, or school, lets no page keep anything. */
const keepsNothing = (): void => {
  const denied = (): never => {
    throw new DOMException('The operation is insecure.', 'SecurityError');
  };
  for (const name of ['localStorage', 'sessionStorage']) {
    Object.defineProperty(window, name, { get: denied });
  }
  IDBFactory.prototype.open = IDBFactory.prototype.databases = denied;
};

/** What one says on a device on which there is no room left. */
const isFull = (): void => {
  const noRoom = (): never => {
    throw new DOMException('There is no room.', 'QuotaExceededError');
  };
  Storage.prototype.setItem = noRoom;
  IDBObjectStore.prototype.put = noRoom;
  // Told when a change is to be complete.
  IDBTransaction.prototype.commit = function () {
    this.abort();
  };
};

for (const [which, device] of [
  ['may keep nothing', keepsNothing],
  ['has no room left', isFull],
] as const) {
  test(`on a device that ${which} a student joins and works; that words are on the page alone is said`, async ({
    browser,
  }) => {
    const { code, roll } = await writing(browser);
    const lene = await someone(browser);
    await lene.addInitScript(device);
    const cable = await cuttable(lene);
    await joinAs(lene, code, 'Lene');
    await typeOn(lene, field(lene), SENTENCE);
    await isSaved(lene);
    cable.cut();
    await expect(state(lene)).toHaveText('keep this page open');
    await typeOn(lene, field(lene), ' Then she rests.');
    await expect(state(lene)).toHaveText('keep this page open');
    cable.mend();
    await expect(state(lene)).toHaveText('saved', { timeout: 30_000 });
    const others = roll.page().getByRole('region', { name: 'Details' }).getByRole('row');
    await expect(others.filter({ hasText: 'Lene' }).getByRole('cell').first()).toHaveText(
      `${SENTENCE} Then she rests.`,
    );
    await lene.reload();
    await expect(field(lene)).toHaveValue(`${SENTENCE} Then she rests.`);
  });
}
