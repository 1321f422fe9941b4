import { expect, type Page } from '@playwright/test';
import { add, horn, openSlide, stageOf, thing, trayOf, twoOnSlide, undo } from './onTheStage';
import { boxOf, isSaved, PNG, signIn, someone, test } from './people';

test('two teachers on one slide: both move, one undoes only what is hers', async ({ browser }) => {
  const { ines, tomas } = await twoOnSlide(browser, 'Both move');
  await add(ines, 'Shape');
  await ines.getByRole('button', { name: 'Diamond', exact: true }).click();
  await expect(thing(tomas, 'Diamond, empty')).toBeVisible();
  await add(tomas, 'Text');
  await tomas.keyboard.type('from Tomás');
  await tomas.keyboard.press('Escape');
  await expect(thing(ines, 'Text: from Tomás')).toBeVisible();
  const place = async (page: Page): Promise<number> =>
    Math.round((await thing(page, 'Diamond, empty').boundingBox())!.x);
  const before = await place(tomas);
  await thing(ines, 'Diamond, empty').focus();
  await ines.keyboard.press('Shift+ArrowLeft');
  await expect.poll(() => place(tomas)).toBeLessThan(before);
  // He has it in hand while she takes it away.
  await thing(tomas, 'Diamond, empty').click();
  await undo(ines).click();
  await expect.poll(() => place(tomas)).toBe(before);
  await undo(ines).click();
  await expect(thing(tomas, 'Diamond, empty')).toHaveCount(0);
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
    id: `shape-${index}`,
    kind: 'shape',
    layer: 'content',
    shape: 'ellipse',
    box,
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
  const ring = thing(page, 'Ring, empty');
  const from = await boxOf(ring);
  await page.mouse.move(from.x + 40, from.y + 40);
  await page.mouse.down();
  await page.mouse.move(from.x - 60, from.y + 60, { steps: 4 });
  await page.context().setOffline(true);
  await page.mouse.move(from.x - 160, from.y + 70, { steps: 4 });
  await page.mouse.up();
  const there = await boxOf(ring);
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
  await page.getByRole('button', { name: 'Fill #F2C96B' }).click();
  await page.keyboard.press('Escape');
  const cloud = thing(page, 'Cloud, empty');
  await cloud.focus();
  const there = await boxOf(cloud);
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
  await expect(trayOf(page).getByRole('button', { name: 'Fill: #F2C96B' })).toBeVisible();
  await isSaved(page);

  await page.goto('/');
  await openSlide(page, 'To there');
  await page.keyboard.press('Control+v');
  await expect(cloud).toHaveCount(1);
  const here = await boxOf(cloud);
  expect(Math.abs(here.x - there.x)).toBeLessThan(2);
  expect(Math.abs(here.y - there.y)).toBeLessThan(2);
});

test('a sound is sent and plays in the show and in a file; pictures dropped on the stage lie there', async ({
  browser,
}, info) => {
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

  await page.goto(page.url().replace(/show.*/, 'map'));
  await page.getByRole('button', { name: 'Share' }).click();
  await page.getByRole('radio', { name: 'Take along' }).click();
  const save = page.getByRole('button', { name: 'Save the file' });
  const [file] = await Promise.all([page.waitForEvent('download'), save.click()]);
  const path = info.outputPath('sound.html');
  await file.saveAs(path);
  const away = await someone(browser, { offline: true });
  await away.goto(`file://${path}`);
  const carried = away.getByLabel('horn');
  await carried.evaluate((audio: HTMLAudioElement) => {
    audio.muted = true;
    return audio.play();
  });
  await expect
    .poll(() => carried.evaluate((audio: HTMLAudioElement) => audio.currentTime))
    .toBeGreaterThan(0);
  await expect
    .poll(() => away.locator('img').evaluate((one: HTMLImageElement) => one.naturalWidth))
    .toBeGreaterThan(0);
});
