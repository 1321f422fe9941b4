import { expect, type Page } from '@playwright/test';
import { add, openSlide, seriousFindings, stageOf, thing, trayOf, undo } from './onTheStage';
import { boxOf, isSaved, joinAs, signIn, someone, startLesson, test } from './people';

const deckOf = (page: Page): string => /\/deck\/[^/]+/.exec(new URL(page.url()).pathname)![0];

test('a formula is typed, drawn, read aloud, taken back, and shown to a class', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  await openSlide(ines, 'Sums');
  await add(ines, 'Formula');
  const formula = thing(ines, /^Formula: /);
  await expect(formula).toHaveAccessibleName('Formula: a squared plus b squared equals c squared');
  const tex = trayOf(ines).getByLabel('LaTeX');
  await tex.fill('x = \\frac{b}{2}');
  await expect(thing(ines, 'Formula: x equals b over 2')).toBeVisible();
  // Drawn within its box, as large as it fits.
  // What is read aloud stands in what is drawn.
  const math = stageOf(ines).getByRole('math');
  const [drawn, box] = [math.locator('xpath=ancestor::span[2]'), formula];
  const isDrawnIn = async (): Promise<boolean> => {
    const [inner, outer] = [(await drawn.boundingBox())!, (await box.boundingBox())!];
    const isIn = inner.y >= outer.y - 2 && inner.y + inner.height <= outer.y + outer.height + 2;
    return isIn && inner.height > outer.height * 0.7;
  };
  await expect.poll(isDrawnIn).toBe(true);
  await expect(math).toHaveCount(1);

  // A sign goes where the caret was.
  await tex.focus();
  await tex.evaluate((field: HTMLInputElement) => field.setSelectionRange(4, 4));
  await trayOf(ines).getByRole('button', { name: 'Signs' }).click();
  await ines.getByRole('group', { name: 'Signs' }).getByRole('button', { name: 'π' }).click();
  await ines.keyboard.press('Escape');
  await expect(tex).toHaveValue('x = \\pi \\frac{b}{2}');
  await undo(ines).click();
  await expect(tex).toHaveValue('x = \\frac{b}{2}');

  // What cannot be read is said, and stays as it was typed; when it can be read again it is as large as before.
  await expect.poll(isDrawnIn).toBe(true);
  const before = await boxOf(formula);
  await tex.fill(`\\frac{${'1'.repeat(90)}`);
  await tex.fill('x = \\frac{b}{2}');
  await expect.poll(async () => (await formula.boundingBox())!.width).toBeCloseTo(before.width, 0);
  await tex.fill('\\frac{1');
  await trayOf(ines).getByRole('button', { name: 'Cannot be read yet' }).click();
  await expect(ines.getByRole('note')).toContainText('Unexpected end of input');
  await ines.keyboard.press('Escape');
  await tex.fill('E = mc^2');
  await trayOf(ines)
    .getByRole('button', { name: /^Read aloud/ })
    .click();
  await ines.getByLabel('In other words').fill('Energy is mass times the speed of light squared');
  await ines.keyboard.press('Escape');
  await expect(thing(ines, /^Formula: Energy is mass/)).toBeVisible();

  // Among the words of a question and its options as well.
  await add(ines, 'Question');
  await ines.getByRole('group', { name: 'Kinds of question' }).getByText('Choice').click();
  await trayOf(ines).getByRole('button', { name: 'Options and key' }).click();
  await ines.getByLabel('Prompt').fill('What is \\(\\sqrt{9}\\)?');
  await ines.getByRole('textbox', { name: 'Option 1' }).fill('\\(3\\)');
  await ines.getByRole('textbox', { name: 'Option 2' }).fill('\\(\\frac{9}{2}\\)');
  await ines.getByRole('button', { name: 'Done' }).click();
  await expect(math).toHaveCount(4);
  await isSaved(ines);
  await ines.reload();
  await expect(math).toHaveCount(4);
  expect(await seriousFindings(ines)).toEqual([]);

  const { code } = await startLesson(ines, { deck: deckOf(ines) });
  for (const viewport of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    const student = await someone(browser, { viewport });
    await joinAs(student, code, `Mona ${viewport.width}`);
    await expect(student.getByRole('math')).toHaveCount(4);
    await expect(
      student.getByRole('img', { name: 'Energy is mass times the speed of light squared' }),
    ).toBeVisible();
    await student.getByRole('radio').first().check();
    await isSaved(student);
  }
});

test('a formula that is typed before anything can measure it is as wide as what is written in the end', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser, { serviceWorkers: 'block' }));
  let release = (): void => undefined;
  const held = new Promise<void>((resolve) => (release = resolve));
  await ines.route(/\/tex-[^/]*\.js$/, async (route) => {
    await held;
    await route.continue();
  });
  await openSlide(ines, 'Sums');
  await add(ines, 'Formula');
  await trayOf(ines).getByLabel('LaTeX').fill('x');
  const formula = thing(ines, 'Formula: x');
  const early = await boxOf(formula);
  release();
  await expect.poll(async () => (await boxOf(formula)).width).toBeLessThan(early.width / 2);
});

test('a chart is filled from a spreadsheet, drawn four ways, says what it shows, and is read on a phone', async ({
  browser,
}) => {
  const ines = await signIn(
    await someone(browser, { permissions: ['clipboard-read', 'clipboard-write'] }),
  );
  await openSlide(ines, 'Birds');
  await add(ines, 'Chart');
  await ines.getByRole('group', { name: 'Forms of chart' }).getByText('Bars').click();
  await expect(thing(ines, 'Bar chart: How many: first 3, second 5, third 2.')).toBeVisible();
  await ines.evaluate(() =>
    navigator.clipboard.writeText('\tGulls\tPetrels\nMonday\t12\t7,5\nTuesday\t9\t14\n'),
  );
  await ines.keyboard.press('Control+v');
  await trayOf(ines).getByRole('button', { name: 'Fill in values' }).click();
  const cells = ines.getByRole('textbox', { name: /^Bar chart/ });
  await expect(cells.getByRole('cell', { name: '7,5' })).toBeVisible();
  await cells.getByRole('cell', { name: '12' }).click();
  await ines.keyboard.press('End');
  await ines.keyboard.type('0');
  await trayOf(ines).getByRole('button', { name: 'Draw it' }).click();
  const drawn = (form: string): ReturnType<typeof stageOf> =>
    stageOf(ines).getByRole('img', { name: new RegExp(`^${form}. Gulls: Monday 120`) });
  await expect(drawn('Bar chart')).toBeVisible();
  await expect(drawn('Bar chart')).toContainText('Petrels');
  for (const [form, said] of [
    ['Line', 'Line chart'],
    ['Pie', 'Pie chart'],
    ['Points', 'Points'],
    ['Bars', 'Bar chart'],
  ] as const) {
    await trayOf(ines).getByLabel('Drawn as').selectOption({ label: form });
    await expect(drawn(said)).toBeVisible();
  }
  await expect(drawn('Bar chart')).not.toContainText('7.5');
  await trayOf(ines).getByLabel('With its numbers').check();
  await expect(drawn('Bar chart')).toContainText('7.5');
  await undo(ines).click();
  await expect(drawn('Bar chart')).not.toContainText('7.5');
  await isSaved(ines);
  await ines.reload();
  await expect(drawn('Bar chart')).toBeVisible();
  expect(await seriousFindings(ines)).toEqual([]);

  const { code } = await startLesson(ines, { deck: deckOf(ines) });
  const phone = await someone(browser, { viewport: { width: 390, height: 844 } });
  await joinAs(phone, code, 'Mona');
  await expect(phone.getByRole('img', { name: /^Bar chart. Gulls: Monday 120/ })).toBeVisible();
  await phone.getByText('Its values').click();
  await expect(phone.getByRole('cell', { name: '7.5' })).toBeVisible();
});
