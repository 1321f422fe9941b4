import { expect, type Locator, type Page } from '@playwright/test';
import { add, openSlide, seriousFindings, stageOf, thing, trayOf, undo } from './onTheStage';
import { boxOf, drag, isSaved, newDeck, signIn, someone, test } from './people';

const setOutButton = (page: Page): Locator => trayOf(page).getByRole('button', { name: 'Set out' });
const arrangements = (page: Page): Locator => page.getByRole('group', { name: 'Arrangements' });
/** Where things lie, in whole pixels. */
const places = (page: Page): Promise<string> =>
  stageOf(page)
    .getByRole('button')
    .evaluateAll((all) =>
      JSON.stringify(
        all.map((one) => {
          const { x, y, width, height } = one.getBoundingClientRect();
          return [x, y, width, height].map(Math.round);
        }),
      ),
    );

test('a plan that is pasted becomes slides that are set out, and Check has nothing to mend', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await newDeck(page, 'Fog over the isle');
  await page.getByRole('button', { name: 'Written plan' }).click();
  await page
    .getByRole('textbox', { name: 'Written plan' })
    .fill(
      [
        '- The pier: The fog came in an hour ago. The lamp is dark, and a boat is out.',
        '  - Row out: **The reef** You hear the bell before you see it.',
        '    - Follow the bell: **The wreck** Somebody waves a lantern. (ending)',
        '    - Turn back: **Home** The kettle is on. (ending)',
        '  - Climb the tower: **The lamp room** The wick is dry. (ending)',
      ].join('\n'),
    );
  await expect(page.getByText('Says what the map says.')).toBeVisible();
  await page.getByRole('link', { name: 'Check' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing to mend' })).toBeVisible();
  await page.getByRole('link', { name: 'Slide', exact: true }).click();
  const first = await boxOf(thing(page, /^Text: Row out/));
  const second = await boxOf(thing(page, /^Text: Climb the tower/));
  const stage = await boxOf(stageOf(page));
  // As large as a finger, one below the other, over most of the page.
  expect(Math.abs(first.x - second.x)).toBeLessThan(2);
  expect(second.y).toBeGreaterThan(first.y + first.height);
  expect(second.y + second.height - stage.y).toBeGreaterThan(stage.height * 0.6);
});

test('one click sets a slide out otherwise and one undo takes it back; what a hand moves stays; nothing is lost on reload', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await openSlide(page, 'Set out by hand');
  await add(page, 'Text');
  await page.keyboard.type('Lie down, wait, and look. Four animals will show themselves.');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await stageOf(page).click({ position: { x: 4, y: 4 } });
  await expect(setOutButton(page)).toBeVisible();
  await setOutButton(page).click();
  await expect.poll(() => arrangements(page).getByRole('button').count()).toBeGreaterThan(3);
  expect(await seriousFindings(page)).toEqual([]);
  const unused = arrangements(page).getByRole('button', { pressed: false }).first();
  const name = (await unused.innerText()).split('\n').at(-1)!;
  const other = arrangements(page).getByRole('button', { name, exact: true });
  await expect(other).toHaveAttribute('aria-pressed', 'false');
  const before = await places(page);
  await other.click();
  await expect.poll(() => places(page)).not.toBe(before);
  await expect(other).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Escape');
  await undo(page).click();
  await expect.poll(() => places(page)).toBe(before);

  const words = thing(page, /^Text: Lie down/);
  await drag(page, words, stageOf(page), { x: 0.7, y: 0.75 });
  const put = await boxOf(words);
  await add(page, 'Question');
  await page.getByRole('button', { name: 'Text entry', exact: true }).click();
  await isSaved(page);
  const after = await boxOf(words);
  expect(Math.abs(after.x - put.x) + Math.abs(after.y - put.y)).toBeLessThan(3);
  const lies = await places(page);
  await page.reload();
  await expect(words).toBeVisible();
  await expect.poll(() => places(page)).toBe(lies);
});

test('what matters in a picture is framed, and words lie over the rest of it, on a panel that every view has', async ({
  browser,
}) => {
  const drawing = await (await someone(browser)).context().newPage();
  await drawing.setViewportSize({ width: 1920, height: 1080 });
  await drawing.setContent(
    '<body style="margin:0;background:linear-gradient(#8cf, #05a)"><div style="position:absolute;left:1250px;top:320px;width:220px;height:500px;background:#c31"></div>',
  );
  const picture = await drawing.screenshot();
  const page = await signIn(await someone(browser));
  await newDeck(page, 'The light');
  await page.getByRole('button', { name: 'Written plan' }).click();
  await page
    .getByRole('textbox', { name: 'Written plan' })
    .fill(
      [
        '- The light: It goes round once in ten seconds.',
        '  - Row out: **The reef** You hear the bell. (ending)',
        '  - Climb the tower: **The lamp room** The wick is dry. (ending)',
      ].join('\n'),
    );
  await expect(page.getByText('Says what the map says.')).toBeVisible();
  await page.getByRole('link', { name: 'Slide', exact: true }).click();
  await add(page, 'Picture');
  await page.locator('input[type=file]').setInputFiles({
    name: 'light.png',
    mimeType: 'image/png',
    buffer: picture,
  });
  const shown = thing(page, /^Picture/);
  await expect(shown).toBeVisible();
  const matters = trayOf(page).getByRole('button', { name: /^What matters/ });
  await expect(matters).toHaveAccessibleName('What matters: guessed');
  await matters.click();
  // The board stands from 65 to 77 % of the picture, and from 30 to 76 % of its height.
  const guessed = async (side: string): Promise<number> =>
    Number(await page.getByLabel(`${side}, %`).inputValue());
  const left = await guessed('Left');
  expect(left).toBeGreaterThan(55);
  expect(left).toBeLessThanOrEqual(65);
  expect(left + (await guessed('Width'))).toBeGreaterThanOrEqual(76);
  expect(await guessed('Top')).toBeLessThanOrEqual(30);
  const frame = page.getByRole('application', { name: /drag a frame/ });
  expect(await seriousFindings(page)).toEqual([]);
  const { x, y, width, height } = await boxOf(frame);
  await page.mouse.move(x + width * 0.63, y + height * 0.28);
  await page.mouse.down();
  await page.mouse.move(x + width * 0.79, y + height * 0.78, { steps: 4 });
  await page.mouse.up();
  await page.getByLabel('Width, %').fill('15');
  await page.getByLabel('Width, %').press('Enter');
  await page.getByRole('button', { name: 'As guessed' }).click();
  await expect(page.getByLabel('Left, %')).toHaveValue(String(left));
  // Taken back while the settings are open.
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Width, %')).toHaveValue('15');
  await page.keyboard.press('Escape');
  await expect(matters).toHaveAccessibleName('What matters: framed');
  // The picture may fill the stage by now: nothing of it is free to press.
  await page.keyboard.press('Escape');
  await setOutButton(page).click();
  await arrangements(page).getByRole('button', { name: 'On a panel over the picture' }).click();
  await page.keyboard.press('Escape');
  await isSaved(page);

  const stage = await boxOf(stageOf(page));
  const whole = await boxOf(shown);
  expect(Math.abs(whole.width - stage.width)).toBeLessThan(4);
  // The part that matters begins at 63 hundredths: everything that is read ends before it.
  for (const words of [/^Text: It goes round/, /^Text: Row out/, /^Text: Climb the tower/]) {
    const box = await boxOf(thing(page, words));
    expect(box.x + box.width).toBeLessThan(stage.x + stage.width * 0.63);
  }
  await page.getByRole('link', { name: 'Check' }).click();
  await expect(page.getByText('touch areas overlap', { exact: false })).toHaveCount(0);
  await expect(page.getByText('Hard to read', { exact: false })).toHaveCount(0);
  await page.reload();
  await page.getByRole('link', { name: 'Slide', exact: true }).click();
  await expect(setOutButton(page)).toHaveAccessibleName('Set out: On a panel over the picture');
  // Another arrangement takes the words off their plates again.
  const plate = (): Promise<string> =>
    stageOf(page)
      .getByText('It goes round once in ten seconds.')
      .first()
      .evaluate((words) => {
        let at: Element | null = words;
        while (at && at.role !== 'group') {
          if (getComputedStyle(at).backgroundColor !== 'rgba(0, 0, 0, 0)') return 'a plate';
          at = at.parentElement;
        }
        return 'none';
      });
  expect(await plate()).toBe('a plate');
  await setOutButton(page).click();
  await arrangements(page).getByRole('button', { name: 'Choices along the foot' }).click();
  await page.keyboard.press('Escape');
  await expect.poll(plate).toBe('none');
});
