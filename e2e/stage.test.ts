import AxeBuilder from '@axe-core/playwright';
import { expect, type Locator, type Page } from '@playwright/test';
import { COAUTHOR, drag, isSaved, newDeck, onStage, PNG, signIn, someone, test } from './people';

/** A new deck with one slide, opened in the slide editor. */
async function openSlide(page: Page, name: string): Promise<void> {
  await newDeck(page, name);
  await page.keyboard.type('The bay');
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: 'Slide', exact: true }).click();
  await expect(stageOf(page)).toBeVisible();
}
const stageOf = (page: Page): Locator => page.getByRole('group', { name: /^Stage: / });
const trayOf = (page: Page): Locator => page.getByRole('toolbar', { name: 'Tray' });
const add = (page: Page, what: string): Promise<void> =>
  trayOf(page).getByRole('button', { name: what, exact: true }).click();
const thing = (page: Page, name: string | RegExp): Locator =>
  stageOf(page).getByRole('button', { name });
const undo = (page: Page): Locator => page.getByRole('button', { name: 'Undo' });

async function seriousFindings(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes[0]?.html ?? ''}`);
}

/** The numbers of what is selected, as the tray tells them. */
async function numbers(page: Page): Promise<Record<string, number>> {
  await trayOf(page).getByRole('button', { name: 'Arrange' }).click();
  const read: Record<string, number> = {};
  for (const label of ['Left', 'Top', 'Width', 'Height']) {
    read[label] = Number(await page.getByLabel(label, { exact: true }).inputValue());
  }
  await page.keyboard.press('Escape');
  return read;
}

test('by mouse: shapes with words and a line that sticks, aligned, grouped, turned; every step undone', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await openSlide(page, 'Shapes');
  await add(page, 'Shape');
  await page.getByRole('button', { name: 'Star', exact: true }).click();
  const star = thing(page, 'Shape, empty');
  await drag(page, star, stageOf(page), { x: 0.2, y: 0.75 });
  await add(page, 'Shape');
  await page.getByRole('button', { name: 'Ellipse', exact: true }).click();
  await drag(page, thing(page, 'Shape, empty').last(), stageOf(page), { x: 0.7, y: 0.6 });
  await page.keyboard.press('Enter');
  await page.keyboard.type('the lamp');
  await page.keyboard.press('Escape');
  const lamp = thing(page, 'Shape: the lamp');
  await expect(lamp).toBeVisible();

  // Its ends stick to the shapes: it follows when one of them moves.
  await add(page, 'Line');
  await onStage(page, { x: 0.2, y: 0.75 }, { x: 0.7, y: 0.6 });
  const line = thing(page, 'Line');
  const before = (await line.boundingBox())!;
  await drag(page, lamp, stageOf(page), { x: 0.85, y: 0.3 });
  await expect.poll(async () => (await line.boundingBox())!.width).toBeGreaterThan(before.width);
  await undo(page).click();
  await expect.poll(async () => (await line.boundingBox())!.width).toBeCloseTo(before.width, 0);

  await page.keyboard.press('Escape');

  // Aligned and grouped, then turned by its handle to a full step of 15 degrees.
  await star.click();
  await lamp.click({ modifiers: ['Shift'], position: { x: 100, y: 20 } });
  await trayOf(page).getByRole('button', { name: 'Arrange' }).click();
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
  const turn = (await page.locator('[data-handle=turn]').boundingBox())!;
  await page.mouse.move(turn.x + turn.width / 2, turn.y + turn.height / 2);
  await page.mouse.down();
  await page.mouse.move(turn.x - 90, turn.y - 40, { steps: 6 });
  await page.mouse.up();
  await trayOf(page).getByRole('button', { name: 'Arrange' }).click();
  const turned = Number(await page.getByLabel('Turned').inputValue());
  expect(turned).toBeGreaterThan(0);
  expect(await seriousFindings(page)).toEqual([]);
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
  const side = (await page.locator('[data-crop=e]').boundingBox())!;
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
  await tray.getByRole('button', { name: 'Make all content scenery' }).click();
  await expect(gull).toBeVisible();
  await page.getByRole('radio', { name: 'Content' }).click();
  await expect(gull).toHaveCount(0);
  await undo(page).click();
  await expect(gull).toBeVisible();
  await tray.getByRole('button', { name: /^Theme/ }).click();
  await page
    .getByRole('region', { name: 'Night' })
    .getByRole('button', { name: 'This slide' })
    .click();
  await page.keyboard.press('Escape');
  await expect(tray.getByRole('button', { name: 'Theme: Night' })).toBeVisible();
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
  await page.getByRole('button', { name: 'Ink #BF4E2A' }).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  const text = thing(page, /^Text: Tide tables/);
  await expect(text).toBeVisible();
  // The box has grown around what was typed: nothing of it lies outside.
  const list = stageOf(page).getByRole('list').first();
  await expect(list.getByRole('listitem').first()).toHaveText('Tide tables');
  await expect(list.locator('em').first()).toBeVisible();
  const [box, inside] = [(await text.boundingBox())!, (await list.boundingBox())!];
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
  await page.keyboard.type('Made without a mouse');
  await page.keyboard.press('Escape');
  const text = thing(page, 'Text: Made without a mouse');
  await text.focus();
  const before = (await text.boundingBox())!;
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('ArrowDown');
  const after = (await text.boundingBox())!;
  expect(after.x).toBeGreaterThan(before.x + 10);

  // A tool that draws puts its thing in the middle when it is asked for from the keyboard.
  await press(tray.getByRole('button', { name: 'Hotspot', exact: true }));
  await expect(thing(page, 'Hotspot')).toBeFocused();
  await page.keyboard.press('Delete');
  await expect(thing(page, 'Hotspot')).toHaveCount(0);

  await press(tray.getByRole('button', { name: 'Shape', exact: true }));
  await press(page.getByRole('button', { name: 'Octagon' }));
  await expect(thing(page, 'Shape, empty')).toBeFocused();
  await page.keyboard.press('Control+d');
  await expect(thing(page, 'Shape, empty')).toHaveCount(2);
  await page.keyboard.press('Control+a');
  await expect(tray.getByText(/^\d things$/)).toBeVisible();

  // Exact numbers, and what lies out of their range.
  await thing(page, 'Shape, empty').first().focus();
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
    const box = (await locator.boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  const piece = thing(page, 'Piece: piece');
  const before = await middle(piece);
  const corner = (await stageOf(page).boundingBox())!;
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

test('two teachers on one slide: both move, one undoes only what is hers', async ({ browser }) => {
  const [ines, tomas] = [
    await signIn(await someone(browser)),
    await signIn(await someone(browser), COAUTHOR),
  ];
  const address = '/deck/00000000-0000-4000-8000-000000000001/slide/copper';
  for (const page of [ines, tomas]) await page.goto(address);
  await add(ines, 'Shape');
  await ines.getByRole('button', { name: 'Diamond', exact: true }).click();
  await expect(thing(tomas, 'Shape, empty')).toBeVisible();
  await add(tomas, 'Text');
  await tomas.keyboard.type('from Tomás');
  await tomas.keyboard.press('Escape');
  await expect(thing(ines, 'Text: from Tomás')).toBeVisible();
  const place = async (page: Page): Promise<number> =>
    Math.round((await thing(page, 'Shape, empty').boundingBox())!.x);
  const before = await place(tomas);
  await thing(ines, 'Shape, empty').focus();
  await ines.keyboard.press('Shift+ArrowLeft');
  await expect.poll(() => place(tomas)).toBeLessThan(before);
  // He has it in hand while she takes it away.
  await thing(tomas, 'Shape, empty').click();
  await undo(ines).click();
  await expect.poll(() => place(tomas)).toBe(before);
  await undo(ines).click();
  await expect(thing(tomas, 'Shape, empty')).toHaveCount(0);
  await expect(thing(tomas, 'Text: from Tomás')).toBeVisible();
  await tomas.keyboard.press('Control+z');
  await expect(thing(ines, /from Tomás/)).toHaveCount(0);
});

test('what cannot be taken says so and changes nothing', async ({ browser }) => {
  const page = await signIn(
    await someone(browser, { permissions: ['clipboard-read', 'clipboard-write'] }),
  );
  await openSlide(page, 'Bad input');
  const count = await stageOf(page).getByRole('button').count();
  const paste = async (type: string, text: string): Promise<void> => {
    await page.evaluate(
      ([type, text]) => {
        const data = new DataTransfer();
        data.setData(type!, text!);
        document.body.dispatchEvent(
          new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
        );
      },
      [type, text],
    );
  };
  await paste('text/plain', 'x'.repeat(1_000_000));
  await expect(page.getByText(/1,000,000 letters: a text takes 100,000/)).toBeVisible();
  const box = { x: 0, y: 0, w: 20, h: 20 };
  const many = Array.from({ length: 620 }, (_, index) => ({
    ...{ id: `shape-${index}`, kind: 'shape', layer: 'content', shape: 'ellipse', box },
  }));
  const clip = (elements: unknown): string =>
    JSON.stringify({ deckId: 'other', elements, links: [] });
  await paste('application/x-gobrel-things+json', clip(many));
  await expect(page.getByText(/That is 600 things; this slide has room for/)).toBeVisible();
  await paste('application/x-gobrel-things+json', '{"elements":');
  await expect(page.getByText(/cannot be read: nothing was pasted/)).toBeVisible();
  await paste('text/plain', Array.from({ length: 40 }, () => 'a\tb').join('\n'));
  await expect(page.getByText(/a table on a slide has 30 and 12 at the most/)).toBeVisible();

  await add(page, 'Picture');
  const picture = page.getByLabel('Picture file');
  for (const [name, type, words] of [
    ['sea.heic', 'image/heic', 'This file is no picture that can be shown.'],
    ['sea.tiff', 'image/tiff', 'This file is no picture that can be shown.'],
  ] as const) {
    await picture.setInputFiles({ name, mimeType: type, buffer: Buffer.from('II*\0nothing') });
    await expect(page.getByText(words).first()).toBeVisible();
  }
  await page.keyboard.press('Escape');
  await add(page, 'Sound');
  const sound = page.getByLabel('Sound or video file');
  const mp4 = Buffer.concat([
    Buffer.from([0, 0, 0, 24]),
    Buffer.from('ftypisom\x00\x00\x02\x00isomiso2'),
  ]);
  await sound.setInputFiles({ name: 'sea.mp4', mimeType: 'video/mp4', buffer: mp4 });
  await expect(page.getByText(/kind MP4, which not every device plays/)).toBeVisible();
  // A film of two gigabytes is told by its size, before anything is sent.
  await sound.evaluate((input: HTMLInputElement) => {
    const film = new File(['x'], 'film.webm', { type: 'video/webm' });
    Object.defineProperty(film, 'size', { value: 2_000_000_000 });
    const files = { 0: film, length: 1, item: () => film };
    Object.defineProperty(input, 'files', { value: files, configurable: true });
    input.dispatchEvent(new Event('change', { bubbles: true }));
  });
  await expect(page.getByText(/film.webm has 2,000 MB: 60 MB is the most/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(stageOf(page).getByRole('button')).toHaveCount(count);

  // Words that a fixed box has no room for say so on the stage.
  await add(page, 'Text');
  await page.keyboard.type(
    'High tide at six, low tide at noon, and high again in the evening. '.repeat(3),
  );
  await page.keyboard.press('Escape');
  await trayOf(page).getByRole('button', { name: /^Type/ }).click();
  await page.getByLabel('When full').selectOption('fixed');
  await page.keyboard.press('Escape');
  await trayOf(page).getByRole('button', { name: 'Arrange' }).click();
  await page.getByLabel('Height', { exact: true }).fill('60');
  await page.getByLabel('Height', { exact: true }).press('Enter');
  await expect(page.getByText('words run out of the box')).toBeVisible();
  await page.keyboard.press('Escape');

  // A font without the letters says so.
  await add(page, 'Text');
  await page.keyboard.type('Привет');
  await page.keyboard.press('Escape');
  await trayOf(page).getByRole('button', { name: /^Type/ }).click();
  await expect(page.getByText(/has no Cyrillic letters: another font stands in/)).toBeVisible();
  await page.keyboard.press('Escape');
  await isSaved(page);
});

test('the connection is lost while something is dragged: it is kept, and saved when it is back', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await openSlide(page, 'Off and on');
  await add(page, 'Shape');
  await page.getByRole('button', { name: 'Ring', exact: true }).click();
  await isSaved(page);
  const ring = thing(page, 'Shape, empty');
  const from = (await ring.boundingBox())!;
  await page.mouse.move(from.x + 40, from.y + 40);
  await page.mouse.down();
  await page.mouse.move(from.x - 60, from.y + 60, { steps: 4 });
  await page.context().setOffline(true);
  await page.mouse.move(from.x - 160, from.y + 70, { steps: 4 });
  await page.mouse.up();
  const there = (await ring.boundingBox())!;
  expect(there.x).toBeLessThan(from.x - 100);
  await page.context().setOffline(false);
  await isSaved(page);
  await page.reload();
  await expect
    .poll(async () => Math.round((await ring.boundingBox())!.x))
    .toBe(Math.round(there.x));
});

test('things are copied to another deck, pasted in place, and given the look of others', async ({
  browser,
}) => {
  const page = await signIn(
    await someone(browser, { permissions: ['clipboard-read', 'clipboard-write'] }),
  );
  await openSlide(page, 'From here');
  await add(page, 'Shape');
  await page.getByRole('button', { name: 'Cloud', exact: true }).first().click();
  await trayOf(page).getByRole('button', { name: /^Fill/ }).click();
  await page.getByRole('button', { name: 'Fill #A97F22' }).click();
  await page.keyboard.press('Escape');
  const cloud = thing(page, 'Shape, empty');
  await cloud.focus();
  const there = (await cloud.boundingBox())!;
  await page.keyboard.press('Control+c');
  await page.keyboard.press('Control+v');
  await expect(cloud).toHaveCount(2);
  await undo(page).click();
  await expect(cloud).toHaveCount(1);
  await cloud.click();
  await trayOf(page).getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Copy its look' }).click();
  await page.keyboard.press('Escape');
  await add(page, 'Shape');
  await page.getByRole('button', { name: 'Hexagon', exact: true }).click();
  await trayOf(page).getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Give it the copied look' }).click();
  await page.keyboard.press('Escape');
  await expect(trayOf(page).getByRole('button', { name: 'Fill: #A97F22' })).toBeVisible();
  await isSaved(page);

  await page.goto('/');
  await openSlide(page, 'To there');
  await page.keyboard.press('Control+v');
  await expect(cloud).toHaveCount(1);
  const here = (await cloud.boundingBox())!;
  expect(Math.abs(here.x - there.x)).toBeLessThan(2);
  expect(Math.abs(here.y - there.y)).toBeLessThan(2);
});

test('a sound is sent and plays in the show; pictures dropped on the stage lie there', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await openSlide(page, 'Sound');
  await add(page, 'Sound');
  await page
    .getByLabel('Sound or video file')
    .setInputFiles({ name: 'horn.wav', mimeType: 'audio/wav', buffer: horn() });
  const sound = thing(page, 'Sound: horn');
  await expect(sound).toBeVisible();
  await page.getByLabel('Again and again').check();
  await trayOf(page)
    .getByRole('button', { name: /^What is said/ })
    .click();
  await page.getByLabel('For those who cannot hear it').fill('A fog horn, twice.');
  await page.keyboard.press('Escape');

  const drop = await page.evaluateHandle((png) => {
    const data = new DataTransfer();
    const bytes = Uint8Array.from(atob(png), (letter) => letter.charCodeAt(0));
    data.items.add(new File([bytes], 'brass.png', { type: 'image/png' }));
    return data;
  }, PNG.toString('base64'));
  await stageOf(page).dispatchEvent('drop', { dataTransfer: drop });
  await expect(thing(page, 'Picture')).toBeVisible();
  await isSaved(page);

  await page.getByRole('button', { name: 'Show', exact: true }).click();
  const player = page.getByLabel('horn');
  await expect(player).toBeVisible();
  await expect
    .poll(() => player.evaluate((audio: HTMLAudioElement) => audio.duration))
    .toBeCloseTo(0.5, 1);
  expect(await player.evaluate((audio: HTMLAudioElement) => audio.loop)).toBe(true);
  await page.getByText('What is said').click();
  await expect(page.getByText('A fog horn, twice.')).toBeVisible();
});

/** Half a second of a low tone: WAV, one channel, 8 kHz, 8 bit. */
function horn(): Buffer {
  const samples = Buffer.from(
    Array.from({ length: 4000 }, (_, at) => 128 + Math.round(90 * Math.sin(at / 8))),
  );
  const head = Buffer.alloc(44);
  head.write('RIFF', 0);
  head.writeUInt32LE(36 + samples.length, 4);
  head.write('WAVEfmt ', 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(8000, 24);
  head.writeUInt32LE(8000, 28);
  head.writeUInt16LE(1, 32);
  head.writeUInt16LE(8, 34);
  head.write('data', 36);
  head.writeUInt32LE(samples.length, 40);
  return Buffer.concat([head, samples]);
}
