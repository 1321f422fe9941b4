import { expect, type Page } from '@playwright/test';
import { cp, mkdtemp, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from './ownServer';
import { isSaved, joinToKeep, newDeck, signIn, someone, startLesson } from './people';

const BUILT = join(import.meta.dirname, '../apps/web/dist');

/**
 * What another build would be: the page has changed, and so have the parts that are fetched when they are needed; those
 * of the old version are there no more.
 */
async function newerVersion(): Promise<string> {
  const web = await mkdtemp(join(tmpdir(), 'gobrel-newer-'));
  await cp(BUILT, web, { recursive: true });
  const statics = join(web, 'static');
  for (const dir of [web, statics]) {
    for (const name of await readdir(dir)) {
      if (/\.(gz|br)$/.test(name)) await rm(join(dir, name));
    }
  }
  // Named by their contents, of which they name each other: where one changes, all do.
  const scripts = (await readdir(statics)).filter((name) => name.endsWith('.js'));
  for (const name of scripts) await rename(join(statics, name), join(statics, newName(name)));
  const asking = scripts.map((name) => join(statics, newName(name)));
  for (const path of [...asking, join(web, 'serviceWorker.js'), join(web, 'index.html')]) {
    let text = await readFile(path, 'utf8');
    for (const name of scripts) text = text.replaceAll(name, newName(name));
    await writeFile(
      path,
      text
        .replace(/"revision":"[^"]*"(?=,"url":"index\.html")/, '"revision":"newer"')
        .replace('<head>', '<head><meta name="version" content="newer">'),
    );
  }
  return web;
}

const newName = (name: string): string => name.replace(/\.js$/, '0.js');

const isNewer = (page: Page): Promise<boolean> =>
  page.evaluate(() => document.querySelector('meta[name=version]') !== null);

test('a new version is taken over: no page goes white, no word is lost', async ({
  browser,
  own,
}) => {
  // All files of a version are fetched one after another: on a busy machine that takes its time.
  test.slow();
  const newer = await newerVersion();
  const { baseURL } = own;
  const ines = await signIn(await someone(browser, { baseURL }));
  const { code } = await startLesson(ines);
  const mona = await joinToKeep(browser, baseURL, code, 'Mona');
  // A second teacher whose browser keeps nothing: what is gone on the server is gone for this page.
  const tomas = await signIn(await someone(browser, { baseURL }));
  await newDeck(tomas, 'Begun before');
  await tomas.keyboard.type('The fog');
  await tomas.keyboard.press('Enter');
  for (const way of ['Run to the boathouse', 'Row out', 'North of the reef']) {
    await mona.getByRole('link', { name: way, exact: true }).click();
  }
  const metres = mona.getByRole('textbox', { name: 'Your answer in m' });
  await metres.fill('27');
  await isSaved(mona);

  await own.kill();
  await metres.press('End');
  await mona.keyboard.type('7');
  await own.start(newer);

  // Whoever is in the middle of something goes on with what was opened, also with parts not yet fetched.
  await isSaved(mona);
  await mona.getByRole('button', { name: 'My leaves' }).click();
  await mona.getByRole('button', { name: /^Add a leaf/ }).click();
  await isSaved(mona);
  expect(await isNewer(mona)).toBe(false);

  // Opened again, the new version is fetched beside the old one, and taken at the latest when it is opened once more.
  // A device so slow that it takes it late leaves the page alone, and takes it the next time.
  await expect(async () => {
    await mona.reload();
    await expect.poll(() => isNewer(mona).catch(() => false), { timeout: 15_000 }).toBe(true);
  }).toPass({ timeout: 240_000 });
  await isSaved(mona);
  await expect(metres).toHaveValue('277');

  // Nothing was kept for him: a part of the old version is gone, the rest goes on, and loading anew mends it.
  await isSaved(tomas);
  await tomas.mouse.click(1000, 150);
  await tomas.getByRole('button', { name: 'From a starter' }).click();
  await expect(tomas.getByRole('alert')).toContainText('could not be fetched');
  await expect(tomas.getByRole('group', { name: 'The fog', exact: true })).toBeVisible();
  await tomas.getByRole('button', { name: 'Load the page anew' }).click();
  await expect.poll(() => isNewer(tomas).catch(() => false)).toBe(true);
  await expect(tomas.getByRole('group', { name: 'The fog', exact: true })).toBeVisible();
  await tomas.mouse.click(1000, 150);
  await tomas.getByRole('button', { name: 'From a starter' }).click();
  await expect(tomas.getByRole('dialog').getByRole('button', { name: /Pick all/ })).toBeVisible();
  await rm(newer, { recursive: true });
});
