import { expect, type Page } from '@playwright/test';
import { add, thing, trayOf, twoOnSlide, undo } from './onTheStage';
import { isSaved, joinAs, LAMP, newDeck, signIn, someone, test } from './people';

test('a link to a slide that was deleted shows as broken, and can be led on or removed', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'Broken on purpose');
  await page.keyboard.type('Start');
  await page.keyboard.press('Enter');
  for (const wording of ['To the cave', 'To the sea']) {
    await page.getByRole('group', { name: 'Start', exact: true }).click();
    await page.keyboard.press('Tab');
    await page.getByLabel('Wording of the choice').fill(wording);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('group', { name: wording, exact: true })).toBeVisible();
  }
  await page.keyboard.press('Delete');
  await expect(page.getByText('“To the sea” deleted')).toBeVisible();
  await expect(page.getByText('broken link')).toBeVisible();
  await page.getByRole('link', { name: 'Slide', exact: true }).click();
  const waysOut = page.getByRole('region', { name: 'Ways out' });
  await expect(waysOut.getByText('Leads nowhere')).toBeVisible();
  await page.getByRole('link', { name: /Check/ }).click();
  await expect(page.getByRole('heading', { name: 'Leads nowhere' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'No way on' })).toBeVisible();
  await page.getByRole('button', { name: 'Mark as ending' }).click();
  await expect(page.getByRole('heading', { name: 'One thing to mend' })).toBeVisible();
  await page.getByRole('button', { name: 'Take the choice out' }).click();
  await expect(page.getByText('Nothing to mend')).toBeVisible();
  await page.keyboard.press('ControlOrMeta+z');
  await expect(page.getByRole('heading', { name: 'Leads nowhere' })).toBeVisible();
  await isSaved(page);
});

test('a lesson’s students do not get a choice whose slide is gone', async ({ browser }) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'Gone but given');
  await page.keyboard.type('Start');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Into the fog');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('group', { name: 'Into the fog', exact: true })).toBeVisible();
  await page.keyboard.press('Delete');
  await isSaved(page);
  await page.getByRole('link', { name: 'Lessons' }).click();
  await page.getByRole('button', { name: 'Start a lesson' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  const label = await page.getByRole('button', { name: /Join code/ }).getAttribute('aria-label');
  const student = await someone(browser);
  await joinAs(student, /Join code (.*):/.exec(label ?? '')![1]!, 'Otis');
  await expect(student.getByRole('group', { name: 'Start' })).toBeVisible();
  await expect(student.getByText('Into the fog')).toHaveCount(0);
});

test('the show waits for a choice: arrows stop there, and go on where there is one way only', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto(`${LAMP}/show`);
  await expect(page.getByRole('group', { name: 'The lamp goes out' }).first()).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Waiting for a choice')).toBeVisible();
  await page.getByRole('link', { name: 'Climb the tower' }).click();
  await page.getByRole('link', { name: 'Look first' }).click();
  await page.keyboard.press('ArrowRight');
  await expect(
    page.getByRole('main').getByRole('group', { name: 'A wire has burnt through' }).first(),
  ).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('link', { name: 'Follow the wire' })).toBeVisible();
});

/** No hand is as fast after a double click: the editor puts its own caret back for the first fiftieth of a second. */
async function caretTo(page: Page, key: 'Home' | 'End'): Promise<void> {
  await expect(async () => {
    await page.keyboard.press(`ControlOrMeta+${key}`);
    await page.waitForTimeout(50);
    const caret = await page.evaluate(() => {
      const { anchorOffset: at, anchorNode: node } = getSelection()!;
      return at === 0 ? 'Home' : at === node?.textContent?.length ? 'End' : at;
    });
    expect(caret).toBe(key);
  }).toPass();
}

test('two teachers type in one text at once', async ({ browser }) => {
  const { ines, tomas } = await twoOnSlide(browser, 'Two type');
  await add(ines, 'Text');
  await ines.keyboard.type('Wet through. The kettle is on.');
  await ines.keyboard.press('Escape');
  const field = (page: Page) => page.getByRole('textbox').filter({ hasText: 'kettle' });
  const typeAt = async (page: Page, key: 'Home' | 'End', words: string): Promise<void> => {
    await thing(page, /^Text: .*kettle/).dblclick();
    await expect(field(page)).toBeFocused();
    await caretTo(page, key);
    await page.keyboard.type(words, { delay: 15 });
  };
  await Promise.all([typeAt(ines, 'Home', 'At last: '), typeAt(tomas, 'End', ' Tea for all.')]);
  for (const page of [ines, tomas]) {
    await expect(field(page)).toHaveText('At last: Wet through. The kettle is on. Tea for all.');
  }
  for (const page of [ines, tomas]) await page.keyboard.press('Escape');
  // She undoes what is hers, in as many steps as there were pauses; what he wrote in it is not hers.
  await expect(async () => {
    await undo(ines).click();
    await expect(thing(tomas, /^Text: (?!At).*Tea for all/)).toBeVisible({ timeout: 1000 });
  }).toPass();
});

test('two who write in one list and in one table lose nothing of each other', async ({
  browser,
}) => {
  const { ines, tomas } = await twoOnSlide(browser, 'Two write', {
    permissions: ['clipboard-read', 'clipboard-write'],
  });
  await add(ines, 'Text');
  for (const key of ['High at six', 'Enter', 'Low at noon'])
    await (key === 'Enter' ? ines.keyboard.press(key) : ines.keyboard.type(key));
  await ines.keyboard.press('ControlOrMeta+a');
  await trayOf(ines).getByRole('button', { name: 'Bullets' }).click();
  await ines.keyboard.press('ControlOrMeta+End');
  // Both have it open now, and each changes an item of their own.
  const textOf = (page: Page) => page.getByRole('textbox').filter({ hasText: 'High at six' });
  await thing(tomas, /^Text: High at six/).dblclick();
  await expect(textOf(tomas)).toBeFocused();
  await caretTo(tomas, 'Home');
  await tomas.keyboard.type('Today: ', { delay: 15 });
  await ines.keyboard.type(' again', { delay: 15 });
  for (const page of [ines, tomas]) {
    await expect(textOf(page).getByRole('listitem')).toHaveText([
      'Today: High at six',
      'Low at noon again',
    ]);
    await page.keyboard.press('Escape');
  }

  await ines.keyboard.press('Escape');
  await ines.evaluate(() => navigator.clipboard.writeText('Port\tHigh\nLamp Bay\t5.1\n'));
  await ines.keyboard.press('Control+v');
  for (const [page, cell] of [
    [ines, 'Port'],
    [tomas, '5.1'],
  ] as const) {
    await thing(page, /^Table: Port/).dblclick();
    await page
      .getByRole('cell', { name: cell })
      .or(page.getByText(cell, { exact: true }))
      .first()
      .click();
    await page.keyboard.press('End');
  }
  await ines.keyboard.type('s', { delay: 15 });
  await tomas.keyboard.type('7', { delay: 15 });
  for (const page of [ines, tomas]) {
    await page.keyboard.press('Escape');
    await expect(thing(page, 'Table: Ports High Lamp Bay 5.17')).toBeVisible();
  }
});
