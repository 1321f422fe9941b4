import { expect, type Page } from '@playwright/test';
import {
  boxOf,
  COAUTHOR,
  drag,
  isSaved,
  invite,
  joinAs,
  newDeck,
  PNG,
  signIn,
  someone,
  test,
} from './people';

/** The whole loop: a deck from its first slide to a presented leaf, by a teacher, two students and a big screen. */
test('from an empty map to a leaf on the big screen', async ({ browser }) => {
  const teacher = await signIn(await someone(browser));
  const deckAddress = await test.step('a deck grows on the map', () => growDeck(teacher));
  await test.step('slides are built and walked', () => buildSlide(teacher, deckAddress));
  await test.step('a co-author sees it live', async () => {
    const coauthor = await signIn(await someone(browser), COAUTHOR);
    await invite(teacher, coauthor, COAUTHOR);
    await coauthor.goto(`${deckAddress}/slide`);
    await expect(coauthor.getByRole('button', { name: 'Text: Down to the boat' })).toBeVisible();
    await expect(
      teacher.getByRole('list', { name: 'People here' }).getByRole('img', { name: 'Tomas Maren' }),
    ).toBeVisible();
    await teacher.getByLabel('Notes for you').fill('Only for teachers');
    await teacher.getByLabel('Notes for you').blur();
    await expect(coauthor.getByLabel('Notes for you')).toHaveValue('Only for teachers');
    await coauthor.context().close();
  });

  const code = await test.step('a lesson starts', () => startLesson(teacher));
  const bigScreen = await signIn(await someone(browser));
  await bigScreen.goto(teacher.url().replace('/desk/', '/screen/'));
  await expect(bigScreen.getByText(code)).toBeVisible();
  await expect(bigScreen.getByRole('img', { name: /QR code/ })).toBeVisible();

  const ada = await someone(browser);
  await test.step('a student walks, moves, answers and writes', () => walkAndWork(ada, code));
  const phone = await someone(browser, {
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  });
  await test.step('another does the same on a phone', () => walkOnPhone(phone, code));

  await test.step('the desk has seen it all', async () => {
    await expect(teacher.getByText('2 here')).toBeVisible();
    await expect(teacher.getByText('1 handed in')).toBeVisible();
    const map = teacher.getByRole('region', { name: 'Map of the lesson' });
    await map.getByRole('group', { name: 'The boat', exact: true }).click();
    await expect(teacher.getByText('2 of 2 worked on it')).toBeVisible();
    await expect(teacher.getByRole('row', { name: /Oars/ })).toContainText('1');
    await teacher.getByRole('radio', { name: 'Roll' }).click();
    await expect(teacher.getByRole('row', { name: /Ada Brandt/ })).toContainText('Oars');
    await expect(teacher.getByRole('row', { name: /Ada Brandt/ })).toContainText('right');
    await expect(teacher.getByRole('row', { name: /Bela Tamm/ })).toContainText('1 of 2');
    await teacher
      .getByRole('region', { name: 'Details' })
      .getByRole('button', { name: 'Ada Brandt', exact: true })
      .click();
    await expect(teacher.getByText('handed in', { exact: true })).toBeVisible();
    await expect(teacher.getByText('Gulls over the pier').first()).toBeVisible();
  });

  await test.step('the line-up: the student steps through the leaves, the big screen follows', async () => {
    await teacher.getByRole('button', { name: 'Put in the line-up' }).click();
    await teacher.getByRole('button', { name: 'Line-up · 1' }).click();
    await teacher.getByRole('button', { name: 'Present', exact: true }).click();
    await expect(ada.getByText('You are presenting')).toBeVisible();
    await expect(bigScreen.getByText('Gulls over the pier')).toBeVisible();
    await expect(bigScreen.getByText('Ada Brandt', { exact: true })).toBeVisible();
    await ada.getByRole('button', { name: 'Next leaf' }).click();
    await expect(bigScreen.getByText('Crabs under it')).toBeVisible();
    await ada.getByRole('button', { name: 'Leaf before' }).click();
    await expect(bigScreen.getByText('Gulls over the pier')).toBeVisible();
    await teacher.getByRole('button', { name: 'Stop' }).click();
    await expect(bigScreen.getByText(code)).toBeVisible();
  });
});

async function growDeck(page: Page): Promise<string> {
  await newDeck(page, 'Down to the Boat');
  await page.keyboard.type('The pier');
  await page.keyboard.press('Enter');
  const card = (name: string) => page.getByRole('group', { name, exact: true });
  await expect(card('The pier')).toBeVisible();
  const grow = async (wording: string): Promise<void> => {
    await page.keyboard.press('Tab');
    await expect(page.getByLabel('Wording of the choice')).toBeFocused();
    await page.keyboard.type(wording);
    await page.keyboard.press('Enter');
    await expect(card(wording)).toBeVisible();
  };
  await grow('The boat');
  await page.keyboard.press('Enter');
  await page.getByLabel('Wording of the choice').fill('Home');
  await page.keyboard.press('Enter');
  await expect(card('Home')).toBeVisible();
  await page.getByRole('button', { name: 'Ending' }).click();
  await expect(card('Home').getByText('ending')).toBeVisible();
  // A wire drawn back by hand, from the boat's edge to the pier.
  await card('The boat').click();
  await drag(page, page.getByLabel('Draw a link from The boat'), card('The pier'), {
    x: 0.3,
    y: 0.5,
  });
  await page.getByLabel('Wording of the choice').fill('Back to the pier');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Back to the pier', { exact: true }).first()).toBeVisible();
  // A slide that is open for leaves.
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'New slide' }).click();
  await page.getByLabel('Name of the slide').fill('My page');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Open for leaves' }).click();
  await expect(card('My page').getByText('leaves')).toBeVisible();
  await isSaved(page);
  return new URL(page.url()).pathname.replace('/map', '');
}

async function buildSlide(page: Page, deckAddress: string): Promise<void> {
  await page.goto(`${deckAddress}/slide`);
  const stage = page.getByRole('group', { name: 'Stage: The pier' });
  const thing = (name: string | RegExp) => page.getByRole('button', { name });
  const tray = page.getByRole('toolbar', { name: 'Tray' });
  const add = (what: string) => tray.getByRole('button', { name: what, exact: true }).click();

  // Text, typed in place.
  await add('Text');
  await page.getByRole('textbox', { name: 'Text' }).pressSequentially('Down to the boat');
  await page.keyboard.press('Escape');
  await expect(thing('Text: Down to the boat')).toBeVisible();
  // A word in it leads somewhere, picked from thumbnails.
  await thing('Text: Down to the boat').dblclick();
  await page.keyboard.press('End');
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowLeft');
  await page.getByRole('button', { name: 'Link the marked words' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'The boat' }).click();
  await page.keyboard.press('Escape');
  const waysOut = page.getByRole('region', { name: 'Ways out' });
  await expect(waysOut.getByRole('button', { name: 'boat: The boat', exact: true })).toBeVisible();
  // A shape that leads home.
  await add('Shape');
  await page.getByRole('button', { name: 'Rounded', exact: true }).click();
  await page.getByRole('button', { name: 'Lead to …' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Home' }).click();
  await expect(waysOut.getByRole('button', { name: /: Home$/ })).toHaveCount(2);
  // A picture on the background, which then cannot be touched from the content layer.
  await page.getByRole('radio', { name: /Background/ }).click();
  await add('Picture');
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'sea.png', mimeType: 'image/png', buffer: PNG });
  await expect(stage.getByRole('button', { name: 'Picture' })).toHaveCount(1);
  await page.getByRole('radio', { name: 'Content' }).click();
  await expect(stage.getByRole('button', { name: 'Picture' })).toHaveCount(0);
  // A file that is no picture says so and changes nothing.
  await add('Picture');
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'sea.png', mimeType: 'image/png', buffer: Buffer.from('no') });
  await expect(page.getByText('This file is no picture that can be shown.')).toBeVisible();

  // Walk to a neighbour; there two pieces, a zone, a question with a key.
  await waysOut.getByRole('button', { name: 'The boat: The boat', exact: true }).click();
  await expect(page.getByRole('group', { name: 'Stage: The boat' })).toBeVisible();
  for (const [name, x] of [
    ['oar', 0.14],
    ['rope', 0.34],
  ] as const) {
    await add('Piece');
    const typing = page.getByRole('textbox', { name: /Piece/ });
    await typing.press('ControlOrMeta+a');
    await typing.pressSequentially(name);
    await page.keyboard.press('Escape');
    await drag(
      page,
      thing(`Piece: ${name}`),
      page.getByRole('group', { name: 'Stage: The boat' }),
      { x, y: 0.9 },
    );
  }
  await add('Zone');
  await page.getByLabel('Name', { exact: true }).fill('the hull');
  await page.getByLabel('Name', { exact: true }).press('Enter');
  await drag(page, thing('Zone: the hull'), page.getByRole('group', { name: 'Stage: The boat' }), {
    x: 0.78,
    y: 0.85,
  });
  await add('Question');
  await page.getByRole('button', { name: 'Choice', exact: true }).click();
  await page.getByRole('button', { name: 'Options and key' }).click();
  await page.getByLabel('Prompt').fill('What does she need?');
  await page.getByLabel('Option 1', { exact: true }).fill('Oars');
  await page.getByLabel('Option 2', { exact: true }).fill('Luck');
  await page.getByLabel('Option 1 is right').check();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await drag(
    page,
    thing('Question: What does she need?'),
    page.getByRole('group', { name: 'Stage: The boat' }),
    { x: 0.74, y: 0.42 },
  );

  // Undo and redo, all of it and back.
  const undo = page.getByRole('button', { name: 'Undo' });
  const redo = page.getByRole('button', { name: 'Redo' });
  while (await undo.isEnabled()) await undo.click();
  await expect(thing(/^(Question|Zone|Piece): /)).toHaveCount(0);
  while (await redo.isEnabled()) await redo.click();
  await expect(thing('Question: What does she need?')).toBeVisible();
  await isSaved(page);
  await page.reload();
  for (const name of [
    'Piece: oar',
    'Piece: rope',
    'Zone: the hull',
    'Question: What does she need?',
  ]) {
    await expect(thing(name)).toBeVisible();
  }
  await page.getByRole('region', { name: 'Ways in' }).getByRole('button').first().click();
  await expect(stage).toBeVisible();
  await expect(thing('Text: Down to the boat')).toBeVisible();
}

async function startLesson(page: Page): Promise<string> {
  await page.getByRole('link', { name: 'Lessons' }).click();
  await page.getByRole('button', { name: 'Start a lesson' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  const button = page.getByRole('button', { name: /Join code/ });
  await expect(button).toBeVisible();
  return /Join code ([A-Z]+ \d{3})/.exec((await button.getAttribute('aria-label')) ?? '')![1]!;
}

async function walkAndWork(page: Page, code: string): Promise<void> {
  await page.goto('/join');
  await page.getByLabel('Join code').fill('TERN 999');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('alert')).toContainText('No lesson is running under TERN 999');
  await joinAs(page, code, 'Ada Brandt');
  await expect(page.getByRole('group', { name: 'The pier' })).toBeVisible();
  // Scenery cannot be grabbed: nothing on the slide can, here.
  await expect(page.getByRole('button', { name: /^Piece/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'boat', exact: true }).click();
  await expect(page.getByRole('group', { name: 'The boat' })).toBeVisible();
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(page.getByRole('group', { name: 'The pier' })).toBeVisible();
  await page.getByRole('link', { name: 'The boat' }).click();
  const oar = page.getByRole('button', { name: 'Piece: oar' });
  const slide = page.getByRole('group', { name: 'The boat' });
  await drag(page, oar, slide, { x: 0.78, y: 0.85 });
  const rope = page.getByRole('button', { name: 'Piece: rope' });
  const before = await boxOf(rope);
  await rope.focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => (await rope.boundingBox())!.x).toBeGreaterThan(before.x + 5);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Put into the hull' }).press('Enter');
  await page.getByRole('radio', { name: 'Oars' }).check();
  await isSaved(page);
  const placed = await boxOf(oar);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Oars' })).toBeChecked();
  expect(await boxOf(oar)).toEqual(placed);

  for (const [title, words] of [
    ['Gulls over the pier', 'I counted nine.'],
    ['Crabs under it', 'Two.'],
  ] as const) {
    await page.getByRole('button', { name: /My leaves|All leaves/ }).click();
    await page.getByRole('button', { name: 'Add a leaf: My page' }).click();
    for (const text of [title, words]) {
      await page.getByRole('button', { name: 'Text, empty' }).first().dblclick();
      await page.getByRole('textbox', { name: 'Text, empty' }).pressSequentially(text);
      await page.keyboard.press('Escape');
      await expect(page.getByRole('button', { name: `Text: ${text}` })).toBeVisible();
    }
    if (title.startsWith('Gulls')) {
      await page
        .getByLabel('Picture for the leaf')
        .setInputFiles({ name: 'gull.png', mimeType: 'image/png', buffer: PNG });
      await expect(
        page.getByRole('group', { name: /^Stage/ }).getByRole('button', { name: 'Picture' }),
      ).toBeVisible();
    }
  }
  await isSaved(page);
  await page.getByRole('button', { name: 'Hand in' }).click();
  await page.getByRole('button', { name: 'Hand in now' }).click();
  await expect(page.getByText('Handed in. You can look')).toBeVisible();
}

async function walkOnPhone(page: Page, code: string): Promise<void> {
  await joinAs(page, code.toLowerCase().replace(' ', ''), 'Bela Tamm');
  await expect(page.getByRole('heading', { name: 'The pier' })).toBeVisible();
  await page.getByRole('button', { name: 'The boat', exact: true }).tap();
  await expect(page.getByRole('heading', { name: 'The boat' })).toBeVisible();
  await page.getByRole('button', { name: 'oar', exact: true }).tap();
  await page.getByRole('button', { name: 'Put into the hull' }).last().tap();
  await page.getByText('Luck').tap();
  await expect(page.getByRole('radio', { name: 'Luck' })).toBeChecked();
  const size = await page
    .getByText('Luck')
    .evaluate((element) => parseFloat(getComputedStyle(element).fontSize));
  expect(size).toBeGreaterThanOrEqual(15);
  await page.getByRole('button', { name: 'My leaves' }).tap();
  await page.getByRole('button', { name: 'Add a leaf: My page' }).tap();
  await page.getByRole('textbox', { name: 'Title' }).fill('From my phone');
  await isSaved(page);
  await page.getByRole('button', { name: 'To the slide' }).tap();
  await page.getByRole('button', { name: 'Back', exact: true }).tap();
  await expect(page.getByRole('heading', { name: 'The pier' })).toBeVisible();
}
