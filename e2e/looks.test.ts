import { expect, type Page } from '@playwright/test';
import { openSlide, stageOf, trayOf, undo } from './onTheStage';
import { isSaved, joinAs, newDeck, signIn, someone, startLesson, test } from './people';

const scenery = (page: Page) => stageOf(page).locator('svg[data-scenery]').first();
const themes = (page: Page) => page.getByRole('group', { name: 'Themes' });

test('theme, side and scenery change at once for everybody; a slide departs and comes back; undo takes each back', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await openSlide(page, 'In other colours');
  await expect(scenery(page)).toHaveAttribute('data-scenery', 'full');
  const other = await page.context().newPage();
  await other.goto(page.url());
  await expect(scenery(other)).toBeVisible();

  const theme = trayOf(page).getByRole('button', { name: /^Theme/ });
  await stageOf(page).click({ position: { x: 4, y: 4 } });
  await theme.click();
  await themes(page).getByRole('button', { name: 'Harbour' }).click();
  await expect(themes(page).getByRole('button', { name: 'Harbour' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  const sky = scenery(page).locator('stop').first();
  await expect(sky).toHaveAttribute('stop-color', '#F7DDB4');
  await expect(scenery(other).locator('stop').first()).toHaveAttribute('stop-color', '#F7DDB4');
  await page.getByRole('radio', { name: 'Dark' }).click();
  await expect(sky).toHaveAttribute('stop-color', '#1B2038');
  await page.getByRole('radio', { name: 'Quiet' }).click();
  await expect(scenery(page)).toHaveAttribute('data-scenery', 'quiet');
  await page.getByRole('radio', { name: 'None' }).click();
  await expect(scenery(page)).toHaveCount(0);
  await page.getByRole('radio', { name: 'This slide' }).click();
  await themes(page).getByRole('button', { name: 'Meadow' }).click();
  await page.getByRole('radio', { name: 'Full' }).click();
  await expect(scenery(page)).toHaveAttribute('data-scenery', 'full');
  await isSaved(page);
  await page.reload();
  await expect(theme).toHaveAccessibleName('Theme: Meadow');
  await theme.click();
  await page.getByRole('button', { name: 'As the deck again' }).click();
  await page.keyboard.press('Escape');
  await expect(theme).toHaveAccessibleName('Theme: Harbour');
  await undo(page).click();
  await expect(theme).toHaveAccessibleName('Theme: Meadow');
});

test('a written plan is a deck in one step; a file without one, and an empty plan, are told', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto('/new');
  await page.getByLabel('A file with a written plan').setInputFiles({
    name: 'notes.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('Nothing that is a list.'),
  });
  await expect(page.getByRole('alert')).toContainText('holds no written plan');
  await page.getByLabel('A file with a written plan').setInputFiles({
    name: 'Fog.md',
    mimeType: 'text/markdown',
    buffer: Buffer.from('- The pier: Fog.\n  - Wait: **Home** (ending)\n'),
  });
  const form = page.getByRole('dialog');
  await expect(form.getByLabel('Name')).toHaveValue('Fog');
  await form.getByRole('button', { name: 'Begin' }).click();
  const map = page.getByRole('application', { name: 'Map of the deck' });
  await expect(map.getByRole('group', { name: 'Home', exact: true })).toBeVisible();
});

test('letters that no family has are there wherever they are written, and fetched by nobody else', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  const loaded = (at: Page): Promise<string[]> =>
    at.evaluate(() =>
      [...document.fonts]
        .filter(({ status }) => status === 'loaded')
        .map(({ family }) => family.replaceAll('"', '')),
    );
  const FAR = /^Noto (Sans (Thai|JP|SC|KR)|Emoji)/;
  await newDeck(page, 'The lamp');
  await expect.poll(() => loaded(page)).toContain('Atkinson Hyperlegible Next Variable');
  expect((await loaded(page)).filter((family) => FAR.test(family))).toEqual([]);
  await page.getByRole('button', { name: 'Written plan' }).click();
  await page
    .getByRole('textbox', { name: 'Written plan' })
    .fill(
      [
        '- The lamp: 今天的海很安静。',
        '  - ไปที่ท่าเรือ: **등대** 바다가 조용합니다. (ending)',
        '  - Fish 🐟: **这里とここ** 火をともします。 (ending)',
      ].join('\n'),
    );
  await expect(page.getByText('Says what the map says.')).toBeVisible();
  for (const family of ['Sans Thai', 'Sans JP', 'Sans SC', 'Sans KR', 'Emoji']) {
    await expect.poll(() => loaded(page)).toContain(`Noto ${family} Variable`);
  }
  await isSaved(page);
  const { code } = await startLesson(page, { deck: new URL(page.url()).pathname });
  const ada = await someone(browser);
  await joinAs(ada, code, 'Ada');
  await expect(ada.getByRole('link', { name: 'Fish 🐟' })).toBeVisible();
  await expect.poll(() => loaded(ada)).toContain('Noto Sans Thai Variable');
});

test('each of our beginnings is found, walked to an ending, taken, and has nothing to mend', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  const page = await signIn(await someone(browser));
  await page.goto('/new');
  const cards = page.getByRole('main').getByRole('listitem').getByRole('button');
  await expect(cards.first()).toBeVisible();
  const names = await cards.getByRole('heading').allInnerTexts();
  expect(names.length).toBeGreaterThanOrEqual(14);
  for (const name of names) {
    await page.goto('/new');
    await page.getByLabel('Find a beginning').fill(name);
    await cards.filter({ has: page.getByRole('heading', { name, exact: true }) }).click();
    const sheet = page.getByRole('dialog', { name });
    const taken = new Set<string>();
    for (let step = 0; step < 20; step += 1) {
      if (await sheet.getByText(/^An ending/).isVisible()) break;
      // The last choice that has not been taken: it leads on where others lead back.
      const choices = await sheet.getByRole('link').allInnerTexts();
      const at = choices.findLastIndex((choice) => !taken.has(choice));
      taken.add(choices[at]!);
      await sheet.getByRole('link').nth(at).click();
    }
    await expect(sheet.getByText(/^An ending/)).toBeVisible();
    await sheet.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(page.getByRole('application', { name: 'Map of the deck' })).toBeVisible();
    await page.getByRole('link', { name: /^Check/ }).click();
    await expect(page.getByRole('heading', { name: 'Nothing to mend' })).toBeVisible();
  }
});

test('a new deck begins as a copy of one of one’s own', async ({ browser }) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'High water');
  await page.goto('/new');
  await page.getByRole('button', { name: 'Like one of mine …' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^High water/ })
    .click();
  await expect(page.getByText('High water (copy)')).toBeVisible();
});

test('a theme of one’s own: made out of ours, repaired while it changes, out of a picture, kept for another deck', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await openSlide(page, 'School colours');
  const theme = trayOf(page).getByRole('button', { name: /^Theme/ });
  await stageOf(page).click({ position: { x: 4, y: 4 } });
  await theme.click();
  await page.getByRole('button', { name: 'Make your own out of Paper' }).click();
  await expect(theme).toHaveAccessibleName('Theme: Paper, changed');
  const well = (name: string) => page.getByLabel(name, { exact: true });
  await well('Paper').fill('#123456');
  await expect(scenery(page).locator('stop').first()).toHaveAttribute('stop-color', '#123456');
  await expect(page.getByText(/Changed so that words can be read: words, titles/)).toBeVisible();
  await expect
    .poll(async () => parseInt((await well('Words').inputValue()).slice(1, 3), 16))
    .toBeGreaterThan(150);

  const name = page.getByLabel('Name', { exact: true });
  await name.fill('Petrel blue');
  await expect(theme).toHaveAccessibleName('Theme: Petrel blue');
  await page.getByLabel('Drawing', { exact: true }).selectOption('hills');
  await page.getByLabel('Choices as').selectOption('pill');
  await page.getByLabel('Picture with the colours').setInputFiles({
    name: 'flag.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40"><rect width="60" height="40" fill="#fff"/><rect width="30" height="40" fill="#7a1fa2"/></svg>',
    ),
  });
  await expect(well('Paper')).not.toHaveValue('#123456');
  const paper = await well('Paper').inputValue();
  await page.getByLabel('Picture with the colours').setInputFiles({
    name: 'notes.png',
    mimeType: 'image/png',
    buffer: Buffer.from('no picture at all'),
  });
  await expect(page.getByText(/This is no picture/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep for other decks' }).click();
  await expect(page.getByText(/there for your other decks/)).toBeVisible();
  await isSaved(page);
  await page.reload();
  await expect(theme).toHaveAccessibleName('Theme: Petrel blue');

  await page.goto('/');
  await openSlide(page, 'Another deck');
  await stageOf(page).click({ position: { x: 4, y: 4 } });
  await theme.click();
  await page
    .getByRole('region', { name: 'Kept by you' })
    .getByRole('button', { name: 'Petrel blue' })
    .click();
  await expect(theme).toHaveAccessibleName('Theme: Petrel blue');
  await expect(scenery(page).locator('stop').first()).toHaveAttribute(
    'stop-color',
    new RegExp(paper, 'i'),
  );
  await page.getByRole('button', { name: 'Change Petrel blue' }).click();
  await page.getByRole('button', { name: 'Take it out of this deck' }).click();
  await expect(theme).toHaveAccessibleName('Theme: Paper');
  await undo(page).click();
  await expect(theme).toHaveAccessibleName('Theme: Petrel blue');
});

test('a layout of one’s own: made out of a slide, given to another, changed once for both, a part of it hidden', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  const made = await page.context().request.post('/api/decks', {
    data: {
      title: 'Log book',
      plan: '- Monday\n  Low tide at nine.\n  - Tuesday\n    Fog until noon.',
    },
  });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`/deck/${id}/slide`);
  const nothingInHand = () => stageOf(page).click({ position: { x: 4, y: 4 } });
  const layout = trayOf(page).getByRole('button', { name: /^Layout/ });
  const text = (words: string) => stageOf(page).getByRole('button', { name: words });
  const leftOf = async (words: string) => Math.round((await text(words).boundingBox())!.x);

  await nothingInHand();
  await layout.click();
  await page.getByRole('button', { name: /Keep how this slide is laid/ }).click();
  await page.getByLabel('Name', { exact: true }).fill('Log page');
  await expect(layout).toHaveAccessibleName('Layout: Log page');
  await page.keyboard.press('Escape');
  await text('Low tide at nine.').click();
  for (let at = 0; at < 6; at += 1) await page.keyboard.press('Shift+ArrowRight');
  const left = await leftOf('Low tide at nine.');
  await nothingInHand();
  await layout.click();
  await page.getByRole('button', { name: 'Lay it anew as this slide' }).click();
  await expect(page.getByText('No other slide has it yet.')).toBeVisible();
  await isSaved(page);

  await page.getByRole('button', { name: 'Tuesday: Tuesday' }).click();
  await expect(page.getByRole('group', { name: 'Stage: Tuesday' })).toBeVisible();
  await nothingInHand();
  await layout.click();
  await page
    .getByRole('group', { name: 'Own layouts' })
    .getByRole('button', { name: 'Log page' })
    .click();
  await page.keyboard.press('Escape');
  await expect.poll(() => leftOf('Fog until noon.')).toBe(left);
  await layout.click();
  await page
    .getByRole('region', { name: 'This layout' })
    .getByRole('checkbox', { name: 'title' })
    .uncheck();
  await page.keyboard.press('Escape');
  await expect(stageOf(page).getByText('Tuesday')).not.toBeInViewport();
  await isSaved(page);
  await page.reload();
  await expect(layout).toHaveAccessibleName('Layout: Log page');

  // An empty place says what it is for.
  await text('Fog until noon.').click();
  await page.keyboard.press('Delete');
  await nothingInHand();
  await layout.click();
  await page.getByText('What empty places say').click();
  await page.getByRole('textbox', { name: 'text', exact: true }).fill('What did the sea do?');
  await page.getByRole('button', { name: 'Put this slide back into it' }).click();
  await page.keyboard.press('Escape');
  await expect(stageOf(page).getByText('What did the sea do?')).toBeVisible();
  await isSaved(page);
  await page.reload();
  await expect(stageOf(page).getByText('What did the sea do?')).toBeVisible();

  // It says so on the leaves that students make from the slide.
  await page.goto(`/deck/${id}/map`);
  await page.getByRole('group', { name: 'Tuesday', exact: true }).click();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Open for leaves' }).click();
  await isSaved(page);
  const { code } = await startLesson(page, { deck: `/deck/${id}` });
  const mona = await someone(browser, { viewport: { width: 390, height: 844 }, hasTouch: true });
  await joinAs(mona, code, 'Mona');
  await mona.getByRole('button', { name: 'My leaves' }).tap();
  await mona.getByRole('button', { name: 'Add a leaf: Tuesday' }).tap();
  await expect(mona.getByPlaceholder('What did the sea do?')).toBeVisible();
  await expect(mona.getByText('What did the sea do?')).toBeVisible();
  await mona.getByPlaceholder('What did the sea do?').fill('It came up to the wall.');
  await expect(mona.getByText('What did the sea do?')).toHaveCount(0);
});
