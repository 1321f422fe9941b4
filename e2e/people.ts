import { expect, test as plainTest, type Browser, type Locator, type Page } from '@playwright/test';
import { databaseOf, TestServer } from './testServer';

/** One for each of the tests that run side by side. */
const FIRST_PORT = 4377;

/**
 * A test on the server of those that run one after the other, after which everyone who came puts their browser away: a
 * page left open goes on working.
 */
export const test = plainTest.extend<{ everyoneLeaves: void }, { server: TestServer }>({
  server: [
    async ({}, use, info) => {
      process.env.DATABASE_URL = await databaseOf(info.parallelIndex);
      const server = new TestServer(FIRST_PORT + info.parallelIndex);
      await server.start();
      await use(server);
      await server.kill('SIGTERM');
    },
    // Begins with a database that holds the demo data.
    { auto: true, scope: 'worker', timeout: 300_000 },
  ],
  baseURL: ({ server }, use) => use(server.baseURL),
  everyoneLeaves: [
    async ({ browser }, use) => {
      await use();
      await Promise.all(browser.contexts().map((context) => context.close()));
    },
    { auto: true },
  ],
});

export const TEACHER = { email: 'ines@gobrel.example', password: 'petrel-isle-lamp' };
export const COAUTHOR = { email: 'tomas@gobrel.example', password: 'petrel-isle-lamp' };
export const LAMP = '/deck/00000000-0000-4000-8000-000000000001';
export const RUNNING = '00000000-0000-4000-8000-000000000102';

/** A person with a browser of their own. */
export async function someone(
  browser: Browser,
  options: Parameters<Browser['newContext']>[0] = {},
): Promise<Page> {
  const page = await (await browser.newContext(options)).newPage();
  page.on('pageerror', (error) => {
    throw error;
  });
  return page;
}

/**
 * The same person in a window of their own, as on a second monitor: a page behind another
 * of one window is drawn once a second only.
 */
export async function sameOnAnother(browser: Browser, page: Page): Promise<Page> {
  return someone(browser, { storageState: await page.context().storageState() });
}

/** A page whose socket can be cut like a cable. */
export async function cuttable(page: Page): Promise<{ cut: () => void; mend: () => void }> {
  let isCut = false;
  const open = new Set<{ close: () => Promise<void> }>();
  await page.routeWebSocket(/\/sync/, (socket) => {
    if (isCut) return void socket.close();
    const server = socket.connectToServer();
    open.add(socket);
    server.onClose(() => open.delete(socket));
  });
  return {
    cut: () => {
      isCut = true;
      for (const socket of open) void socket.close();
    },
    mend: () => {
      isCut = false;
    },
  };
}

type Cookies = Awaited<ReturnType<ReturnType<Page['context']>['cookies']>>;
/** Sessions that stand, by e-mail address: nobody signs in for every test. */
const signedIn = new Map<string, Cookies>();

/** Whoever teaches, on the page of all decks. */
export async function signIn(page: Page, who = TEACHER): Promise<Page> {
  const context = page.context();
  const cookies = signedIn.get(who.email);
  if (cookies) {
    await context.addCookies(cookies);
    await page.goto('/');
  } else {
    await page.goto('/sign-in');
    await page.getByLabel('E-mail').fill(who.email);
    await page.getByLabel('Password').fill(who.password);
    await page.getByRole('button', { name: 'Sign in' }).click();
  }
  await expect(page.getByRole('heading', { name: 'Decks' })).toBeVisible();
  signedIn.set(who.email, await context.cookies());
  return page;
}

/** A copy of the demo's deck, for a test that changes it: others go by what is in the first one. */
export async function copyOfLamp(page: Page): Promise<string> {
  const copied = await page.request.post(`/api/decks/${LAMP.split('/').at(-1)!}/copy`, {
    headers: { origin: new URL(page.url()).origin },
  });
  expect(copied.ok()).toBe(true);
  return `/deck/${((await copied.json()) as { id: string }).id}`;
}

export async function newDeck(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'New deck' }).click();
  await beginEmpty(page, name);
}

/** From where it is chosen what a deck begins with. */
export async function beginEmpty(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'An empty map', exact: true }).click();
  await page.getByRole('dialog').getByLabel('Name').fill(name);
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByRole('application', { name: 'Map of the deck' })).toBeVisible();
}

export async function joinAs(page: Page, code: string, name: string): Promise<void> {
  await page.goto('/join');
  await page.getByLabel('Join code').fill(code);
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByLabel(/your name/i).fill(name);
  await page.getByRole('button', { name: 'Join', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Hand in' })).toBeVisible();
}

/** Joins on a device that keeps the application and the lesson, and waits until it has both. */
export async function joinToKeep(
  browser: Browser,
  baseURL: string,
  code: string,
  name: string,
): Promise<Page> {
  const page = await someone(browser, { baseURL, serviceWorkers: 'allow' });
  await joinAs(page, code, name);
  await page.waitForFunction(() => navigator.serviceWorker.ready.then(() => true));
  await page.reload();
  await isSaved(page);
  return page;
}

/** From now on marks come when a student is done with an answer, which stands then. */
export async function giveMarksAtOnce(desk: Page, lessonId: string): Promise<void> {
  const set = await desk.request.put(`/api/lessons/${lessonId}/settings`, {
    data: { seesMarks: 'at-once', locksDone: true },
    headers: { origin: new URL(desk.url()).origin },
  });
  expect(set.ok()).toBe(true);
}

export const isSaved = (page: Page): Promise<void> =>
  expect(page.getByRole('status', { name: 'Saved state' })).toHaveText('saved');

export type BoxOnPage = NonNullable<Awaited<ReturnType<Locator['boundingBox']>>>;

/** Where something is on the page once it stays there: a row that appears, or a font that comes, moves what is below. */
export async function boxOf(what: Locator): Promise<BoxOnPage> {
  let box: BoxOnPage | null = null;
  const stays = async (): Promise<boolean> => {
    const before = JSON.stringify(box);
    box = await what.boundingBox();
    return box !== null && JSON.stringify(box) === before;
  };
  await expect.poll(stays, { intervals: [40, 60, 100, 250] }).toBe(true);
  return box!;
}

/** Drags with the mouse from the middle of one thing to a point inside another, given in shares of its size. */
export async function drag(
  page: Page,
  what: Locator,
  onto: Locator,
  at = { x: 0.5, y: 0.5 },
): Promise<void> {
  const [from, to] = [await boxOf(what), await boxOf(onto)];
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width * at.x, to.y + to.height * at.y, { steps: 8 });
  await page.mouse.up();
}

/** Drags over the stage of the slide editor, between two places in shares of it. */
export async function onStage(
  page: Page,
  from: { x: number; y: number },
  to: { x: number; y: number },
): Promise<void> {
  const box = await boxOf(page.getByRole('group', { name: /^Stage: / }));
  await page.mouse.move(box.x + box.width * from.x, box.y + box.height * from.y);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * to.x, box.y + box.height * to.y, { steps: 8 });
  await page.mouse.up();
}

/** A picture for the tests: ten by eight pixels of brass. */
export const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAoAAAAICAIAAABPmPnhAAAACXBIWXMAAAPoAAAD6AG1e1JrAAAAEUlEQVQImWNYWa+EBzEMV2kAIZZnITYkVA4AAAAASUVORK5CYII=',
  'base64',
);

/** Starts a lesson on the lamp deck or another, opens its desk, and gives its identity and its code. */
export async function startLesson(
  page: Page,
  { className = '', byGroups = false, deck = LAMP } = {},
): Promise<{ lessonId: string; code: string }> {
  const lists = (await (await page.request.get('/api/classes')).json()) as Record<
    'id' | 'name',
    string
  >[];
  const started = await page.request.post(`/api/decks/${deck.split('/')[2]!}/lessons`, {
    data: {
      classListId: lists.find(({ name }) => name === className)?.id ?? null,
      allowsTypedNames: true,
      settings: { byGroups },
    },
    headers: { origin: new URL(page.url()).origin },
  });
  expect(started.status()).toBe(201);
  const { id: lessonId } = (await started.json()) as { id: string };
  const lesson = await page.request.get(`/api/lessons/${lessonId}`);
  const { joinCode: code } = (await lesson.json()) as { joinCode: string };
  await page.goto(`/desk/${lessonId}`);
  await expect(page.getByRole('button', { name: /^Join code/ })).toBeVisible();
  return { lessonId, code };
}

/** The whole map in sight, and at rest there. */
export async function fitMap(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Fit the whole map' }).click();
  const viewport = page.locator('.react-flow__viewport');
  let before: string | null = '';
  await expect
    .poll(
      async () => {
        const now = await viewport.getAttribute('style');
        const isAtRest = now === before;
        before = now;
        return isAtRest;
      },
      { intervals: [150] },
    )
    .toBe(true);
}

/** Picks a slide on the desk's map. */
export const pick = (desk: Page, slide: string): Promise<void> =>
  desk
    .getByRole('region', { name: 'Map of the lesson' })
    .getByRole('group', { name: slide, exact: true })
    .click();

/** A new deck with a slide of each of these starters, led from one to the next if asked for, and a lesson on it. */
export async function lessonOfStarters(
  browser: Browser,
  starters: readonly string[],
  { isChain = false, ...options }: Parameters<typeof someone>[1] & { isChain?: boolean } = {},
): Promise<{ ines: Page; code: string; lessonId: string; slides: Map<string, string> }> {
  const ines = await signIn(await someone(browser, options));
  await newDeck(ines, 'From starters');
  await ines.keyboard.press('Escape');
  for (const starter of starters) {
    await ines.mouse.click(1000, 150);
    await ines.getByRole('button', { name: 'From a starter' }).click();
    await ines.getByLabel('Search').fill(starter);
    await ines.getByRole('dialog').getByRole('button', { name: starter }).first().click();
    await expect(ines.getByRole('dialog')).toHaveCount(0);
  }
  if (isChain) await chain(ines, starters);
  await isSaved(ines);
  const deck = new URL(ines.url()).pathname;
  const { lessonId, code } = await startLesson(ines, { deck });
  const lesson = (await (await ines.request.get(`/api/lessons/${lessonId}`)).json()) as {
    edition: { slides: Record<string, { id: string; title: string }> };
  };
  const slides = Object.values(lesson.edition.slides).map(({ id, title }) => [title, id] as const);
  return { ines, code, lessonId, slides: new Map(slides) };
}

/** Begins a deck on the first of these slides, and leads each to the next one by a choice. */
async function chain(page: Page, titles: readonly string[]): Promise<void> {
  const map = page.getByRole('application', { name: 'Map of the deck' });
  await fitMap(page);
  await map.getByRole('group', { name: titles[0], exact: true }).click();
  await page.getByRole('button', { name: 'Start here' }).click();
  for (const [index, title] of titles.slice(0, -1).entries()) {
    const next = titles[index + 1]!;
    await map.getByRole('group', { name: title, exact: true }).click();
    await page.keyboard.press('Control+k');
    await map.getByRole('group', { name: next, exact: true }).click();
    await expect(page.getByLabel('Wording of the choice')).toBeFocused();
    await page.keyboard.type(`On ${index + 1}`);
    await page.keyboard.press('Enter');
  }
}

/** Brings the whole class to a slide, and keeps it there. */
export async function gather(desk: Page, lessonId: string, slideId: string): Promise<void> {
  const moved = await desk.request.post(`/api/lessons/${lessonId}/pace`, {
    data: { pace: 'together', slideId },
    headers: { origin: new URL(desk.url()).origin },
  });
  expect(moved.status()).toBe(200);
}

/** Somebody invites somebody else to the deck that is open, who follows the letter in the outbox and accepts. */
export async function invite(
  owner: Page,
  guest: Page,
  { email }: { email: string },
  role: 'may look' | 'may comment' | 'may build' = 'may build',
): Promise<void> {
  await owner.getByRole('button', { name: 'Share' }).click();
  const sheet = owner.getByRole('dialog', { name: 'Share' });
  await sheet.getByLabel('E-mail of whom to invite').fill(email);
  await sheet.getByLabel('What they may do', { exact: true }).selectOption(role);
  await sheet.getByRole('button', { name: 'Invite' }).click();
  await expect(sheet.getByText(`A letter to ${email} is on its way.`)).toBeVisible();
  await owner.keyboard.press('Escape');
  await followLetter(guest, email);
  await guest.getByRole('button', { name: 'Accept' }).click();
  await expect(guest.getByRole('application', { name: 'Map of the deck' })).toBeVisible();
}

/** Opens the newest letter to somebody, in the outbox, and follows the address in it. */
export async function followLetter(page: Page, email: string): Promise<void> {
  await page.goto('/stand-ins/outbox');
  const letter = page
    .getByRole('article')
    .filter({ hasText: `To ${email}` })
    .first();
  await letter.getByRole('link').click();
  await expect(page.getByRole('heading', { name: /invites you/ })).toBeVisible();
}
