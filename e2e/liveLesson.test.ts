import { expect, type Page } from '@playwright/test';
import { joinAs, pick, sameOnAnother, signIn, someone, startLesson, test } from './people';

test('a live lesson: waiting room, together, vote, hold with a word, timer, put up, ask now, stars, hands', async ({
  browser,
}) => {
  const desk = await signIn(await someone(browser));
  const { lessonId, code } = await startLesson(desk);
  const screen = await sameOnAnother(browser, desk);
  await screen.goto(`/screen/${lessonId}`);
  await expect(screen.getByText(code)).toBeVisible();

  await desk.getByRole('button', { name: 'Settings' }).click();
  await desk.getByLabel('Who joins waits until I let them in').check();
  await desk.getByLabel('Students see their marks').selectOption('at once');
  await desk.getByLabel('An answer stands once its mark was seen').uncheck();
  await desk.keyboard.press('Escape');

  const students = await Promise.all([
    someone(browser),
    someone(browser, { viewport: { width: 390, height: 844 }, hasTouch: true }),
    someone(browser),
  ]);
  const [mona, tove, keno] = students as [Page, Page, Page];
  for (const [page, name] of [
    [mona, 'Mona'],
    [tove, 'Tove'],
    [keno, 'Keno'],
  ] as const) {
    await page.goto(`/join?code=${encodeURIComponent(code)}`);
    await page.getByRole('button', { name: 'Go on' }).click();
    await page.getByLabel(/your name/i).fill(name);
    await page.getByRole('button', { name: 'Join', exact: true }).click();
    await expect(page.getByText(/let you in in a moment/)).toBeVisible();
  }
  await desk.getByRole('button', { name: /3 waiting/ }).click();
  await desk.getByRole('button', { name: 'Let all in' }).click();
  for (const page of students) {
    await expect(page.getByRole('button', { name: 'Hand in' })).toBeVisible();
  }
  // From here on whoever comes may come in at once.
  await desk.getByRole('button', { name: 'Settings' }).click();
  await desk.getByLabel('Who joins waits until I let them in').uncheck();
  await desk.keyboard.press('Escape');

  await test.step('together, and a vote on the way', async () => {
    await pick(desk, 'The lamp goes out');
    await desk.getByRole('radio', { name: 'Together' }).click();
    await desk.getByRole('button', { name: 'Ways on' }).click();
    await desk.getByRole('button', { name: 'Let the class vote' }).click();
    for (const page of students) await expect(page.getByText('The class votes')).toBeVisible();
    await mona.getByRole('link', { name: 'Climb the tower' }).click();
    await tove.getByRole('button', { name: 'Climb the tower' }).tap();
    await keno.getByRole('link', { name: 'Run to the boathouse' }).click();
    // A vote is changed until it is closed.
    await keno.getByRole('link', { name: 'Climb the tower' }).click();
    await expect(desk.getByRole('button', { name: /Climb the tower.*3/ })).toBeVisible();
    const votes = screen.getByRole('region', { name: 'The class votes' });
    await expect(votes.getByRole('listitem').filter({ hasText: 'Climb the tower' })).toContainText(
      '3',
    );
    for (const name of ['Mona', 'Tove', 'Keno']) await expect(votes.getByText(name)).toHaveCount(0);
    await expect(mona.getByText('The lamp goes out')).toBeVisible();
    await desk.getByRole('button', { name: 'Close the vote' }).click();
    await expect(screen.getByRole('region', { name: 'How the class voted' })).toBeVisible();
    await desk.getByRole('button', { name: /Climb the tower.*3/ }).click();
    for (const page of [mona, keno, screen]) {
      await expect(page.getByText('Ninety-one steps', { exact: false })).toBeVisible();
    }
    await expect(tove.getByRole('heading', { name: 'Up the tower' })).toBeVisible();
  });

  await test.step('a question, put up without names; the key on the teacher’s word', async () => {
    await pick(desk, 'What the keeper sees');
    await desk.getByRole('button', { name: 'Bring all here' }).click();
    await mona.getByLabel('Something in the circuit is open').check();
    await tove.getByRole('radio', { name: 'Something in the circuit is open' }).check();
    await keno.getByLabel('The battery is flat').check();
    for (const page of [mona, keno])
      await page.getByRole('button', { name: 'Done: show my mark' }).click();
    await expect(mona.getByText(/^Right · 1 of 1/)).toBeVisible();
    await expect(keno.getByText(/Not right yet/)).toBeVisible();
    await desk.getByRole('button', { name: 'Put up' }).click();
    const up = screen.getByRole('main', { name: 'Put up' });
    await expect(up.getByRole('row', { name: /circuit is open/ })).toContainText('2');
    await expect(up.getByText('key', { exact: true })).toHaveCount(0);
    for (const name of ['Mona', 'Tove', 'Keno']) await expect(up.getByText(name)).toHaveCount(0);
    await desk.getByRole('button', { name: 'Tell the key' }).click();
    await expect(up.getByText('key', { exact: true })).toBeVisible();
    await desk.getByRole('button', { name: 'On its slide' }).click();
    const inPlace = up.getByRole('region', { name: 'What the class answered' });
    await expect(inPlace.getByRole('row', { name: /circuit is open/ })).toContainText('2');
    await expect(up.getByRole('radio')).toHaveCount(0);
    // On students' devices, too, where the lesson lets them see it.
    await expect(keno.getByLabel('The battery is flat')).toBeVisible();
    await desk.getByRole('button', { name: 'Settings' }).click();
    await desk.getByLabel('What is put up is seen on students’ devices, too').check();
    await desk.keyboard.press('Escape');
    for (const page of [mona, keno, tove]) {
      const seen = page.getByRole('region', { name: 'What the class answered' });
      await expect(seen.getByRole('row', { name: /circuit is open/ })).toContainText('2');
    }
    await expect(keno.getByLabel('The battery is flat')).toHaveCount(0);
    await expect(tove.getByRole('radio', { name: 'The battery is flat' })).toBeVisible();
    await desk.getByRole('button', { name: 'Take down' }).click();
    await expect(up).toHaveCount(0);
    await expect(keno.getByLabel('The battery is flat')).toBeChecked();
  });

  await test.step('hold with a word: inputs freeze; a timer runs everywhere', async () => {
    await desk.getByRole('button', { name: 'Hold with a word' }).click();
    await desk.getByLabel('Word that goes with the hold').fill('Eyes on the lamp.');
    await desk.getByRole('button', { name: 'Hold', exact: true }).last().click();
    for (const page of [mona, tove, keno, screen]) {
      await expect(page.getByText('Eyes on the lamp.')).toBeVisible();
    }
    await expect(keno.getByLabel('The battery is flat')).toBeDisabled();
    await desk.getByRole('button', { name: 'Let go on' }).click();
    await expect(keno.getByLabel('The battery is flat')).toBeEnabled();
    await desk.getByRole('button', { name: 'Timer' }).click();
    await desk.getByRole('button', { name: '2 min' }).click();
    for (const page of [mona, tove, screen]) {
      await expect(page.getByRole('timer')).toHaveText(/^1:5\d$/);
    }
    await desk.getByRole('button', { name: 'Timer' }).click();
    await desk.getByRole('button', { name: 'Stop it' }).click();
    await expect(mona.getByRole('timer')).toHaveCount(0);
    const short = await desk.request.post(`/api/lessons/${lessonId}/timer`, {
      data: { seconds: 5 },
      headers: { origin: new URL(desk.url()).origin },
    });
    expect(short.ok()).toBe(true);
    for (const page of [desk, mona, tove, screen]) {
      await expect(page.getByRole('timer')).toHaveText('Time is up');
    }
    await desk.getByRole('button', { name: 'Timer' }).click();
    await desk.getByRole('button', { name: 'Stop it' }).click();
    await expect(mona.getByRole('timer')).toHaveCount(0);
  });

  await test.step('a question on the fly comes up everywhere and stays in the results', async () => {
    await desk.getByRole('button', { name: 'Ask now' }).click();
    await desk.getByLabel('Question', { exact: true }).fill('Which word fits the sea today?');
    await desk.getByLabel('Answered by').selectOption('Text entry');
    await desk.getByRole('button', { name: 'Ask', exact: true }).click();
    const own = (page: Page) => page.getByRole('textbox', { name: 'Your answer', exact: true });
    await own(mona).fill('wild');
    await own(tove).fill('Wild');
    await own(keno).fill('grey');
    for (const page of students) await own(page).blur();
    await expect(screen.getByText('Which word fits the sea today?')).toBeVisible();
    await expect(tove.getByText('Which word fits the sea today?')).toHaveCount(1);
    await pick(desk, 'Which word fits the sea today?');
    await expect(desk.getByRole('row', { name: /wild/i })).toContainText('2');
    await desk.getByRole('radio', { name: 'Roll' }).click();
    await desk.getByRole('button', { name: 'Star the answer of Keno' }).click();
    await desk.getByRole('button', { name: /Show the starred/ }).click();
    await expect(screen.getByText('grey')).toBeVisible();
    await expect(screen.getByText('Keno')).toHaveCount(0);
    await desk.getByRole('button', { name: 'With the name' }).click();
    await expect(screen.getByText('Keno')).toBeVisible();
    await desk.getByRole('button', { name: 'Take down' }).click();
    await desk.getByRole('button', { name: 'Enough asked' }).click();
    await expect(own(mona)).toHaveCount(0);
    await expect(mona.getByLabel('Something in the circuit is open')).toBeChecked();
  });

  await test.step('hands, hidden names, a late one lands where the class is', async () => {
    await tove.getByRole('button', { name: 'Hand up' }).tap();
    await desk.getByRole('button', { name: /a hand up/ }).click();
    await desk.getByRole('button', { name: /Tove has a hand up/ }).click();
    await expect(desk.getByRole('button', { name: /a hand up/ })).toHaveCount(0);
    await desk.locator('body').press('n');
    await expect(desk.getByText('Mona')).toHaveCount(0);
    await desk.locator('body').press('n');
    await expect(desk.getByText('Mona')).toBeVisible();
    const late = await someone(browser);
    await joinAs(late, code, 'Lars');
    await expect(late.getByLabel('Something in the circuit is open')).toBeVisible();
  });

  await test.step('ended; in the gradebook it is marked by keyboard', async () => {
    await desk.getByRole('button', { name: 'End', exact: true }).click();
    await desk.getByRole('button', { name: 'End it' }).click();
    await expect(mona.getByText(/This lesson has ended/)).toBeVisible();
    await desk.getByRole('link', { name: 'Results' }).click();
    const cell = desk.getByRole('button', { name: /^Keno, question/ }).first();
    await cell.focus();
    await desk.keyboard.press('3');
    await expect(cell).not.toHaveText('–');
    await desk.keyboard.press('ArrowDown');
    await expect(desk.getByRole('button', { name: /^Lars, question 1/ })).toBeFocused();
    await desk.getByRole('button', { name: 'Good find' }).click();
    const saving = desk.waitForEvent('download');
    await desk.getByRole('button', { name: 'Save as …' }).click();
    await desk.getByRole('button', { name: 'CSV, long' }).click();
    expect((await saving).suggestedFilename()).toBe('Keep the Lamp Lit long.csv');
    await desk.keyboard.press('Escape');
    for (const view of ['Questions', 'The lesson', 'Routes']) {
      await desk.getByRole('radio', { name: view }).click();
    }
    await expect(desk.getByRole('cell', { name: 'Up the tower' })).toBeVisible();
  });
});

test('any kind of question is asked on the fly: in a moment, or set up with its key', async ({
  browser,
}) => {
  const desk = await signIn(await someone(browser));
  const { code } = await startLesson(desk);
  const mona = await someone(browser);
  await joinAs(mona, code, 'Mona');
  await desk.getByRole('button', { name: 'Ask now' }).click();
  await desk.getByLabel('Question', { exact: true }).fill('Where do they live?');
  await desk.getByLabel('Answered by').selectOption('Sort');
  await desk.getByLabel('Pieces, one on each line').fill('tern\ncrab');
  await desk.getByLabel('Zones, one on each line').fill('sky');
  await desk.getByRole('button', { name: 'Ask', exact: true }).click();
  await expect(desk.getByText('Write two pieces and two zones at least.')).toBeVisible();
  await desk.getByLabel('Zones, one on each line').fill('sky\nsea');
  await desk.getByRole('button', { name: 'Ask', exact: true }).click();
  await mona.getByRole('button', { name: 'Piece: crab' }).press('Enter');
  await mona.getByRole('button', { name: 'Put into sea' }).click();
  await pick(desk, 'Where do they live?');
  await expect(desk.getByRole('row', { name: /crab/ })).toContainText('1');

  await desk.getByRole('button', { name: 'Enough asked' }).click();
  await desk.getByRole('button', { name: 'Ask now' }).click();
  await desk.getByLabel('Question', { exact: true }).fill('How many steps?');
  await desk.getByLabel('Answered by').selectOption('Number');
  await desk.getByRole('button', { name: 'Set it up' }).click();
  const dialog = desk.getByRole('dialog', { name: /Question: number/ });
  await dialog.getByLabel('Right', { exact: true }).fill('91');
  await dialog.getByLabel('Points').fill('2');
  await dialog.getByLabel('For thinking').uncheck();
  await dialog.getByRole('button', { name: 'Done', exact: true }).click();
  await desk.getByRole('button', { name: 'Ask', exact: true }).click();
  const own = mona.getByRole('textbox', { name: 'Your answer', exact: true });
  await own.fill('91');
  await own.blur();
  await pick(desk, 'How many steps?');
  await desk.getByRole('radio', { name: 'Roll' }).click();
  await expect(desk.getByRole('row', { name: /Mona/ })).toContainText('right');
});

test('a practice class of 24 fills the desk, and is gone with one click', async ({ browser }) => {
  const desk = await signIn(await someone(browser));
  await startLesson(desk);
  await desk.getByRole('button', { name: 'Practice class' }).click();
  await desk.getByRole('button', { name: '24', exact: true }).click();
  await expect(desk.getByText(/24 here/)).toBeVisible({ timeout: 30_000 });
  await desk.getByRole('button', { name: 'Who is here' }).click();
  await expect(desk.getByText('practice', { exact: true })).toHaveCount(24);
  await expect(desk.getByText(/^[1-9] answers?$/).first()).toBeVisible({ timeout: 40_000 });
  await desk.getByRole('button', { name: /take it out/ }).click();
  await expect(desk.getByText('Nobody has joined yet.')).toBeVisible();
});

test('a device of its own becomes the big screen by a code', async ({ browser }) => {
  const desk = await signIn(await someone(browser));
  const { code } = await startLesson(desk);
  const screen = await someone(browser);
  await screen.goto('/screen');
  const shown = screen.getByText(/^[2-9A-Z]{5}$/);
  await expect(shown).toBeVisible();
  const typed = (await shown.textContent())!;
  const pair = async (text: string): Promise<void> => {
    await desk.getByRole('button', { name: 'Big screen' }).click();
    await desk.getByLabel('Code of the screen').fill(text);
    await desk.getByRole('button', { name: 'Pair', exact: true }).click();
  };
  await pair('22222');
  await expect(desk.getByText(/No screen shows this code/)).toBeVisible();
  await pair(typed);
  await expect(screen.getByText(code)).toBeVisible();
  await pick(desk, 'The lamp goes out');
  await desk.getByRole('radio', { name: 'Together' }).click();
  await expect(screen.getByText('A storm is coming', { exact: false })).toBeVisible();
  await desk.getByRole('button', { name: 'Ways on' }).click();
  await desk.getByRole('button', { name: 'Let the class vote' }).click();
  const student = await someone(browser);
  await joinAs(student, code, 'Mona');
  await student.getByRole('link', { name: 'Climb the tower' }).click();
  const votes = screen.getByRole('region', { name: 'The class votes' });
  await expect(votes.getByRole('listitem').filter({ hasText: 'Climb the tower' })).toContainText(
    '1',
  );
  await desk.keyboard.press('Escape');
  await desk.getByRole('button', { name: 'Big screen' }).click();
  await desk.getByRole('button', { name: 'Turn paired screens off' }).click();
  await expect(screen.getByText(/^[2-9A-Z]{5}$/)).toBeVisible();
});
