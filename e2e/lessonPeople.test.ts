import { expect, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { isSaved, joinAs, pick, sameOnAnother, signIn, someone, startLesson, test } from './people';

test('a folio that was handed in is opened for another attempt, and what is changed arrives', async ({
  browser,
}) => {
  const desk = await signIn(await someone(browser));
  const { code } = await startLesson(desk);
  await desk.getByRole('button', { name: 'Settings' }).click();
  await desk.getByLabel('A folio may be handed in').selectOption('2 times');
  await desk.keyboard.press('Escape');
  const mona = await someone(browser);
  await joinAs(mona, code, 'Mona');
  await mona.getByRole('link', { name: 'Climb the tower' }).click();
  await mona.getByRole('link', { name: 'Look first' }).click();
  await mona.getByLabel('The battery is flat').check();
  const handIn = async (): Promise<void> => {
    await mona.getByRole('button', { name: 'Hand in' }).click();
    await mona.getByRole('button', { name: 'Hand in now' }).click();
    await expect(mona.getByText(/^Handed in\./)).toBeVisible();
  };
  await handIn();
  await expect(mona.getByLabel('The battery is flat')).toBeDisabled();
  await mona.getByRole('button', { name: 'Try again' }).click();
  await mona.getByLabel('Something in the circuit is open').check();
  await isSaved(mona);
  await pick(desk, 'What the keeper sees');
  await expect(desk.getByRole('row', { name: /circuit is open/ })).toContainText('1');
  await handIn();
  await expect(mona.getByRole('button', { name: 'Try again' })).toHaveCount(0);

  // What was handed in first can still be opened at the desk.
  await desk.getByRole('button', { name: 'Who is here' }).click();
  const details = desk.getByRole('region', { name: 'Details' });
  await details.getByRole('button', { name: 'Mona', exact: true }).click();
  const states = details.getByRole('radiogroup', { name: 'Shown' });
  await expect(states.getByRole('radio')).toHaveCount(3);
  await expect(details.getByText('Something in the circuit is open')).toBeVisible();
  await states.getByRole('radio').nth(1).click();
  await expect(details.getByText('The battery is flat')).toBeVisible();
  await expect(details.getByText('Something in the circuit is open')).toHaveCount(0);
  await states.getByRole('radio').nth(2).click();
  await expect(details.getByText('Something in the circuit is open')).toBeVisible();
  await expect(details.getByText('What the keeper sees')).toBeVisible();
  // Names are hidden wherever they stand.
  await desk.locator('body').press('n');
  await expect(desk.getByText('Mona')).toHaveCount(0);
  await expect(details.getByRole('heading', { name: 'Student 1' })).toBeVisible();
});

test('a student who is taken out is told so, and a blocked name does not come in again', async ({
  browser,
}) => {
  const desk = await signIn(await someone(browser));
  const { code } = await startLesson(desk);
  const keno = await someone(browser);
  await joinAs(keno, code, 'Keno');
  await desk.getByRole('button', { name: 'Who is here' }).click();
  await desk.getByRole('button', { name: 'More about Keno' }).click();
  await desk.getByRole('button', { name: 'Rename' }).click();
  await desk.getByRole('dialog').getByLabel('Name').fill('Keno B.');
  await desk.getByRole('dialog').getByRole('button', { name: 'Rename' }).click();
  await keno.reload();
  await expect(keno.getByText('Keno B.')).toBeVisible();
  await desk.getByRole('button', { name: 'More about Keno B.' }).click();
  await desk.getByRole('button', { name: 'Take out of the lesson' }).click();
  await desk.getByRole('button', { name: 'Take out and block the name' }).click();
  await expect(keno.getByText('This lesson is not open to you')).toBeVisible();
  await expect(desk.getByText('Nobody has joined yet.')).toBeVisible();
  await keno.getByRole('link', { name: 'Join with a code' }).click();
  await keno.getByLabel('Join code').fill(code);
  await keno.getByRole('button', { name: 'Go on' }).click();
  await keno.getByLabel(/your name/i).fill('keno b.');
  await keno.getByRole('button', { name: 'Join', exact: true }).click();
  await expect(keno.getByRole('alert')).toContainText('does not come into this lesson');
});

test('two at one desk line students up at once: both stand there, in one order, until they are taken out', async ({
  browser,
}) => {
  const desk = await signIn(await someone(browser));
  const { code } = await startLesson(desk);
  for (const name of ['Mona', 'Keno', 'Runa']) await joinAs(await someone(browser), code, name);
  const desks = [desk, await sameOnAnother(browser, desk)] as const;
  await desks[1].goto(desk.url());
  const openFolio = async (page: Page, name: string): Promise<void> => {
    await page.getByRole('button', { name: 'Who is here' }).click();
    await page
      .getByRole('region', { name: 'Details' })
      .getByRole('button', { name, exact: true })
      .click();
  };
  await Promise.all([openFolio(desks[0], 'Mona'), openFolio(desks[1], 'Keno')]);
  const put = (page: Page): Promise<void> =>
    page.getByRole('button', { name: 'Put in the line-up' }).click();
  await Promise.all(desks.map(put));
  for (const page of desks)
    await expect(page.getByRole('button', { name: 'Line-up · 2' })).toBeVisible();
  await openFolio(desks[0], 'Runa');
  await put(desks[0]);
  const lined = (page: Page): Promise<string[]> =>
    page.getByRole('region', { name: 'Details' }).getByRole('listitem').allTextContents();
  for (const page of desks) {
    await page.getByRole('button', { name: 'Line-up · 3' }).click();
    await expect.poll(async () => (await lined(page)).length).toBe(3);
  }
  await desks[1].getByRole('button', { name: 'Runa earlier' }).click();
  await expect.poll(async () => (await lined(desks[0]))[1]).toContain('Runa');
  expect(await lined(desks[1])).toEqual(await lined(desks[0]));
  await desks[0].getByRole('button', { name: 'Runa later' }).click();
  await expect.poll(async () => (await lined(desks[1]))[2]).toContain('Runa');
  await desks[0]
    .getByRole('listitem')
    .filter({ hasText: 'Mona' })
    .getByRole('button', { name: 'Out', exact: true })
    .click();
  await expect(desks[1].getByRole('button', { name: 'Line-up · 2' })).toBeVisible();

  // Who is taken out of the lesson does not stay in the line-up.
  await desks[1].getByRole('button', { name: 'Who is here' }).click();
  await desks[1].getByRole('button', { name: 'More about Keno' }).click();
  await desks[1].getByRole('button', { name: 'Take out of the lesson' }).click();
  await desks[1].getByRole('button', { name: 'Take out', exact: true }).click();
  await expect(desks[0].getByRole('button', { name: 'Line-up · 1' })).toBeVisible();
  await expect.poll(async () => (await lined(desks[0])).join()).toContain('Runa');
});

test('when a lesson opens is changed while it runs, and told in the time of the student', async ({
  browser,
}) => {
  const desk = await signIn(await someone(browser, { timezoneId: 'Europe/Madrid' }));
  const { code } = await startLesson(desk);
  await desk.getByRole('button', { name: 'Settings' }).click();
  const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
  await desk.getByLabel('Opens').fill(`${tomorrow}T09:30`);
  await desk.getByLabel('Closes').fill(`${tomorrow}T08:00`);
  await desk.getByRole('button', { name: 'Keep these times' }).click();
  await expect(desk.getByText(/closes after it has opened/)).toBeVisible();
  await desk.getByLabel('Closes').fill(`${tomorrow}T17:00`);
  await desk.getByRole('button', { name: 'Keep these times' }).click();
  await expect(desk.getByRole('button', { name: 'Keep these times' })).toBeDisabled();
  const early = await someone(browser, { timezoneId: 'Europe/Athens' });
  await early.goto(`/join?code=${encodeURIComponent(code)}`);
  await early.getByRole('button', { name: 'Go on' }).click();
  await expect(early.getByRole('alert')).toContainText('10:30');
  await desk.getByLabel('Opens').fill('');
  await desk.getByRole('button', { name: 'Keep these times' }).click();
  await expect(desk.getByRole('button', { name: 'Keep these times' })).toBeDisabled();
  await early.getByRole('button', { name: 'Go on' }).click();
  await expect(early.getByLabel(/your name/i)).toBeVisible();
});

test('one more device comes in under a name of the class list when the teacher lets it, and only one', async ({
  browser,
}) => {
  const desk = await signIn(await someone(browser));
  await desk.goto('/classes');
  await desk.getByLabel('Name', { exact: true }).fill('Shearwater 2');
  await desk.getByLabel('Students, a name a line').fill('Liv Moen\nOdd Berg');
  await desk.getByRole('button', { name: 'Keep this class' }).click();
  await expect(desk.getByRole('article').filter({ hasText: 'Shearwater 2' })).toBeVisible();
  const { code } = await startLesson(desk, { className: 'Shearwater 2' });
  const [first, second, third] = [
    await someone(browser),
    await someone(browser),
    await someone(browser),
  ];
  for (const device of [first, second, third]) {
    await device.goto(`/join?code=${encodeURIComponent(code)}`);
    await device.getByRole('button', { name: 'Go on' }).click();
    await expect(device.getByRole('button', { name: /^Liv Moen/ })).toBeEnabled();
  }
  await first.getByRole('button', { name: 'Liv Moen' }).click();
  await expect(first.getByText('The lamp goes out')).toBeVisible();
  // The others see it without asking.
  for (const device of [second, third]) {
    await expect(device.getByRole('button', { name: 'Liv Moen is here' })).toBeDisabled();
  }
  await desk.getByRole('button', { name: 'Who is here' }).click();
  await desk.getByRole('button', { name: 'More about Liv Moen' }).click();
  await desk.getByRole('button', { name: 'Let one more device in' }).click();
  await expect(third.getByRole('button', { name: 'Liv Moen', exact: true })).toBeEnabled();
  await second.getByRole('button', { name: 'Liv Moen' }).click();
  await expect(second.getByText('The lamp goes out')).toBeVisible();
  await expect(third.getByRole('button', { name: 'Liv Moen is here' })).toBeDisabled();
  // Both devices are hers: what one does, the other shows.
  await second.getByRole('link', { name: 'Climb the tower' }).click();
  await expect(first.getByText('Ninety-one steps', { exact: false })).toBeVisible();
  await isSaved(first);
});

test('a class list comes from CSV, is changed, saved as CSV, and gives its groups shared folios', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await page.goto('/classes');
  await page.getByLabel('Or from a CSV file').setInputFiles({
    name: 'Gannet 4.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('name;group\nÅsa Holm;Table 1\nBo Lind;Table 1\n"Vik, Per";\n'),
  });
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Gannet 4');
  await page.getByLabel('Take the names as they are written').check();
  await page.getByRole('button', { name: 'Keep this class' }).click();
  const card = page.getByRole('article').filter({ hasText: 'Gannet 4' });
  await expect(card).toContainText('3 students, 1 group');
  await card.getByRole('button', { name: 'Open' }).click();
  await page.getByLabel('Group of Vik, Per').fill('=Table 2');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(card).toContainText('2 groups');
  const saving = page.waitForEvent('download');
  await card.getByRole('button', { name: 'Save as CSV' }).click();
  const written = readFileSync(await (await saving).path(), 'utf8');
  expect(written).toContain('Åsa Holm,Table 1');
  expect(written).toContain("'=Table 2");

  const { code } = await startLesson(page, { className: 'Gannet 4', byGroups: true });
  const [asa, bo, typed] = await Promise.all([
    someone(browser),
    someone(browser),
    someone(browser),
  ]);
  for (const [student, name] of [
    [asa, 'Åsa Holm'],
    [bo, 'Bo Lind'],
  ] as const) {
    await student.goto(`/join?code=${encodeURIComponent(code)}`);
    await student.getByRole('button', { name: 'Go on' }).click();
    await student.getByRole('button', { name }).click();
    await expect(student.getByText('Table 1', { exact: true })).toBeVisible();
  }
  // A group's name is not a way in for somebody who only types it.
  await typed.goto(`/join?code=${encodeURIComponent(code)}`);
  await typed.getByRole('button', { name: 'Go on' }).click();
  await typed.getByLabel(/your name/i).fill('Table 1');
  await typed.getByRole('button', { name: 'Join', exact: true }).click();
  await expect(typed.getByRole('alert')).toContainText('has joined already');
  await asa.getByRole('link', { name: 'Climb the tower' }).click();
  await expect(bo.getByText('Ninety-one steps', { exact: false })).toBeVisible();
  await page.goto('/classes');
  await card.getByRole('button', { name: 'Archive' }).click();
  await expect(card).toHaveCount(0);
});
