import { expect, type Page } from '@playwright/test';
import { boxOf, isSaved, joinAs, newDeck, signIn, someone, test } from './people';

/** Puts a question of a kind on the slide and opens what it is made of. */
async function addQuestion(page: Page, kind: string): Promise<void> {
  const tray = page.getByRole('toolbar', { name: 'Tray' });
  await tray.getByRole('button', { name: 'Question', exact: true }).click();
  await page.getByRole('button', { name: kind, exact: true }).click();
  await tray.getByRole('button', { name: 'Answer and key' }).click();
}
const keep = (page: Page): Promise<void> =>
  page.getByRole('button', { name: 'Done', exact: true }).click();

test('a word, a number and a value on a scale are asked, answered by mouse, keyboard and finger, and seen on the desk', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  await newDeck(ines, 'Asked');
  await ines.keyboard.type('Three questions');
  await ines.keyboard.press('Enter');
  await ines.getByRole('link', { name: 'Slide', exact: true }).click();

  await addQuestion(ines, 'Text entry');
  await ines.getByLabel('Prompt').fill('Which metal?');
  await ines.getByLabel('Right answers, one on each line').fill('copper\ncopper wire');
  // All of it is kept as it is typed: Escape throws nothing away.
  await ines.keyboard.press('Escape');
  await ines
    .getByRole('toolbar', { name: 'Tray' })
    .getByRole('button', { name: 'Answer and key' })
    .click();
  await expect(ines.getByLabel('Right answers, one on each line')).toHaveValue(
    'copper\ncopper wire',
  );
  await keep(ines);
  await addQuestion(ines, 'Number');
  await ines.getByLabel('Prompt').fill('How far is a cable?');
  await ines.getByLabel('Right', { exact: true }).fill('a few');
  await expect(ines.getByRole('status', { name: 'Kept' })).toContainText(
    'What is right cannot be read',
  );
  // Escape does not leave that behind without a word; what made a question before is kept.
  await ines.keyboard.press('Escape');
  await expect(ines.getByText(/Close once more/)).toBeVisible();
  await ines.getByLabel('Right', { exact: true }).fill('185,2 ± 1 %');
  await ines.getByLabel('Unit').fill('m');
  await keep(ines);
  await addQuestion(ines, 'Slider');
  await ines.getByLabel('Prompt').fill('How sure are you now?');
  await ines.getByLabel('Step').fill('0');
  await expect(ines.getByRole('status', { name: 'Kept' })).toContainText(
    'The step is larger than nothing',
  );
  await ines.getByLabel('Step').fill('1');
  await keep(ines);
  await isSaved(ines);
  await ines.getByRole('link', { name: 'Lessons' }).click();
  await ines.getByRole('button', { name: 'Start a lesson' }).click();
  await ines.getByRole('button', { name: 'Start', exact: true }).click();
  const label = await ines.getByRole('button', { name: /Join code/ }).getAttribute('aria-label');
  const code = /Join code (.*):/.exec(label ?? '')![1]!;

  // By mouse and typing.
  const mona = await someone(browser);
  await joinAs(mona, code, 'Mona');
  await mona.getByRole('textbox', { name: 'Your answer', exact: true }).fill(' Copper ');
  const metres = mona.getByRole('textbox', { name: 'Your answer in m' });
  await metres.fill('about 200');
  await expect(mona.getByText(/it is no number yet/)).toBeVisible();
  await metres.fill('185 m');
  await expect(mona.getByText(/it is no number yet/)).toHaveCount(0);
  const scale = mona.getByRole('slider', { name: 'Your answer' });
  const bar = await boxOf(scale);
  await mona.mouse.click(bar.x + bar.width - 6, bar.y + bar.height / 2);
  await expect(mona.getByText('10', { exact: true }).first()).toBeVisible();
  await isAnswered(mona);

  // By keyboard alone.
  const karl = await someone(browser);
  await joinAs(karl, code, 'Karl');
  await karl.getByRole('textbox', { name: 'Your answer', exact: true }).focus();
  await karl.keyboard.type('string');
  await karl.keyboard.press('Tab');
  await karl.keyboard.type('3/2');
  await karl.keyboard.press('Tab');
  for (let i = 0; i < 2; i++) await karl.keyboard.press('ArrowLeft');
  await expect(karl.getByText('3', { exact: true }).first()).toBeVisible();
  await isAnswered(karl);

  // On a phone, with the finger.
  const tove = await someone(browser, {
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  });
  await joinAs(tove, code, 'Tove');
  await tove.getByRole('textbox', { name: 'Your answer', exact: true }).fill('COPPER');
  await tove.getByRole('textbox', { name: 'Your answer in m' }).fill('186');
  const slider = await boxOf(tove.getByRole('slider', { name: 'Your answer' }));
  await tove.touchscreen.tap(slider.x + 8, slider.y + slider.height / 2);
  await expect(tove.getByText('0', { exact: true }).first()).toBeVisible();
  await isAnswered(tove);

  // The answers are still there after coming back.
  await mona.reload();
  await expect(mona.getByRole('textbox', { name: 'Your answer in m' })).toHaveValue('185 m');

  await ines
    .getByRole('region', { name: 'Map of the lesson' })
    .getByRole('group', { name: 'Three questions', exact: true })
    .click();
  const details = ines.getByRole('region', { name: 'Details' });
  const words = details.getByRole('table', { name: 'What was written' });
  await expect(words.getByRole('row', { name: /copper key 2/i })).toBeVisible();
  await expect(words.getByRole('row', { name: /string 1/ })).toBeVisible();
  await expect(details.getByText(/Median 185 m/)).toBeVisible();
  await expect(details.getByText(/Median 3/)).toBeVisible();
});

/** Everything that was answered is on the server's disk. */
const isAnswered = (page: Page): Promise<void> =>
  expect(page.getByText(/saved/).first()).toBeVisible();
