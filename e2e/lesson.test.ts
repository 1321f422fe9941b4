import { expect } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { BROWSER_ARGUMENTS, browserProgram } from '../scripts/browser.mjs';
import {
  boxOf,
  cuttable,
  isSaved,
  joinAs,
  newDeck,
  signIn,
  someone,
  startLesson,
  TEACHER,
  test,
} from './people';

test('the teacher moves the class together, holds it, and lets it go', async ({ browser }) => {
  const teacher = await signIn(await someone(browser));
  const { code } = await startLesson(teacher);
  const student = await someone(browser);
  await joinAs(student, code, 'Kaya Wren');
  await expect(student.getByRole('group', { name: 'The lamp goes out' })).toBeVisible();

  const map = teacher.getByRole('region', { name: 'Map of the lesson' });
  await map.getByRole('group', { name: 'What the keeper sees', exact: true }).click();
  await teacher.getByRole('radio', { name: 'Together' }).click();
  await expect(student.getByRole('group', { name: 'What the keeper sees' })).toBeVisible();
  await student.getByRole('link', { name: 'Follow the wire' }).click();
  await expect(student.getByText('The class moves together')).toBeVisible();

  await teacher.getByRole('button', { name: 'Hold', exact: true }).click();
  await expect(student.getByText('Hold: look up for a moment.')).toBeVisible();
  await expect(student.getByRole('radio', { name: 'The battery is flat' })).toBeDisabled();
  await teacher.getByRole('button', { name: 'Let go on' }).click();
  await student.getByRole('radio', { name: 'The battery is flat' }).check();
  await expect(teacher.getByRole('row', { name: /The battery is flat/ })).not.toContainText(
    /^The battery is flat\s*0 /,
  );

  await teacher.getByRole('radio', { name: 'Own pace' }).click();
  await expect(async () => {
    await student.getByRole('link', { name: 'Follow the wire' }).click();
    const wire = student.getByRole('group', { name: 'A wire has burnt through' });
    await expect(wire).toBeVisible({ timeout: 3000 });
  }).toPass({ timeout: 45_000 });
});

test('a student who is offline goes on working, and everything arrives afterwards', async ({
  browser,
}) => {
  const teacher = await signIn(await someone(browser));
  const { code } = await startLesson(teacher);
  const student = await someone(browser);
  const cable = await cuttable(student);
  await joinAs(student, code, 'Lene Fisk');
  await isSaved(student);
  cable.cut();
  const saved = student.getByRole('status', { name: 'Saved state' });
  await expect(saved).toHaveText('kept on this device');
  await student.getByRole('link', { name: 'Climb the tower' }).click();
  await student.getByRole('link', { name: 'Look first' }).click();
  await student.getByRole('radio', { name: 'Something in the circuit is open' }).check();
  await student.getByRole('button', { name: 'Hand in' }).click();
  await student.getByRole('button', { name: 'Hand in now' }).click();
  await expect(student.getByText('Not everything has reached the server yet')).toBeVisible({
    timeout: 15_000,
  });
  await student.getByRole('button', { name: 'Not yet' }).click();
  // The page is left and opened again: what was done waits on the device.
  await student.reload();
  await expect(
    student.getByRole('radio', { name: 'Something in the circuit is open' }),
  ).toBeChecked();
  await expect(saved).toHaveText('kept on this device');
  cable.mend();
  await expect(saved).toHaveText('saved', { timeout: 15_000 });

  await teacher
    .getByRole('region', { name: 'Map of the lesson' })
    .getByRole('group', { name: 'What the keeper sees', exact: true })
    .click();
  await teacher.getByRole('radio', { name: 'Roll' }).click();
  await expect(teacher.getByRole('row', { name: /Lene Fisk/ })).toContainText(
    'Something in the circuit is open',
  );
});

test('a wrong name or code is said in a sentence; a return code brings one back', async ({
  browser,
}) => {
  const name = `Milo ${test.info().retry}`;
  const student = await someone(browser, { viewport: { width: 390, height: 844 } });
  await student.goto('/join?code=TERN+482');
  await student.getByRole('button', { name: 'Go on' }).click();
  await student.getByLabel(/your name/i).fill('ada brandt');
  await student.getByRole('button', { name: 'Join', exact: true }).click();
  await expect(student.getByRole('alert')).toContainText('has joined already');
  await student.getByLabel(/your name/i).fill(name);
  await student.getByRole('button', { name: 'Join', exact: true }).click();
  await student.getByRole('button', { name: 'My leaves' }).click();
  const code = await student.getByText(/^[2-9A-Z]{5}$/).innerText();

  const other = await someone(browser);
  await other.goto('/join');
  await other.getByLabel('Join code').fill('tern482');
  await other.getByRole('button', { name: 'Go on' }).click();
  await other.getByRole('button', { name: 'I have a return code' }).click();
  await other.getByLabel('Return code').fill(code.toLowerCase());
  await other.getByRole('button', { name: 'Come back' }).click();
  await expect(other.getByText(name)).toBeVisible();
});

test('a student’s page is small before the first slide can be used', async ({ browser }) => {
  const student = await someone(browser);
  await joinAs(student, 'TERN 482', `Nia ${test.info().retry}`);
  // What the page before this one still fetches does not count.
  await student.goto('about:blank');
  let bytes = 0;
  const encodings = new Set<string>();
  student.on('response', (response) => {
    if (!response.url().endsWith('.js')) return;
    void response.body().then(
      (body) => {
        bytes += gzipSync(body).length;
        if (body.length > 2000) encodings.add(response.headers()['content-encoding'] ?? 'none');
      },
      // The page was closed while something still came that is fetched in advance.
      () => undefined,
    );
  });
  await student.goto('/lesson');
  await expect(student.getByRole('link', { name: 'Climb the tower' })).toBeVisible();
  await expect.poll(() => bytes).toBeGreaterThan(50_000);
  expect(bytes).toBeLessThanOrEqual(200_000);
  expect([...encodings]).toEqual(['br']);
});

test('a piece is dragged with a finger, in the picture on a phone', async ({ browser }) => {
  const phone = await someone(browser, {
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  });
  await joinAs(phone, 'TERN 482', `Theo ${test.info().retry}`);
  for (const choice of ['Climb the tower', 'Look first', 'Follow the wire']) {
    await phone.getByRole('button', { name: choice }).tap();
  }
  const piece = phone.getByRole('button', { name: 'Piece: a twig' });
  const from = await boxOf(piece);
  const [x, y] = [from.x + from.width / 2, from.y + from.height / 2];
  const touch = await phone.context().newCDPSession(phone);
  const at = (dx: number, dy: number): { x: number; y: number }[] => [{ x: x + dx, y: y + dy }];
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: at(0, 0) });
  for (const step of [10, 30, 60, 90]) {
    await touch.send('Input.dispatchTouchEvent', {
      type: 'touchMove',
      touchPoints: at(step, -step / 2),
    });
  }
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  await expect
    .poll(async () => Math.round((await piece.boundingBox())!.x - from.x))
    .toBeGreaterThan(80);
  await isSaved(phone);
  await phone.reload();
  await expect
    .poll(async () => Math.round((await piece.boundingBox())!.x - from.x))
    .toBeGreaterThan(80);
});

test('over plain http in a school’s own network a student joins and works, and a teacher builds', async ({
  browser,
  playwright,
  baseURL,
}) => {
  const { code } = await startLesson(await signIn(await someone(browser)));
  // Browsers trust their own machine as if it spoke TLS: another name for it they do not.
  const school = await playwright.chromium.launch({
    executablePath: browserProgram(),
    args: [...BROWSER_ARGUMENTS, '--host-resolver-rules=MAP school.example 127.0.0.1'],
  });
  const there = { baseURL: baseURL!.replace('127.0.0.1', 'school.example') };
  try {
    const teacher = await someone(school, there);
    await teacher.goto('/sign-in');
    expect(await teacher.evaluate(() => isSecureContext)).toBe(false);
    await teacher.getByLabel('E-mail').fill(TEACHER.email);
    await teacher.getByLabel('Password').fill(TEACHER.password);
    await teacher.getByRole('button', { name: 'Sign in' }).click();
    await newDeck(teacher, 'Without TLS');
    const student = await someone(school, there);
    await joinAs(student, code, 'Uma Reed');
    await student.getByRole('link', { name: 'Climb the tower' }).click();
    await student.getByRole('link', { name: 'Look first' }).click();
    await student.getByRole('radio', { name: 'Something in the circuit is open' }).check();
    await isSaved(student);
    await student.reload();
    await expect(
      student.getByRole('radio', { name: 'Something in the circuit is open' }),
    ).toBeChecked();
  } finally {
    await school.close();
  }
});
