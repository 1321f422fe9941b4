import { expect, type Page } from '@playwright/test';
import { copyOfLamp, isSaved, LAMP, signIn, someone, test } from './people';

const slide = (page: Page, name: string) => page.getByRole('group', { name, exact: true }).first();
const at = (page: Page): string | null => new URL(page.url()).searchParams.get('from');

test('a show plays by itself, waits at a choice, goes on from the one that is taken, and any key stops it', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto(`${LAMP}/show?from=copper`);
  await expect(slide(page, 'Copper holds')).toBeVisible();
  await page.mouse.move(640, 790);
  await page.getByRole('button', { name: 'Play' }).click();
  const dialog = page.getByRole('dialog', { name: 'Play by itself' });
  await dialog.getByRole('radio', { name: 'Always as long' }).click();
  await dialog.getByLabel('Seconds on a slide').fill('0');
  await expect(dialog.getByText('From 1 to 600')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Play' })).toBeDisabled();
  await dialog.getByLabel('Seconds on a slide').fill('1');
  await dialog.getByLabel(/Again from the start/).check();
  await dialog.getByRole('button', { name: 'Play' }).click();
  // To its ending, and again from the start, where somebody has to choose.
  await expect(slide(page, 'The lamp is lit')).toBeVisible();
  await expect(slide(page, 'The lamp goes out')).toBeVisible();
  await page.waitForTimeout(2500);
  await expect(slide(page, 'The lamp goes out')).toBeVisible();
  // Loaded anew it plays on.
  await page.reload();
  await expect(slide(page, 'The lamp goes out')).toBeVisible();
  await page.getByRole('link', { name: 'Climb the tower' }).click();
  await page.getByRole('link', { name: 'Look first' }).click();
  await expect(slide(page, 'A wire has burnt through')).toBeVisible();
  expect(page.url()).toContain('play=1s');
  await page.goto(`${LAMP}/show?from=copper&play=4s`);
  await expect(slide(page, 'Copper holds')).toBeVisible();
  // The key that stops it does nothing else.
  await page.keyboard.press('ArrowRight');
  await expect.poll(() => page.url()).not.toContain('play=');
  await page.waitForTimeout(4500);
  await expect(slide(page, 'Copper holds')).toBeVisible();
});

test('of several choices the one that is marked is taken by a show that plays by itself', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  const deck = await copyOfLamp(page);
  await page.goto(`${deck}/slide/lamp-out`);
  const mark = page
    .getByRole('toolbar', { name: 'Tray' })
    .getByRole('button', { name: 'Taken by a show that plays by itself' });
  // The last one that is marked is taken: there is one.
  for (const choice of ['Run to the boathouse', 'Climb the tower']) {
    await page.getByRole('button', { name: `Text: ${choice}` }).click();
    await expect(mark).toHaveAttribute('aria-pressed', 'false');
    await mark.click();
    await expect(mark).toHaveAttribute('aria-pressed', 'true');
  }
  await isSaved(page);
  await page.goto(`${deck}/show?from=lamp-out&play=1s`);
  await expect(slide(page, 'Up the tower')).toBeVisible();
  // There nothing is marked: it waits.
  await expect(page.getByText('Waiting for a choice')).toBeAttached();
  await page.waitForTimeout(2500);
  await expect(slide(page, 'Up the tower')).toBeVisible();
});

test('numbers, ends, a black page, small slides and the map lead through a show by keys and mouse', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto(`${LAMP}/show?from=copper`);
  await expect(slide(page, 'Copper holds')).toBeVisible();
  await page.keyboard.press('Home');
  await expect(slide(page, 'The lamp goes out')).toBeVisible();
  await page.keyboard.press('End');
  await expect.poll(() => at(page)).not.toBe('lamp-out');
  const end = at(page);
  await page.keyboard.press('1');
  await expect(page.getByText('1', { exact: true })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect.poll(() => at(page)).not.toBe(end);
  await page.keyboard.type('999');
  await page.keyboard.press('Enter');
  await expect(page.getByText('There is no slide 999.')).toBeVisible();
  const black = page.getByRole('status', { name: /The page is black/ });
  await page.keyboard.press('b');
  await expect(black).toBeVisible();
  const before = at(page);
  await page.keyboard.press('ArrowRight');
  await expect(black).toHaveCount(0);
  expect(at(page)).toBe(before);

  await page.mouse.move(640, 790);
  await page.getByRole('button', { name: 'Slides' }).click();
  await page
    .getByRole('list', { name: 'Slides' })
    .getByRole('button', { name: 'Up the tower' })
    .click();
  await expect(slide(page, 'Up the tower')).toBeVisible();
  await page.getByRole('button', { name: 'Map' }).click();
  const map = page.getByRole('dialog', { name: 'Jump to a slide' });
  await expect(map).toBeVisible();
  // It goes, and the show stays.
  await page.keyboard.press('Escape');
  await expect(map).toHaveCount(0);
  await page.mouse.move(640, 790);
  await page.getByRole('button', { name: 'Map' }).click();
  await map.getByRole('group', { name: 'The boathouse', exact: true }).click();
  await expect(map).toHaveCount(0);
  await expect(slide(page, 'The boathouse')).toBeVisible();
});

test('on a tablet a tap at the edge walks, and one in the middle brings the band', async ({
  browser,
}) => {
  const page = await signIn(
    await someone(browser, { viewport: { width: 1024, height: 768 }, hasTouch: true }),
  );
  await page.goto(`${LAMP}/show?from=copper`);
  await expect(slide(page, 'Copper holds')).toBeVisible();
  await page.touchscreen.tap(1000, 300);
  await expect(slide(page, 'The lamp is lit')).toBeVisible();
  await page.touchscreen.tap(20, 300);
  await expect(slide(page, 'Copper holds')).toBeVisible();
});
