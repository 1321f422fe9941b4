import AxeBuilder from '@axe-core/playwright';
import { expect, type Browser, type Locator, type Page } from '@playwright/test';
import { COAUTHOR, invite, newDeck, signIn, someone } from './people';

/** A new deck with one slide, opened in the slide editor. */
export async function openSlide(page: Page, name: string): Promise<void> {
  await newDeck(page, name);
  await page.keyboard.type('The bay');
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: 'Slide', exact: true }).click();
  await expect(stageOf(page)).toBeVisible();
}

/** Two teachers on the one slide of a new deck that they share. */
export async function twoOnSlide(
  browser: Browser,
  name: string,
  options: Parameters<typeof someone>[1] = {},
): Promise<{ ines: Page; tomas: Page }> {
  const [ines, tomas] = await Promise.all([
    someone(browser, options).then((page) => signIn(page)),
    someone(browser).then((page) => signIn(page, COAUTHOR)),
  ]);
  await openSlide(ines, name);
  await invite(ines, tomas, COAUTHOR);
  await tomas.goto(ines.url());
  await expect(stageOf(tomas)).toBeVisible();
  return { ines, tomas };
}

export const stageOf = (page: Page): Locator => page.getByRole('group', { name: /^Stage: / });
export const trayOf = (page: Page): Locator => page.getByRole('toolbar', { name: 'Tray' });
export const add = (page: Page, what: string): Promise<void> =>
  trayOf(page).getByRole('button', { name: what, exact: true }).click();
export const thing = (page: Page, name: string | RegExp): Locator =>
  stageOf(page).getByRole('button', { name });
export const undo = (page: Page): Locator => page.getByRole('button', { name: 'Undo' });

export async function seriousFindings(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes[0]?.html ?? ''}`);
}

/** The numbers of what is selected, as the tray tells them. */
export async function numbers(page: Page): Promise<Record<string, number>> {
  await trayOf(page).getByRole('button', { name: 'Arrange' }).click();
  const read: Record<string, number> = {};
  for (const label of ['Left', 'Top', 'Width', 'Height']) {
    read[label] = Number(await page.getByLabel(label, { exact: true }).inputValue());
  }
  await page.keyboard.press('Escape');
  return read;
}

/** Half a second of a low tone: WAV, one channel, 8 kHz, 8 bit. */
export function horn(): Buffer {
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
