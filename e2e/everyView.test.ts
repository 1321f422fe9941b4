import AxeBuilder from '@axe-core/playwright';
import { expect, type Browser, type Page } from '@playwright/test';
import { stageOf, trayOf } from './onTheStage';
import { copyOfLamp, joinAs, LAMP, RUNNING, signIn, someone, test } from './people';

const ENDED = '00000000-0000-4000-8000-000000000101';

/** What opens over a view. */
const DETAILS = 'section[aria-label=Details]';
const OVER = '[role=dialog], [role=menu]';

/** Looks through views, dialogs and menus, and notes what is wrong with them. */
class Looking {
  readonly found: string[] = [];

  /** The browser says on the console what the security policy forbade. */
  watch(page: Page): Page {
    page.on('console', (message) => {
      if (message.text().includes('Content Security Policy'))
        this.found.push(`${page.url()}: ${message.text().slice(0, 160)}`);
    });
    return page;
  }

  /** A whole view: nothing serious for axe, one main part, one first heading, nothing too small to be pressed. */
  async at(page: Page, where: string): Promise<void> {
    await page.waitForLoadState('networkidle');
    await expect(page.getByText('Opening …')).toHaveCount(0);
    await this.open(page, where, 'body');
    const landmarks = await page.evaluate(() => ({
      main: document.querySelectorAll('main, [role=main]').length,
      h1: [...document.querySelectorAll('h1')].filter((one) => one.checkVisibility()).length,
    }));
    if (landmarks.main !== 1 || landmarks.h1 !== 1)
      this.found.push(`${where}: ${landmarks.main} main parts, ${landmarks.h1} first headings`);
  }

  /** Something that opened in or over a view. */
  async open(page: Page, where: string, part: string): Promise<void> {
    await expect(page.locator(part).first(), where).toBeVisible();
    // The pictures of slides are a teacher's own colours; everything around them is ours.
    const axe = new AxeBuilder({ page }).include(part).exclude('[inert]');
    const { violations } = await axe.analyze();
    for (const { id, impact, nodes } of violations) {
      if (impact === 'serious' || impact === 'critical')
        this.found.push(`${where}: ${id} ${nodes[0]?.html.slice(0, 160)}`);
    }
    this.found.push(...(await page.evaluate(smallTargets)).map((small) => `${where}: ${small}`));
  }

  async each(page: Page, where: string, openings: [string, () => Promise<unknown>][]) {
    for (const [name, open] of openings) {
      await open();
      await this.open(page, `${where}, ${name}`, OVER);
      await page.keyboard.press('Escape');
      await expect(page.getByRole('dialog')).toHaveCount(0);
    }
  }
}

/** What can be pressed and is less than 24 px wide or high. Labels and cards that stand for it count with it. */
function smallTargets(): string[] {
  const pressed = 'button, a[href], input, select, summary, [role=button]';
  return [...document.querySelectorAll(pressed)].flatMap((target) => {
    // On the map and on the stage things are as large as they are drawn.
    if (target.closest('[inert], [aria-hidden=true], .react-flow, [aria-label^="Stage: "]'))
      return [];
    if (target.getAttribute('tabindex') === '-1') return [];
    if (!target.checkVisibility() || getComputedStyle(target).pointerEvents === 'none') return [];
    const label = target instanceof HTMLInputElement ? target.closest('label') : null;
    const boxes = [target, label].flatMap((one) => (one ? [one.getBoundingClientRect()] : []));
    const after = getComputedStyle(target, '::after');
    const covers = after.position === 'absolute' && after.inset === '0px';
    const isLarge = boxes.some(({ width, height }) => width >= 24 && height >= 24);
    const [box] = boxes;
    if (covers || isLarge || !box || box.width === 0) return [];
    return [`${box.width}×${box.height} px ${target.outerHTML.slice(0, 120)}`];
  });
}

/** A teacher who looks at everything. */
async function begun(browser: Browser) {
  const looking = new Looking();
  const page = looking.watch(await signIn(await someone(browser)));
  const button = (name: string | RegExp) => page.getByRole('button', { name }).first();
  return { looking, page, button };
}

test('decks, classes, map, slide, check and lessons: nothing serious on any view, dialog or menu', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  const { looking, page, button } = await begun(browser);
  await looking.at(page, 'decks');
  await looking.each(page, 'decks', [['more', () => button(/^More/).click()]]);
  await page.goto('/new');
  await looking.at(page, 'a new deck');
  await looking.each(page, 'a new deck', [
    ['empty', () => button('An empty map').click()],
    ['plan', () => button('A written plan …').click()],
    ['like one of mine', () => button('Like one of mine …').click()],
    ['a beginning', () => button(/^Five stations/).click()],
  ]);
  await page.goto('/classes');
  await looking.at(page, 'classes');
  await button('Open').click();
  await looking.at(page, 'a class');

  await page.goto(`${LAMP}/map`);
  await looking.at(page, 'map');
  const map = page.getByRole('application', { name: 'Map of the deck' });
  const card = map.getByRole('group', { name: 'The boathouse', exact: true });
  await card.click();
  await looking.each(page, 'map', [
    ['share', () => button('Share').click()],
    ['more', () => page.getByRole('button', { name: 'More', exact: true }).click()],
  ]);
  await page.mouse.click(1000, 720);
  await looking.each(page, 'map', [['starters', () => button('From a starter').click()]]);
  await button('Written plan').click();
  await looking.open(page, 'plan', 'aside');
  await button('Trails').click();
  await looking.open(page, 'trails', 'aside');

  const decks = `/api${LAMP.replace('deck', 'decks')}`;
  const letter = { email: 'somebody@gobrel.example', role: 'viewer' };
  await page.context().request.post(`${decks}/invitations`, {
    data: letter,
    headers: { origin: new URL(page.url()).origin },
  });
  await page.goto('/stand-ins/outbox');
  await looking.at(page, 'outbox');
  await page.getByRole('article').first().getByRole('link').click();
  await looking.at(page, 'an invitation');
  await page.context().request.post(`${decks}/copies`, {
    headers: { origin: new URL(page.url()).origin },
  });
  const shared = await page.context().request.get(decks);
  await page.goto(`/copy/${((await shared.json()) as { copyToken: string }).copyToken}`);
  await looking.at(page, 'a copy to take');

  await page.goto(`${LAMP}/slide/keeper-sees`);
  await looking.at(page, 'slide');
  const tray = trayOf(page);
  const inTray = (name: string | RegExp) => () =>
    tray.getByRole('button', { name }).first().click();
  await looking.each(page, 'slide', [
    ['layout', inTray(/^Layout/)],
    ['theme', inTray(/^Theme/)],
    ['language', inTray(/^Language/)],
    ['picture', inTray('Picture')],
    ['shape', inTray('Shape')],
    ['question', inTray('Question')],
    ['sound', inTray('Sound')],
  ]);
  await button('Things on this slide').click();
  await looking.open(page, 'things', '[aria-label="Things on this slide"]');
  await button('Things on this slide').click();
  const words = stageOf(page).getByRole('button', { name: /^Text/ }).first();
  await words.click();
  for (const name of [/^Type/, 'Words', /^Fill/, /^Piece/, 'Arrange', 'More']) {
    await inTray(name)();
    await looking.open(page, `text, ${name}`, OVER);
    await page.keyboard.press('Escape');
  }
  await words.dblclick();
  await looking.open(page, 'typing', '[role=toolbar]');
  await page.keyboard.press('Escape');
  await stageOf(page)
    .getByRole('button', { name: /^Question/ })
    .click();
  await looking.each(page, 'question', [['options', inTray('Options and key')]]);

  await page.goto(`${LAMP}/check`);
  await looking.at(page, 'check');
  await page.goto(`${LAMP}/lessons`);
  await looking.at(page, 'lessons');
  await looking.each(page, 'lessons', [
    [
      'start',
      async () => {
        await button('Start a lesson').click();
        await page.getByText('Pace, times and what students see').click();
      },
    ],
    ['delete', () => button('Delete …').click()],
  ]);
  expect(looking.found).toEqual([]);
});

test('show, desk, results, screens and a student’s page: nothing serious on any view, dialog or menu', async ({
  browser,
}) => {
  test.slow();
  const { looking, page, button } = await begun(browser);
  await page.goto(`${LAMP}/show`);
  await looking.at(page, 'show');
  await page.goto(`${await copyOfLamp(page)}/show`);
  await expect(page.getByRole('link', { name: 'Climb the tower' })).toBeVisible();
  await page.mouse.move(640, page.viewportSize()!.height - 10);
  await button('Others').click();
  const followed = await page.getByLabel('Address to follow at').inputValue();
  await button('Another device').click();
  const steered = page.getByRole('img', { name: /\/remote\// });
  const steering = /http\S+/.exec((await steered.getAttribute('alt'))!)![0];
  await looking.open(page, 'others in a show', OVER);
  for (const [view, width] of [
    [followed, 390],
    [steering, 390],
    ['/remote', 1280],
    ['/follow', 390],
  ] as const) {
    const device = looking.watch(await someone(browser, { viewport: { width, height: 844 } }));
    await device.goto(view);
    await device.getByRole('heading').first().waitFor({ state: 'attached' });
    await looking.at(device, `${view.replace(/\w+$/, '')}, ${width}`);
  }
  await page.goto(page.url().replace(/\/show.*/, '/presenter'));
  await expect(page.getByRole('region', { name: 'Notes' })).toBeVisible();
  await looking.at(page, 'presenter');
  await page.goto('/account');
  await expect(page.getByText('this one')).toBeVisible();
  await looking.at(page, 'account');
  await page.goto(`/desk/${RUNNING}`);
  await looking.at(page, 'desk');
  await looking.each(page, 'desk', [
    ['join', () => button(/^Join code/).click()],
    ['settings', () => button('Settings').click()],
    ['big screen', () => button('Big screen').click()],
    ['ask', () => button('Ask now').click()],
    ['timer', () => button('Timer').click()],
    ['hold', () => button('Hold with a word').click()],
    ['end', () => button('End').click()],
  ]);
  await button('Who is here').click();
  await looking.open(page, 'who is here', DETAILS);
  await looking.each(page, 'who is here', [['more', () => button(/^More about/).click()]]);
  await button('Line-up').click();
  await looking.open(page, 'line-up', DETAILS);
  await button('Who is here').click();
  await page
    .getByRole('region', { name: 'Details' })
    .getByRole('button')
    .filter({ hasText: /^[A-Z][a-z]+ [A-Z]/ })
    .first()
    .click();
  await looking.open(page, 'folio', DETAILS);
  await page.goto(`/results/${ENDED}`);
  await looking.at(page, 'gradebook');
  await looking.each(page, 'results', [['save as', () => button('Save as …').click()]]);
  for (const view of ['Questions', 'The lesson', 'Routes']) {
    await page.getByRole('radio', { name: view }).click();
    await looking.at(page, `results, ${view}`);
  }
  await page.goto(`/screen/${RUNNING}`);
  await looking.at(page, 'big screen');
  const paired = looking.watch(await someone(browser));
  await page.goto(`${await copyOfLamp(page)}/map`);
  await button('Share').click();
  await page.getByRole('radio', { name: 'Take along' }).click();
  await expect(button('Save the file')).toBeVisible();
  await looking.at(page, 'share as a file');
  await page.getByRole('radio', { name: 'With anyone' }).click();
  await button('Publish').click();
  const address = page.getByLabel('Address of the published deck');
  await expect(address).toBeVisible();
  await looking.at(page, 'share with anyone');
  for (const view of [await address.inputValue(), '/screen', '/sign-in', '/password', '/join']) {
    await paired.goto(view);
    await looking.at(paired, view);
  }
  for (const [width, name] of [
    [390, `Pia ${test.info().retry}`],
    [1280, `Lou ${test.info().retry}`],
  ] as const) {
    const student = looking.watch(await someone(browser, { viewport: { width, height: 844 } }));
    await joinAs(student, 'TERN 482', name);
    await looking.at(student, `student, ${width}`);
    await student.getByRole('button', { name: 'Hand in' }).click();
    await looking.open(student, `hand in, ${width}`, OVER);
    await student.keyboard.press('Escape');
    await student.getByRole('button', { name: 'My leaves' }).click();
    await looking.at(student, `leaves, ${width}`);
  }
  expect(looking.found).toEqual([]);
});
