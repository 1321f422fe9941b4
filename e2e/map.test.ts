import { expect, type Page } from '@playwright/test';
import { boxOf, copyOfLamp, isSaved, newDeck, signIn, someone, test, fitMap } from './people';

const map = (page: Page) => page.getByRole('application', { name: 'Map of the deck' });
const card = (page: Page, title: string) =>
  map(page).getByRole('group', { name: title, exact: true });
/** A way out of the slide in hand, as it is read aloud. */
const wire = (page: Page, wording: string) =>
  page.getByRole('list', { name: /^Ways out of/ }).getByText(wording, { exact: true });
/** What the bar says is in hand. */
const inHand = (page: Page) => page.getByRole('toolbar', { name: 'Map', exact: true });

/** Answers the line at the foot of the map. */
async function type(page: Page, text: string): Promise<void> {
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
}

test('a story of fifteen slides with three levels of choices is typed without the mouse', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'Typed story');
  await type(page, 'The fog');
  const grow = async (from: string, wordings: string[]): Promise<void> => {
    // Back to the slide that the choices leave: the cards were made from it, so it lies to the left.
    for (const wording of wordings) {
      await page.keyboard.press('Tab');
      await type(page, wording);
      await expect(card(page, wording)).toBeVisible();
      await page.keyboard.press('ArrowLeft');
      await expect(page.getByRole('toolbar', { name: 'Map', exact: true })).toContainText(from);
    }
  };
  await grow('The fog', ['Row', 'Wait']);
  await page.keyboard.press('ArrowRight');
  await grow('Row', ['Row north', 'Row south']);
  await page.keyboard.press('ArrowRight');
  await grow('Row north', ['Land at the cave', 'Keep on']);
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('toolbar', { name: 'Map', exact: true })).toContainText('Row south');
  await grow('Row south', ['Hear a bell', 'Hear nothing']);
  await card(page, 'Wait').focus();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+f');
  await type(page, 'Wait');
  await map(page).focus();
  await grow('Wait', ['An hour', 'All night']);
  await page.keyboard.press('ArrowRight');
  await grow('An hour', ['Light ahead', 'Dark ahead']);
  await page.keyboard.press('ArrowDown');
  await grow('All night', ['The ferry comes', 'The tide turns']);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('toolbar', { name: 'Map', exact: true })).toContainText(
    'The ferry comes',
  );
  await page.keyboard.press('Alt+e');
  await expect(card(page, 'The ferry comes').getByText('ending')).toBeVisible();
  await isSaved(page);
  await fitMap(page);
  await expect(map(page).locator('.react-flow__node-card')).toHaveCount(15);
  await page.reload();
  await expect(map(page).locator('.react-flow__node-card')).toHaveCount(15);
});

test('a wire is reworded in place, reattached by its end, led elsewhere by key, and cut with one question', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'Wires');
  await type(page, 'Pier');
  for (const wording of ['Row out', 'Stay']) {
    await page.keyboard.press('Tab');
    await type(page, wording);
    await expect(card(page, wording)).toBeVisible();
    await page.keyboard.press('ArrowLeft');
  }
  await fitMap(page);
  await card(page, 'Pier').click();
  // By keyboard: the first wire, reworded.
  await page.keyboard.press('Alt+ArrowRight');
  await page.keyboard.press('F2');
  await page.getByLabel('Wording of the choice').fill('Take the boat');
  await page.keyboard.press('Enter');
  await expect(inHand(page)).toContainText('“Take the boat”');
  // Its end taken hold of and put on another card.
  const from = await boxOf(card(page, 'Row out'));
  const to = await boxOf(card(page, 'Stay'));
  await page.mouse.move(from.x - 5, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x - 4, to.y + to.height / 2, { steps: 12 });
  await page.mouse.up();
  await card(page, 'Row out').click();
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Ways in' })).toContainText(
    'Nothing leads here yet',
  );
  await page.goBack();
  // Led back by key.
  await card(page, 'Pier').click();
  await page.keyboard.press('Alt+ArrowRight');
  await page.keyboard.press('Control+k');
  await page.getByRole('dialog').getByRole('button', { name: 'Row out', exact: true }).click();
  await expect(page.getByRole('toolbar', { name: 'Map', exact: true })).toContainText(
    'carried by its choice line',
  );
  await page.keyboard.press('Delete');
  await page.getByRole('button', { name: 'Cut, and take the line off' }).click();
  await card(page, 'Pier').click();
  await expect(wire(page, 'Stay')).toBeAttached();
  await expect(wire(page, 'Take the boat')).toHaveCount(0);
  await card(page, 'Pier').dblclick();
  await expect(page.getByRole('button', { name: 'Text: Stay' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Text: Take the boat' })).toHaveCount(0);
});

test('many at once: marquee, section, fold, duplicate with what hangs below, copy between decks', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'Many');
  await type(page, 'Gate');
  await page.keyboard.press('Tab');
  await type(page, 'Into the garden');
  await page.keyboard.press('Tab');
  await type(page, 'To the well');
  await expect(card(page, 'To the well')).toBeVisible();
  await fitMap(page);

  await page.getByRole('button', { name: /Select by drawing a box/ }).click();
  const first = await boxOf(card(page, 'Into the garden'));
  const last = await boxOf(card(page, 'To the well'));
  await page.mouse.move(first.x - 20, first.y - 30);
  await page.mouse.down();
  await page.mouse.move(last.x + last.width + 20, last.y + last.height + 20, { steps: 8 });
  await page.mouse.up();
  const bar = page.getByRole('toolbar', { name: 'Map', exact: true });
  await expect(bar).toContainText('2 slides');
  await bar.getByRole('button', { name: 'Set out', exact: true }).click();
  await expect(page.getByText(/2 slides are set out/)).toBeVisible();
  await bar.getByRole('button', { name: /Section/ }).click();
  await type(page, 'The garden');
  await page.getByRole('button', { name: 'Fold The garden' }).click();
  await expect(card(page, 'To the well')).toHaveCount(0);
  await expect(card(page, 'The garden')).toBeVisible();
  await page.getByRole('button', { name: 'Unfold The garden' }).click();
  await page.getByRole('button', { name: /Select by drawing a box/ }).click();

  await card(page, 'Into the garden').click();
  await page.keyboard.press('Control+Shift+d');
  await expect(card(page, 'To the well')).toHaveCount(2);
  await page.keyboard.press('Control+z');
  await expect(card(page, 'To the well')).toHaveCount(1);

  await card(page, 'Gate').click();
  await expect(bar).toContainText('Gate');
  await page.keyboard.press('Control+c');
  await expect(page.getByText('One slide copied.')).toBeVisible();
  await page.goto('/');
  await newDeck(page, 'Elsewhere');
  await page.keyboard.press('Control+v');
  await expect(card(page, 'Gate')).toBeVisible();
  await expect(page.getByText(/did not come along: Into the garden/)).toBeVisible();
});

test('the written plan and the map stay in step, both ways', async ({ browser }) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'Planned');
  await page.getByRole('button', { name: 'Written plan' }).click();
  const plan = page.getByRole('textbox', { name: 'Written plan' });
  const STORY = `- The pier: Rain, and a boat.
  - Row out: **At sea** Nothing but grey.
    - Turn back: [The pier](#the-pier)
  - Wait: The tide falls. (ending)
`;
  await plan.fill(STORY);
  await expect(card(page, 'At sea')).toBeVisible();
  await fitMap(page);
  await card(page, 'At sea').click();
  await expect(wire(page, 'Turn back')).toBeAttached();
  // A wrong line is told and leaves the rest working.
  await plan.fill(
    STORY.replace('#the-pier', '#the-peer')
      .replace('[The pier]', '[The peer]')
      .replace('Rain', 'Snow'),
  );
  await expect(page.getByText('Line 3: No slide of this plan is called “The peer”.')).toBeVisible();
  await plan.fill(STORY);
  await expect(page.getByText('Line 3')).toHaveCount(0);
  // Nothing is taken out before that is agreed to.
  await plan.fill(STORY.replace(/ {2}- Wait.*\n/, ''));
  await expect(page.getByText(/This slide is not in the plan any more/)).toContainText('Wait');
  await expect(card(page, 'Wait')).toBeVisible();
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(card(page, 'Wait')).toHaveCount(0);
  await page.keyboard.press('Escape');
  // The other way round: renamed on the map.
  await card(page, 'At sea').click();
  await page.keyboard.press('F2');
  await page.getByLabel('Name of the slide').fill('On the water');
  await page.keyboard.press('Enter');
  await expect(plan).toHaveValue(/Row out: \*\*On the water\*\* Nothing but grey\./);
  await plan.focus();
  await plan.press('Control+End');
  await plan.pressSequentially('- Spare');
  await expect(card(page, 'Spare')).toBeVisible();
});

test('mending a typo in the plan keeps the links and marks of a text; a paste fits the map; a wrong line has its mark', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto(`${await copyOfLamp(page)}/map`);
  await page.getByRole('button', { name: 'Written plan' }).click();
  const plan = page.getByRole('textbox', { name: 'Written plan' });
  const before = await plan.inputValue();
  const wires = await page.locator('.react-flow__edge').count();
  // A line that is wrong changes nothing, and has its mark beside it although a long line above it wraps.
  const long = `${'and the tide comes in over the rocks '.repeat(8).trim()}.`;
  const lines = before.split('\n');
  const spoilt = [`${lines[0]!} ${long}`, '  - ', ...lines.slice(1)].join('\n');
  await plan.fill(spoilt);
  await expect(page.getByText(/Line 2: There is nothing on this line yet/)).toBeVisible();
  await plan.evaluate((field) => field.scrollTo(0, 0));
  const mark = page.getByTitle('There is nothing on this line yet.');
  const [top, field] = [await mark.boundingBox(), await plan.boundingBox()];
  expect(top!.y - field!.y).toBeGreaterThan(100);
  expect(await page.locator('.react-flow__edge').count()).toBe(wires);
  await plan.fill(before);
  await expect(page.getByText('Says what the map says.')).toBeVisible();
  expect(await page.locator('.react-flow__edge').count()).toBe(wires);
  // What a paste has grown is in sight.
  const grown = Array.from({ length: 12 }, (_, index) => `- Rock ${index}: A line of its own.`);
  await plan.fill(`${before}${grown.join('\n')}\n`);
  const last = card(page, 'Rock 11');
  await expect(last).toBeInViewport();
  await plan.fill(before);
  await page.getByRole('button', { name: 'Take them out' }).click();
  await expect(last).toHaveCount(0);
  // What is typed just before one goes elsewhere is taken along.
  await plan.focus();
  await plan.press('Control+End');
  await plan.pressSequentially('- Typed at last');
  await page.getByRole('link', { name: 'Check' }).click();
  await page.getByRole('link', { name: 'Map' }).click();
  await expect(card(page, 'Typed at last')).toBeAttached();
});

test('a trail is made by clicking cards, put in order, walked in the show, and proved by Check', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto(`${await copyOfLamp(page)}/map`);
  await page.getByRole('button', { name: 'Trails' }).click();
  await page.getByRole('button', { name: 'New trail' }).click();
  for (const title of ['The lamp goes out', 'The boathouse', 'The lamp goes out', 'Up the tower'])
    await card(page, title).click();
  const stops = page.getByRole('list', { name: /Stops of Trail/ });
  await expect(stops.getByRole('listitem')).toHaveCount(4);
  await page.getByRole('button', { name: 'Done adding' }).click();
  await page.getByRole('button', { name: 'Move stop 4, Up the tower' }).focus();
  const said = page.getByRole('status').filter({ hasText: 'Up the tower' });
  await page.keyboard.press('Space');
  // The arrows are listened to from the turn after the one that takes the stop up.
  await page.evaluate(() => new Promise((resolve) => setTimeout(resolve)));
  for (const place of [4, 3, 2]) {
    await expect(said).toHaveText(`Up the tower is over stop ${place}.`);
    if (place > 2) await page.keyboard.press('ArrowUp');
  }
  await page.keyboard.press('Space');
  await expect(stops.getByRole('listitem').nth(1)).toContainText('Up the tower');
  await page.getByLabel(/It steps only where a link goes/).check();
  await page.getByRole('link', { name: /Check/ }).click();
  const off = page.getByRole('article', { name: /The trail leaves the links/ });
  await expect(off.first()).toContainText('none leads from “Up the tower” to “The boathouse”');
  await off.first().getByRole('button', { name: 'Let the trail step freely' }).click();
  await expect(off).toHaveCount(0);
  // A slide that waits for a choice waits on a trail as well.
  await page.getByRole('link', { name: 'Map' }).click();
  await page.getByRole('button', { name: /^Trail \d/ }).click();
  await page.getByRole('link', { name: 'Show it' }).click();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Waiting for a choice')).toBeVisible();
});

test('find, overlays and layout', async ({ browser }) => {
  const page = await signIn(await someone(browser));
  await page.goto(`${await copyOfLamp(page)}/map`);
  await expect(card(page, 'The lamp goes out')).toBeVisible();
  await page.keyboard.press('Control+f');
  await page.keyboard.type('smokes');
  await expect(page.getByRole('option', { name: /String smoulders/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('toolbar', { name: 'Map', exact: true })).toContainText(
    'String smoulders',
  );
  await page.keyboard.press('Escape');
  await fitMap(page);
  for (const [overlay, said] of [
    ['Words per slide', /\d+ words/],
    ['Routes', /every route/],
    ['Walks of students', /\d+ visits/],
    ['Draft and ready', /draft/],
  ] as const) {
    await page.getByLabel('Laid over').selectOption(overlay);
    await expect(card(page, 'The lamp goes out')).toContainText(said);
  }
  await page.getByRole('button', { name: /Grows right/ }).click();
  await page.getByRole('button', { name: 'Tidy all cards', exact: false }).last().click();
  await expect
    .poll(async () => {
      const [start, tower] = await Promise.all(
        ['The lamp goes out', 'Up the tower'].map((title) => card(page, title).boundingBox()),
      );
      return tower!.y > start!.y + start!.height;
    })
    .toBe(true);
  await map(page).focus();
  await page.keyboard.press('Control+z');
});

test('what tidies the map cannot be fetched: that is said, and it tidies when it can', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto(`${await copyOfLamp(page)}/map`);
  await expect(card(page, 'The lamp goes out')).toBeVisible();
  await page.context().route(/elk-worker/, (route) => route.abort());
  const tidy = page.getByRole('button', { name: 'Tidy all cards', exact: false }).last();
  await tidy.click();
  await expect(page.getByText(/What tidies the map could not be fetched/)).toBeVisible();
  await page.context().unroute(/elk-worker/);
  const before = await boxOf(card(page, 'In the rowing boat'));
  await tidy.click();
  await expect
    .poll(async () => (await card(page, 'In the rowing boat').boundingBox())?.y)
    .not.toBe(before.y);
});

test('the map goes where it was last asked to go', async ({ browser }) => {
  const page = await signIn(await someone(browser));
  await page.goto(`${await copyOfLamp(page)}/map`);
  const cards = map(page).locator('.react-flow__node-card');
  await fitMap(page);
  const all = await cards.count();
  await card(page, 'The lamp goes out').click();
  await page.getByRole('button', { name: 'Zoom to what is selected' }).click();
  await expect.poll(() => cards.count()).toBeLessThan(all);
  // While the map is on its way to one card, another one is asked for, and at once the whole map.
  await map(page).focus();
  const fit = page.getByRole('button', { name: 'Fit the whole map' });
  await fit.evaluate(async (button: HTMLElement) => {
    const press = async (key: string): Promise<void> => {
      for (let step = 0; step < 5; step += 1) {
        const init = { key, code: key, bubbles: true };
        document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', init));
        await new Promise((done) => setTimeout(done, 10));
      }
    };
    await press('ArrowRight');
    await press('ArrowLeft');
    button.click();
  });
  // As long as the map may still be on its way somewhere: nothing comes after.
  await page.waitForTimeout(1000);
  await expect(cards).toHaveCount(all);
});

test('two editors reword and reattach the same wire: both see the same in the end', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  const deck = await copyOfLamp(ines);
  await ines.goto(`${deck}/map`);
  const again = await signIn(await someone(browser));
  await again.goto(`${deck}/map`);
  for (const page of [ines, again]) await expect(card(page, 'The boathouse')).toBeVisible();
  for (const [page, wording] of [
    [ines, 'Row into the dark'],
    [again, 'Row to the light'],
  ] as const) {
    await card(page, 'The boathouse').click();
    await page.keyboard.press('Alt+ArrowRight');
    await page.keyboard.press('F2');
    await page.getByLabel('Wording of the choice').fill(wording);
  }
  await Promise.all([ines.keyboard.press('Enter'), again.keyboard.press('Enter')]);
  // Two who write at once both keep their words; what counts is that both see the same wire.
  const said = async (page: Page): Promise<string> =>
    /“.*Row (?:to the light|into the dark).*”/.exec(await inHand(page).innerText())?.[0] ?? '';
  await expect
    .poll(async () => {
      const [one, other] = [await said(ines), await said(again)];
      return one !== '' && one === other;
    })
    .toBe(true);
});
