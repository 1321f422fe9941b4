import { expect, type Locator } from '@playwright/test';
import {
  openSlide,
  stageOf,
  trayOf,
  add,
  thing,
  undo,
  seriousFindings,
  numbers,
} from './onTheStage';
import { boxOf, drag, isSaved, onStage, signIn, someone, test } from './people';

test('by mouse: shapes with words and a line that sticks, aligned, grouped, turned; every step undone', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await openSlide(page, 'Shapes');
  await add(page, 'Shape');
  await page.getByRole('button', { name: 'Star', exact: true }).click();
  const star = thing(page, 'Star, empty');
  await drag(page, star, stageOf(page), { x: 0.2, y: 0.75 });
  await add(page, 'Shape');
  await page.getByRole('button', { name: 'Ellipse', exact: true }).click();
  await drag(page, thing(page, 'Ellipse, empty'), stageOf(page), { x: 0.7, y: 0.6 });
  await page.keyboard.press('Enter');
  await page.keyboard.type('the lamp');
  await page.keyboard.press('Escape');
  const lamp = thing(page, 'Ellipse: the lamp');
  await expect(lamp).toBeVisible();

  // Its ends stick to the shapes: it follows when one of them moves.
  await add(page, 'Line');
  await onStage(page, { x: 0.2, y: 0.75 }, { x: 0.7, y: 0.6 });
  const line = thing(page, 'Line');
  const before = await boxOf(line);
  await drag(page, lamp, stageOf(page), { x: 0.85, y: 0.3 });
  await expect.poll(async () => (await line.boundingBox())!.width).toBeGreaterThan(before.width);
  await undo(page).click();
  await expect.poll(async () => (await line.boundingBox())!.width).toBeCloseTo(before.width, 0);

  await page.keyboard.press('Escape');

  // Aligned and grouped, then turned by its handle to a full step of 15 degrees.
  await star.click();
  await lamp.click({ modifiers: ['Shift'], position: { x: 100, y: 20 } });
  await trayOf(page).getByRole('button', { name: 'Arrange' }).click();
  const toSpread = page.getByRole('button', { name: 'Spread evenly across' });
  await expect(toSpread).toBeDisabled();
  await expect(toSpread).toHaveAttribute('title', /takes three things/);
  await page.getByRole('button', { name: 'Align upper edges' }).click();
  await page.keyboard.press('Escape');
  const tops = async (): Promise<number[]> =>
    Promise.all([star, lamp].map(async (one) => Math.round((await one.boundingBox())!.y)));
  await expect.poll(async () => new Set(await tops()).size).toBe(1);
  await page.keyboard.press('Control+g');
  const group = thing(page, /^Group/);
  await expect(group).toBeVisible();
  await expect(star).toHaveCount(0);
  await trayOf(page).getByRole('button', { name: 'Step into it' }).click();
  await expect(star).toBeVisible();
  await star.click();
  const turn = await boxOf(page.locator('[data-handle=turn]'));
  await page.mouse.move(turn.x + turn.width / 2, turn.y + turn.height / 2);
  await page.mouse.down();
  await page.mouse.move(turn.x - 90, turn.y - 40, { steps: 6 });
  await page.mouse.up();
  await trayOf(page).getByRole('button', { name: 'Arrange' }).click();
  const turned = Number(await page.getByLabel('Turned').inputValue());
  expect(turned).toBeGreaterThan(0);
  expect(await seriousFindings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  // One step out of the group: now that is in hand.
  await page.keyboard.press('Escape');
  await expect(group).toHaveAttribute('aria-pressed', 'true');

  // Of what is locked it is said beforehand what cannot be done.
  await trayOf(page).getByRole('button', { name: 'More' }).click();
  await page.getByRole('checkbox', { name: /^Locked/ }).click();
  await page.keyboard.press('Escape');
  await trayOf(page).getByRole('button', { name: 'Arrange' }).click();
  await expect(page.getByRole('button', { name: 'Align left edges' })).toBeDisabled();
  await page.keyboard.press('Escape');

  while (await undo(page).isEnabled()) await undo(page).click();
  await expect(stageOf(page).getByRole('button')).toHaveCount(2);
  await isSaved(page);
});

test('by mouse: a picture from the box, cropped, cut to a shape and credited; scenery, theme and layout', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await openSlide(page, 'Pictures');
  const tray = trayOf(page);
  await tray.getByRole('button', { name: /^Layout/ }).click();
  await page.getByRole('button', { name: 'Text and picture' }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'A picture goes here' }).click();
  await page.getByLabel('Search the picture box').fill('bird');
  await page.getByLabel('Licence').selectOption('cc-by');
  const found = page.getByRole('list', { name: 'Picture box' });
  await expect(found.getByRole('button')).toHaveCount(2);
  expect(await seriousFindings(page)).toEqual([]);
  await found.getByRole('button', { name: 'Gull' }).click();
  const gull = thing(page, 'Picture: Gull');
  await expect(gull).toBeFocused();
  const whole = await numbers(page);

  await tray.getByRole('button', { name: 'Crop' }).click();
  const side = await boxOf(page.locator('[data-crop=e]'));
  await page.mouse.move(side.x + side.width / 2, side.y + side.height / 2);
  await page.mouse.down();
  await page.mouse.move(side.x - 60, side.y + side.height / 2, { steps: 5 });
  await page.mouse.up();
  await tray.getByRole('button', { name: 'Done cropping' }).click();
  expect((await numbers(page)).Width).toBeLessThan(whole.Width! - 50);
  await tray.getByRole('button', { name: /^Cut to/ }).click();
  await page.getByRole('button', { name: 'Heart' }).click();
  await page.keyboard.press('Escape');
  await expect(tray.getByRole('button', { name: 'Cut to: Heart' })).toBeVisible();

  await tray.getByRole('button', { name: /^Credit/ }).click();
  await expect(page.getByText('“Gull” by Gobrel picture box, CC BY 4.0').last()).toBeVisible();
  await page.getByRole('button', { name: 'List all credits of the deck on this slide' }).click();
  await page.keyboard.press('Escape');
  await expect(
    stageOf(page).getByText('“Gull” by Gobrel picture box, CC BY 4.0').first(),
  ).toBeVisible();

  // Scenery: touched only after stepping into the layer.
  await page.getByRole('radio', { name: /Background/ }).click();
  await tray.getByRole('button', { name: /^Fill/ }).click();
  await page.getByRole('button', { name: 'Gradient' }).click();
  await page.keyboard.press('Escape');
  await tray.getByRole('button', { name: 'Move all content in here' }).click();
  await expect(gull).toBeVisible();
  await page.getByRole('radio', { name: 'Content' }).click();
  await expect(gull).toHaveCount(0);
  await undo(page).click();
  await expect(gull).toBeVisible();
  await tray.getByRole('button', { name: /^Theme/ }).click();
  await page.getByRole('radio', { name: 'This slide' }).click();
  await page
    .getByRole('group', { name: 'Themes' })
    .getByRole('button', { name: 'Harbour' })
    .click();
  await page.keyboard.press('Escape');
  await expect(tray.getByRole('button', { name: 'Theme: Harbour' })).toBeVisible();
  await isSaved(page);
});

test('by mouse: a table from a spreadsheet, a drawing with a stroke rubbed out, a close-up on a trail', async ({
  browser,
}) => {
  const page = await signIn(
    await someone(browser, { permissions: ['clipboard-read', 'clipboard-write'] }),
  );
  await openSlide(page, 'Table and ink');
  await page.evaluate(() => navigator.clipboard.writeText('Force\tName\n0\tcalm\n8\tgale\n'));
  await page.keyboard.press('Control+v');
  const table = thing(page, /^Table: Force Name/);
  await expect(table).toBeVisible();
  await table.dblclick();
  await page.getByRole('cell', { name: 'gale' }).click();
  await trayOf(page).getByRole('button', { name: '+ row' }).click();
  await trayOf(page).getByRole('button', { name: '+ column' }).click();
  await page.keyboard.press('Escape');
  await expect(stageOf(page).getByRole('row')).toHaveCount(4);
  await expect(stageOf(page).getByRole('row').first().getByRole('cell')).toHaveCount(0);
  await expect(stageOf(page).getByRole('columnheader')).toHaveCount(3);

  await add(page, 'Draw');
  await onStage(page, { x: 0.1, y: 0.8 }, { x: 0.3, y: 0.9 });
  await onStage(page, { x: 0.1, y: 0.9 }, { x: 0.3, y: 0.8 });
  await trayOf(page).getByRole('button', { name: 'Rub out' }).click();
  await onStage(page, { x: 0.11, y: 0.78 }, { x: 0.12, y: 0.83 });
  await page.keyboard.press('Escape');
  await thing(page, 'Drawing').click();
  await expect(trayOf(page).getByText('one stroke')).toBeVisible();

  await add(page, 'Close-up');
  await onStage(page, { x: 0.55, y: 0.55 }, { x: 0.95, y: 0.95 });
  await page.getByLabel('Name', { exact: true }).fill('The corner');
  await page.getByLabel('Name', { exact: true }).press('Enter');
  await expect(thing(page, 'Close-up: The corner')).toBeVisible();
  await isSaved(page);
});

test('words: styles, lists, sizes and colours; pasted words keep their structure and drop foreign styling', async ({
  browser,
}) => {
  const page = await signIn(
    await someone(browser, { permissions: ['clipboard-read', 'clipboard-write'] }),
  );
  await openSlide(page, 'Words');
  await add(page, 'Text');
  const words = page.getByRole('textbox', { name: 'Text' });
  await expect(words).toBeFocused();
  await page.keyboard.type('Tide tables');
  await page.keyboard.press('Enter');
  const height = async (): Promise<number> => (await words.boundingBox())!.height;
  const before = await height();
  for (const line of ['high at six', 'low at noon', 'high again at six']) {
    await page.keyboard.type(line);
    await page.keyboard.press('Enter');
  }
  expect(await height()).toBeGreaterThan(before);
  await page.keyboard.press('ControlOrMeta+a');
  const tray = trayOf(page);
  await tray.getByRole('button', { name: 'Bullets' }).click();
  await tray.getByRole('button', { name: 'Italic' }).click();
  await tray.getByRole('button', { name: /^Ink/ }).click();
  await page.getByRole('button', { name: 'Ink #8E3518' }).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  const text = thing(page, /^Text: Tide tables/);
  await expect(text).toBeVisible();
  // The box has grown around what was typed: nothing of it lies outside.
  const list = stageOf(page).getByRole('list').first();
  await expect(list.getByRole('listitem').first()).toHaveText('Tide tables');
  await expect(list.locator('em').first()).toBeVisible();
  const [box, inside] = [await boxOf(text), await boxOf(list)];
  expect(inside.y + inside.height).toBeLessThanOrEqual(box.y + box.height + 2);

  await tray.getByRole('button', { name: /^Type/ }).click();
  await page.getByRole('radio', { name: 'Fredoka' }).click();
  await page.keyboard.press('Escape');
  await expect(tray.getByRole('button', { name: /Type: Fredoka/ })).toBeVisible();

  await page.evaluate(async () => {
    const html =
      '<p style="font-family:Papyrus;color:#ff00ff">Wind <b>and</b> rain</p><ul><li>gale</li></ul>';
    await navigator.clipboard.write([
      new ClipboardItem({
        'text/html': new Blob([html], { type: 'text/html' }),
        'text/plain': new Blob(['Wind and rain\ngale'], { type: 'text/plain' }),
      }),
    ]);
  });
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+v');
  await expect(thing(page, /^Text: Wind and rain/)).toBeVisible();
  await expect(stageOf(page).locator('strong', { hasText: 'and' })).toBeVisible();
  await expect(stageOf(page).locator('[style*="ff00ff"], [style*="Papyrus"]')).toHaveCount(0);
  await isSaved(page);
});

test('by keyboard alone: a slide with a shape, words and a picture of its own place', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await openSlide(page, 'No mouse');
  const press = async (locator: Locator, key = 'Enter'): Promise<void> => {
    await locator.focus();
    await page.keyboard.press(key);
  };
  const tray = trayOf(page);
  await press(tray.getByRole('button', { name: 'Text', exact: true }));
  await expect(page.getByRole('textbox', { name: 'Text, empty' })).toBeFocused();
  await page.keyboard.type('Made without a mouse');
  await page.keyboard.press('Escape');
  const text = thing(page, 'Text: Made without a mouse');
  await text.focus();
  const before = await boxOf(text);
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('ArrowDown');
  const after = await boxOf(text);
  expect(after.x).toBeGreaterThan(before.x + 10);

  // A tool that draws puts its thing in the middle when it is asked for from the keyboard.
  await press(tray.getByRole('button', { name: 'Link area', exact: true }));
  await expect(thing(page, 'Link area')).toBeFocused();
  await page.keyboard.press('Delete');
  await expect(thing(page, 'Link area')).toHaveCount(0);

  await press(tray.getByRole('button', { name: 'Shape', exact: true }));
  await press(page.getByRole('button', { name: 'Octagon' }));
  await expect(thing(page, 'Octagon, empty')).toBeFocused();
  await page.keyboard.press('Control+d');
  await expect(thing(page, 'Octagon, empty')).toHaveCount(2);
  await page.keyboard.press('Control+a');
  await expect(tray.getByText(/^\d things$/)).toBeVisible();

  // Exact numbers, and what lies out of their range.
  await thing(page, 'Octagon, empty').first().focus();
  await page.keyboard.press(' ');
  await press(tray.getByRole('button', { name: 'Arrange' }));
  const width = page.getByLabel('Width', { exact: true });
  await width.fill('3');
  await width.press('Enter');
  await expect(page.getByText('Width goes from 8 to 20,000.')).toBeVisible();
  await expect(width).toHaveValue('240');
  await width.fill('300');
  await width.press('Enter');
  await expect(width).toHaveValue('300');
  await page.keyboard.press('Escape');
  // The focus goes back to where the sheet was opened, and only then on.
  await expect(tray.getByRole('button', { name: 'Arrange' })).toBeFocused();

  await press(page.getByRole('button', { name: 'Things on this slide' }));
  const things = page.getByRole('region', { name: 'Things on this slide' });
  await press(things.getByRole('button', { name: /^Lock: Text: Made without/ }));
  await expect(thing(page, 'Text: Made without a mouse, locked')).toBeVisible();
  await thing(page, 'Text: Made without a mouse, locked').focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('It is locked. Let it go first.')).toBeVisible();
  expect(await seriousFindings(page)).toEqual([]);
  await isSaved(page);
});

test('by finger on a tablet: a piece in an area, tried out in the editor; two fingers zoom', async ({
  browser,
}) => {
  const page = await signIn(
    await someone(browser, { viewport: { width: 1024, height: 768 }, hasTouch: true }),
  );
  await openSlide(page, 'By finger');
  const tray = trayOf(page);
  await tray.getByRole('button', { name: 'Piece', exact: true }).tap();
  await page.keyboard.press('Escape');
  await tray.getByRole('button', { name: 'Zone', exact: true }).tap();
  const touch = await page.context().newCDPSession(page);
  const finger = async (from: { x: number; y: number }, by: [number, number]): Promise<void> => {
    const at = (share: number): { x: number; y: number }[] => [
      { x: from.x + by[0] * share, y: from.y + by[1] * share },
    ];
    await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: at(0) });
    for (const share of [0.2, 0.5, 0.8, 1]) {
      await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: at(share) });
    }
    // The finger rests before it is lifted: browsers swallow the tap after a flick.
    await page.waitForTimeout(250);
    await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  };
  const middle = async (locator: Locator): Promise<{ x: number; y: number }> => {
    const box = await boxOf(locator);
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  const piece = thing(page, 'Piece: piece');
  const before = await middle(piece);
  const corner = await boxOf(stageOf(page));
  await finger(before, [corner.x + 70 - before.x, corner.y + corner.height - 30 - before.y]);
  await expect.poll(async () => (await middle(piece)).x).toBeLessThan(corner.x + 80);

  // Only across, and the zone expects it.
  await tray.getByRole('button', { name: /^Piece: anywhere/ }).tap();
  await page.getByLabel('It may be turned').check();
  await page.keyboard.press('Escape');
  await thing(page, 'Zone: zone').tap({ position: { x: 8, y: 8 } });
  await tray.getByRole('button', { name: /^Expects/ }).tap();
  await page.getByLabel('piece', { exact: true }).check();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Try it out' }).tap();
  await expect(page.getByText('0 of 1 where the key expects them')).toBeVisible();
  const trial = page.getByRole('group', { name: /^Trying out/ });
  await trial.getByRole('button', { name: 'Piece: piece' }).tap();
  await trial.getByRole('button', { name: 'Put into zone' }).tap();
  await expect(page.getByText('1 of 1 where the key expects them')).toBeVisible();
  await page.getByRole('button', { name: 'Done trying' }).tap();
  await expect(piece).toBeVisible();

  const zoom = page.getByRole('button', { name: /^Zoom/ });
  const said = await zoom.textContent();
  const centre = await middle(stageOf(page));
  const pinch = (apart: number): { x: number; y: number; id: number }[] => [
    { x: centre.x - apart, y: centre.y + 150, id: 1 },
    { x: centre.x + apart, y: centre.y + 150, id: 2 },
  ];
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: pinch(40) });
  for (const apart of [60, 90, 120]) {
    await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: pinch(apart) });
  }
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  await expect(zoom).not.toHaveText(said!);
  await zoom.tap();
  await expect(zoom).toHaveText(said!);
  expect(await seriousFindings(page)).toEqual([]);
});
