import { expect } from '@playwright/test';
import { add, openSlide, stageOf, thing, trayOf, twoOnSlide } from './onTheStage';
import { isSaved, signIn, someone, test } from './people';

test('cells pasted into a table fill its cells, in hand or while a cell is written in', async ({
  browser,
}) => {
  const page = await signIn(
    await someone(browser, { permissions: ['clipboard-read', 'clipboard-write'] }),
  );
  await openSlide(page, 'Cells');
  const copied = (text: string): Promise<void> =>
    page.evaluate((text) => navigator.clipboard.writeText(text), text);
  const rows = async (): Promise<string[]> =>
    (await stageOf(page).getByRole('row').allInnerTexts()).map((row) => row.replace(/\s+/g, ' '));
  await copied('Port\tHigh\nLamp Bay\t5.1\n');
  await page.keyboard.press('Control+v');
  const table = thing(page, /^Table: Port/);
  await expect(table).toBeVisible();

  await table.dblclick();
  await page.getByRole('cell', { name: '5.1' }).click();
  await copied('4.9\t0.7\n4.2\t0.3\n');
  await page.keyboard.press('Control+v');
  // One cell alone is words for the place of the caret.
  await page.getByRole('cell', { name: 'Lamp Bay' }).click();
  await page.keyboard.press('End');
  await page.evaluate(() =>
    navigator.clipboard.write([
      new ClipboardItem({
        'text/html': new Blob(['<table><tr><td> (east)</td></tr></table>'], { type: 'text/html' }),
        'text/plain': new Blob([' (east)'], { type: 'text/plain' }),
      }),
    ]),
  );
  await page.keyboard.press('Control+v');
  await page.keyboard.press('Escape');
  await expect.poll(rows).toEqual(['Port High ', 'Lamp Bay(east) 4.9 0.7', ' 4.2 0.3']);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(rows).toEqual(['Port High', 'Lamp Bay 5.1']);

  // In hand and not written in, it is filled from its first cell.
  await table.click();
  await copied('Harbour\tSpring\n');
  await page.keyboard.press('Control+v');
  await expect.poll(rows).toEqual(['Harbour Spring', 'Lamp Bay 5.1']);
  await copied(Array.from({ length: 31 }, (_, row) => `${row}\tx`).join('\n'));
  await page.keyboard.press('Control+v');
  await expect(page.getByText(/That makes 31 rows/)).toBeVisible();
  await expect.poll(rows).toEqual(['Harbour Spring', 'Lamp Bay 5.1']);
});

test('who is here is met: on which slide, and what is in hand there', async ({ browser }) => {
  const { ines, tomas } = await twoOnSlide(browser, 'Both here');
  await add(ines, 'Text');
  await ines.keyboard.type('Row out');
  await ines.keyboard.press('Escape');
  await stageOf(tomas).getByRole('button', { name: 'Text: Row out' }).click();
  await ines.getByRole('link', { name: 'Map', exact: true }).click();
  await ines
    .getByRole('list', { name: 'People here' })
    .getByRole('link', { name: 'Tomas Maren, on “The bay”: go there' })
    .click();
  await expect(ines).toHaveURL(/slide\//);
  const hand = stageOf(ines).getByRole('img', { name: 'Tomas Maren has this in hand' });
  await expect(hand).toBeVisible();
  const piece = stageOf(ines).getByRole('button', { name: 'Text: Row out' });
  // The stage moves once more when a row appears above it.
  const apart = async (): Promise<number> => {
    const [one, other] = [await hand.boundingBox(), await piece.boundingBox()];
    return Math.max(Math.abs(one!.x - other!.x), Math.abs(one!.y - other!.y));
  };
  await expect.poll(apart).toBeLessThan(3);
  await tomas.keyboard.press('Escape');
  await expect(hand).toHaveCount(0);
});

test('on a tablet everything that can be set on a text is reached', async ({ browser }) => {
  const page = await signIn(
    await someone(browser, { viewport: { width: 1024, height: 768 }, hasTouch: true }),
  );
  await openSlide(page, 'Tablet');
  await add(page, 'Text');
  await page.keyboard.type('Lights out');
  await page.keyboard.press('Control+a');
  const reached = async (names: string[]): Promise<void> => {
    for (const name of names) {
      const button = trayOf(page).getByRole('button', { name });
      const further = trayOf(page).getByRole('button', { name: 'Further settings' });
      // It goes when the end of the row is reached, perhaps just now.
      if (await further.isVisible()) await further.tap({ timeout: 3000 }).catch(() => undefined);
      await expect(button).toBeInViewport({ ratio: 0.98 });
    }
  };
  await reached(['Bold', 'Subscript', 'Bullets', 'To both edges', 'Link the marked words']);
  await trayOf(page).getByRole('button', { name: 'Bullets' }).tap();
  await expect(trayOf(page).getByRole('button', { name: 'Further in' })).toBeAttached();
  await reached(['Further in', 'Link the marked words']);
  await page.keyboard.press('Escape');
  await reached(['Words', 'Piece: no', 'Arrange', 'Delete']);
});

test('a double press opens a question; an address pasted with the focus nowhere leads what is in hand', async ({
  browser,
}) => {
  const page = await signIn(
    await someone(browser, { permissions: ['clipboard-read', 'clipboard-write'] }),
  );
  await openSlide(page, 'Presses');
  await trayOf(page).getByRole('button', { name: 'Question' }).click();
  await page.getByRole('button', { name: 'Number', exact: true }).click();
  await page.keyboard.press('Escape');
  await thing(page, /^Question/).dblclick();
  await expect(page.getByRole('dialog')).toContainText('Right');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await trayOf(page).getByRole('button', { name: 'Shape', exact: true }).click();
  await page.getByRole('button', { name: 'Ellipse' }).click();
  await expect(thing(page, 'Ellipse, empty')).toBeFocused();
  await page.evaluate(() => {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    return navigator.clipboard.writeText('https://petrel.example/tides');
  });
  await page.keyboard.press('Control+v');
  await expect(page.getByRole('region', { name: 'Ways out' })).toContainText(
    'petrel.example/tides',
  );
  await isSaved(page);
});
