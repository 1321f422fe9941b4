import { expect, type Page } from '@playwright/test';
import { KINDS } from './everyKind';
import { add, horn, openSlide, thing } from './onTheStage';
import { test } from './ownServer';
import {
  drag,
  gather,
  giveMarksAtOnce,
  isSaved,
  joinAs,
  joinToKeep,
  lessonOfStarters,
  pick,
  signIn,
  someone,
  startLesson,
} from './people';

test('without a network for the whole lesson a student reloads, walks, answers, moves pieces and makes a leaf; all of it arrives', async ({
  browser,
  own,
}) => {
  const { baseURL } = own;
  const ines = await signIn(await someone(browser, { baseURL }));
  const { lessonId, code } = await startLesson(ines);
  // Once the application and the lesson are on the device …
  const mona = await joinToKeep(browser, baseURL, code, 'Mona');
  const told = await (await mona.request.get(`${baseURL}/api/student/lesson`)).text();
  const pictures = new Set(told.match(/"hash":"[0-9a-f]{64}"/g)).size;
  const kept = (): Promise<number> =>
    mona.evaluate(async () => {
      const requests = await (await caches.open('pictures')).keys();
      return new Set(requests.map(({ url }) => new URL(url).pathname)).size;
    });
  await expect.poll(kept).toBe(pictures);
  // … the network goes.
  await own.kill();
  await mona.reload();
  const state = mona.getByRole('status', { name: 'Saved state' });
  await expect(state).toHaveText('kept on this device');
  const walk = async (...ways: string[]): Promise<void> => {
    for (const name of ways) {
      await mona.getByRole('link', { name, exact: true }).click();
      await expect(mona.getByRole('link', { name, exact: true })).toHaveCount(0);
      await allPicturesShown(mona);
    }
  };
  await walk('Run to the boathouse', 'Row out', 'North of the reef');
  await mona.getByRole('textbox', { name: 'Your answer in m' }).fill('277');
  await walk('Wave the flags');
  await mona.getByLabel('Halfway between the sun and the ferry').check();
  await walk('Start over', 'Climb the tower', 'Call the mainland', 'Wait');
  await mona.getByRole('slider', { name: 'Your answer' }).press('End');
  await mona.reload();
  await walk('Signal by hand', 'Start over', 'Climb the tower', 'Look first');
  await mona.getByLabel('Something in the circuit is open').check();
  await walk('Follow the wire');
  await drag(
    mona,
    mona.getByRole('button', { name: 'Piece: copper wire' }),
    mona.getByRole('group', { name: 'A wire has burnt through' }),
    { x: 0.55, y: 0.67 },
  );
  await walk('Copper', 'Light the lamp');
  await mona.getByRole('textbox', { name: 'Your answer', exact: true }).fill('copper');
  await mona.getByRole('button', { name: 'My leaves' }).click();
  await mona.getByRole('button', { name: /^Add a leaf/ }).click();
  await mona.reload();

  await own.start();
  await expect(state).toHaveText('saved');
  const { students } = (await (
    await ines.request.get(`${baseURL}/api/lessons/${lessonId}/results`)
  ).json()) as { students: { answers: object; walk: { slideId: string }[] }[] };
  expect(Object.keys(students[0]!.answers).sort()).toEqual(
    expect.arrayContaining(['q-buoys', 'q-flags', 'q-tide', 'q-why']),
  );
  const walked = new Set(students[0]!.walk.map(({ slideId }) => slideId));
  for (const slide of ['rocks', 'flags', 'waiting', 'wire', 'copper', 'lit']) {
    expect(walked).toContain(slide);
  }
  await ines.goto(`${baseURL}/desk/${lessonId}`);
  await ines.getByRole('button', { name: 'Line-up' }).click();
  await expect(ines.getByRole('heading', { name: 'Has made leaves' })).toBeVisible();
});

test('what is set in the very moment in which the page is left is kept, without a network', async ({
  browser,
  own,
}) => {
  const { baseURL } = own;
  const ines = await signIn(await someone(browser, { baseURL }));
  const { code } = await startLesson(ines);
  const mona = await joinToKeep(browser, baseURL, code, 'Mona');
  await own.kill();
  await mona.reload();
  for (const name of ['Climb the tower', 'Call the mainland', 'Wait']) {
    await mona.getByRole('link', { name, exact: true }).click();
  }
  const slider = mona.getByRole('slider', { name: 'Your answer' });
  const found: string[] = [];
  const expected: string[] = [];
  for (let turn = 0; turn < 20; turn++) {
    const end = turn % 2 ? 'min' : 'max';
    await expect(slider).toBeEnabled();
    const loaded = mona.waitForEvent('load');
    // By one key, and gone in the same turn.
    await slider.evaluate((input: HTMLInputElement, end) => {
      const value = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value');
      value!.set!.call(input, input.getAttribute(end));
      input.dispatchEvent(new Event('input', { bubbles: true }));
      location.reload();
    }, end);
    await loaded;
    expected.push((await slider.getAttribute(end))!);
    found.push(await slider.inputValue());
  }
  expect(found).toEqual(expected);
});

test('what this device keeps is taken away under an open page: its words reach the server, and are kept anew', async ({
  browser,
  own,
}) => {
  const { baseURL } = own;
  const ines = await signIn(await someone(browser, { baseURL }));
  const { lessonId, code } = await startLesson(ines);
  const mona = await joinToKeep(browser, baseURL, code, 'Mona');
  for (const name of ['Run to the boathouse', 'Row out', 'North of the reef']) {
    await mona.getByRole('link', { name, exact: true }).click();
  }
  const answer = mona.getByRole('textbox', { name: 'Your answer in m' });
  await answer.fill('1');
  await isSaved(mona);
  // As from another tab in which the next one sits down, or by a browser that is short of room.
  await mona.evaluate(async () => {
    for (const { name = '' } of await indexedDB.databases()) {
      if (!name.startsWith('gobrel:')) continue;
      await new Promise((done) => {
        const removing = indexedDB.deleteDatabase(name);
        removing.onsuccess = removing.onerror = removing.onblocked = done;
      });
    }
  });
  await answer.fill('277');
  await isSaved(mona);
  const results = `${baseURL}/api/lessons/${lessonId}/results`;
  await expect.poll(async () => (await ines.request.get(results)).text()).toContain('"text":"277"');
  await own.kill();
  await answer.fill('288');
  await expect(mona.getByRole('status', { name: 'Saved state' })).toHaveText('kept on this device');
  await mona.reload();
  await expect(answer).toHaveValue('288');
});

test('every kind of question is answered without a network, read anew, and arrives', async ({
  browser,
  own,
}) => {
  const { baseURL } = own;
  const { ines, code, lessonId, slides } = await lessonOfStarters(
    browser,
    KINDS.map(({ starter }) => starter),
    { baseURL, isChain: true },
  );
  const mona = await joinToKeep(browser, baseURL, code, 'Mona');
  await own.kill();
  await mona.reload();
  for (const [index, asked] of KINDS.entries()) {
    await test.step(asked.kind, async () => {
      await expect(mona.getByText(asked.starter).first()).toBeVisible();
      await asked.mouse(mona);
      if (index + 1 < KINDS.length) {
        await mona.getByRole('link', { name: `On ${index + 1}`, exact: true }).click();
      }
    });
  }
  await mona.reload();
  await expect(mona.getByText(KINDS.at(-1)!.starter).first()).toBeVisible();

  await own.start();
  await isSaved(mona);
  const desk = await someone(browser, {
    baseURL,
    storageState: await ines.context().storageState(),
  });
  await desk.goto(`/desk/${lessonId}`);
  for (const asked of KINDS) {
    await gather(desk, lessonId, slides.get(asked.starter)!);
    await pick(desk, asked.starter);
    await desk.getByRole('radio', { name: 'Roll' }).click();
    const answer = desk.getByRole('row').filter({ hasText: 'Mona' }).getByRole('cell').first();
    await expect(answer).toHaveText(asked.told);
  }
});

test('a mark that is asked for without a network comes when it is back; an answer that is changed waits', async ({
  browser,
  own,
}) => {
  const { baseURL } = own;
  const ines = await signIn(await someone(browser, { baseURL }));
  const { lessonId, code } = await startLesson(ines);
  await giveMarksAtOnce(ines, lessonId);
  const mona = await joinToKeep(browser, baseURL, code, 'Mona');
  await own.kill();
  await mona.getByRole('link', { name: 'Climb the tower' }).click();
  await mona.getByRole('link', { name: 'Look first' }).click();
  await mona.getByLabel('The battery is flat').check();
  const done = mona.getByRole('button', { name: 'Done: show my mark' });
  const waits = mona.getByRole('button', { name: 'Done: your mark comes with the network' });
  await done.click();
  await expect(waits).toBeDisabled();
  // Thought better of: what was meant is no longer so.
  await mona.getByLabel('Something in the circuit is open').check();
  await mona.getByLabel('The battery is flat').uncheck();
  await expect(done).toBeEnabled();
  await done.click();
  await mona.reload();
  await expect(waits).toBeDisabled();
  await own.start();
  await expect(mona.getByText(/^Right · 1 of 1/)).toBeVisible();
  await expect(mona.getByLabel('Something in the circuit is open')).toBeDisabled();
});

test('a sound of the lesson is heard without a network, from its middle too', async ({
  browser,
  own,
}) => {
  const { baseURL } = own;
  const ines = await signIn(await someone(browser, { baseURL }));
  await openSlide(ines, 'A horn in the fog');
  await add(ines, 'Sound');
  await ines
    .getByLabel('Sound or video file')
    .setInputFiles({ name: 'horn.wav', mimeType: 'audio/wav', buffer: horn() });
  await expect(thing(ines, 'Sound: horn')).toBeVisible();
  await isSaved(ines);
  const [deck] = /\/deck\/[^/]+/.exec(ines.url())!;
  const { code } = await startLesson(ines, { deck });
  const mona = await joinToKeep(browser, baseURL, code, 'Mona');
  const kept = (): Promise<number> =>
    mona.evaluate(async () => (await (await caches.open('media')).keys()).length);
  await expect.poll(kept).toBe(1);
  await own.kill();
  await mona.reload();
  const player = mona.getByLabel('horn');
  const from = (seconds: number): Promise<number> =>
    player.evaluate(async (audio: HTMLAudioElement, at) => {
      audio.currentTime = at;
      await audio.play();
      await new Promise((resolve) => audio.addEventListener('ended', resolve, { once: true }));
      return audio.currentTime;
    }, seconds);
  expect(await from(0)).toBeCloseTo(0.5, 1);
  expect(await from(0.3)).toBeCloseTo(0.5, 1);

  // Whoever sits down here next does not have it.
  await own.start();
  await mona.goto('/join');
  await mona.getByRole('button', { name: 'I am somebody else' }).click();
  await expect(mona.getByRole('region', { name: 'In a lesson' })).toHaveCount(0);
  await expect.poll(kept).toBe(0);
});

/** Every picture on the page is there, also without a network. */
const allPicturesShown = (page: Page): Promise<void> =>
  expect
    .poll(() =>
      page.evaluate(() =>
        [...document.images].every((image) => image.complete && image.naturalWidth > 0),
      ),
    )
    .toBe(true);

test('a part that cannot be fetched says so in its place, and comes when it can', async ({
  browser,
}) => {
  const desk = await signIn(await someone(browser));
  await desk.route(/AskDialog.*\.js/, (route) => route.abort());
  const { code } = await startLesson(desk);
  await desk.getByRole('button', { name: 'Ask now' }).click();
  await expect(desk.getByRole('alert')).toContainText('could not be fetched');
  await expect(desk.getByRole('button', { name: 'Hold', exact: true })).toBeVisible();
  await desk.unroute(/AskDialog.*\.js/);
  await desk.getByRole('button', { name: 'Try again now' }).click();
  await expect(desk.getByRole('dialog')).toBeVisible();
  await desk.keyboard.press('Escape');

  const mona = await someone(browser);
  await mona.route(/(NumberInput|LeavesPanel|parts).*\.js/, (route) => route.abort());
  await joinAs(mona, code, 'Mona');
  await mona.getByRole('button', { name: 'My leaves' }).click();
  await expect(mona.getByRole('alert')).toContainText('could not be fetched');
  await expect(mona.getByRole('button', { name: 'To the slide' })).toBeVisible();
  await mona.unroute(/(NumberInput|LeavesPanel|parts).*\.js/);
  // It is tried again without anybody asking.
  await expect(mona.getByRole('alert')).toHaveCount(0, { timeout: 12_000 });
});
