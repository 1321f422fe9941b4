import type { Locator, Page } from '@playwright/test';
import { boxOf, drag } from './people';

/** A starter of each kind, what an answer to it looks like on the desk's roll, and how it is given. */
export interface Asked {
  starter: string;
  kind: string;
  told: RegExp;
  mouse(page: Page): Promise<void>;
  touch(page: Page): Promise<void>;
  keyboard(page: Page): Promise<void>;
}

const box = (page: Page, name = 'Your answer'): Locator =>
  page.getByRole('textbox', { name, exact: true });
const surface = (page: Page): Locator => page.getByRole('application');
const press = async (target: Locator, ...keys: string[]): Promise<void> => {
  await target.focus();
  for (const key of keys) await target.page().keyboard.press(key);
};
async function typed(field: Locator, words: string): Promise<void> {
  await field.focus();
  await field.page().keyboard.type(words);
  await field.page().keyboard.press('Tab');
}
async function fill(field: Locator, words: string): Promise<void> {
  await field.fill(words);
  await field.blur();
}
/** Draws a finger or a mouse over a surface, from one place to another in shares of it. */
async function stroke(page: Page, by: 'mouse' | 'finger'): Promise<void> {
  const where = await boxOf(surface(page));
  const at = (share: number): { x: number; y: number } => ({
    x: where.x + where.width * (0.2 + 0.5 * share),
    y: where.y + where.height * (0.3 + 0.2 * share),
  });
  const steps = [0.25, 0.5, 0.75, 1];
  if (by === 'mouse') {
    await page.mouse.move(at(0).x, at(0).y);
    await page.mouse.down();
    for (const step of steps) await page.mouse.move(at(step).x, at(step).y);
    await page.mouse.up();
    return;
  }
  const touch = await page.context().newCDPSession(page);
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [at(0)] });
  for (const step of steps) {
    await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: [at(step)] });
  }
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
}
const tapAll = async (page: Page, ...names: string[]): Promise<void> => {
  for (const name of names) await page.getByRole('button', { name }).first().tap();
};
const clickAll = async (page: Page, ...names: string[]): Promise<void> => {
  for (const name of names) await page.getByRole('button', { name }).first().click();
};

export const KINDS: Asked[] = [
  {
    starter: 'Pick all that fit',
    kind: 'choice',
    told: /Fits, Fits too/,
    mouse: async (page) => {
      for (const name of ['Fits', 'Fits too']) await page.getByLabel(name, { exact: true }).check();
    },
    touch: async (page) => {
      for (const name of ['Fits', 'Fits too']) await page.getByLabel(name, { exact: true }).tap();
    },
    keyboard: async (page) => {
      for (const name of ['Fits', 'Fits too']) {
        await press(page.getByLabel(name, { exact: true }), 'Space');
      }
    },
  },
  {
    starter: 'Name it',
    kind: 'text entry',
    told: /storm\s+petrel/i,
    mouse: (page) => fill(box(page), 'Storm  Petrel'),
    touch: (page) => fill(box(page), 'storm petrel'),
    keyboard: (page) => typed(box(page), 'storm petrel'),
  },
  {
    starter: 'Explain why',
    kind: 'extended text',
    told: /because of the fog/,
    mouse: (page) => fill(box(page), 'It is lit because of the fog.'),
    touch: (page) => fill(box(page), 'because of the fog'),
    keyboard: (page) => typed(box(page), 'because of the fog'),
  },
  {
    starter: 'Work it out',
    kind: 'number',
    told: /10 m/,
    mouse: (page) => fill(box(page, 'Your answer in m'), '10 m'),
    touch: (page) => fill(box(page, 'Your answer in m'), '10'),
    keyboard: (page) => typed(box(page, 'Your answer in m'), '10'),
  },
  {
    starter: 'How are you today?',
    kind: 'slider',
    told: /^(9|10)$/,
    mouse: async (page) => {
      const bar = await boxOf(page.getByRole('slider'));
      await page.mouse.click(bar.x + bar.width - 6, bar.y + bar.height / 2);
    },
    touch: async (page) => {
      const bar = await boxOf(page.getByRole('slider'));
      await page.touchscreen.tap(bar.x + bar.width - 8, bar.y + bar.height / 2);
    },
    keyboard: (page) => press(page.getByRole('slider'), 'End'),
  },
  {
    starter: 'From small to large',
    kind: 'order',
    told: /(→.*){4}/,
    mouse: async (page) => {
      await drag(page, page.getByLabel(/, place 1$/), page.getByLabel(/, place 5$/));
      // The end of a drag is no click: one in the twentieth of a second after it is not taken, and no hand is as fast.
      await page.waitForTimeout(100);
    },
    touch: async (page) => {
      await page
        .getByRole('button', { name: /one place back/ })
        .first()
        .tap();
    },
    keyboard: async (page) => {
      await press(page.getByRole('button', { name: /one place forward/ }).last(), 'Enter');
    },
  },
  {
    starter: 'What belongs together',
    kind: 'match',
    told: /a lamp – shows the way/,
    mouse: (page) => clickAll(page, 'a lamp', 'shows the way'),
    touch: (page) => tapAll(page, 'a lamp', 'shows the way'),
    keyboard: async (page) => {
      await press(page.getByRole('button', { name: 'a lamp' }), 'Enter');
      await press(page.getByRole('button', { name: 'shows the way' }), 'Space');
    },
  },
  {
    starter: 'Fill the gaps',
    kind: 'gap',
    told: /lamp · – · sea/,
    mouse: async (page) => {
      await page.getByLabel('Gap 1').selectOption('lamp');
      await page.getByLabel('Gap 3').selectOption('sea');
    },
    touch: async (page) => {
      await page.getByLabel('Gap 1').selectOption('lamp');
      await page.getByLabel('Gap 3').selectOption('sea');
    },
    keyboard: async (page) => {
      await press(page.getByLabel('Gap 1'), 'l');
      await press(page.getByLabel('Gap 3'), 's');
    },
  },
  {
    starter: 'Sort into two',
    kind: 'sort',
    told: /piece 1: here/,
    mouse: async (page) => {
      await page.getByRole('button', { name: 'Piece: piece 1' }).hover();
      await page.mouse.down();
      const stage = await boxOf(page.getByRole('button', { name: 'Piece: piece 1' }));
      await page.mouse.move(stage.x + 140, stage.y - 160, { steps: 8 });
      await page.mouse.up();
    },
    touch: async (page) => {
      await page.getByRole('button', { name: 'piece 1', exact: true }).tap();
      await tapAll(page, 'Put into here');
    },
    keyboard: async (page) => {
      await press(page.getByRole('button', { name: 'Piece: piece 1' }), 'Enter');
      await press(page.getByRole('button', { name: 'Put into here' }), 'Enter');
    },
  },
  {
    starter: 'Find it in the picture',
    kind: 'hotspot',
    told: /middle/,
    mouse: (page) => clickAll(page, 'middle'),
    touch: (page) => tapAll(page, 'middle'),
    keyboard: (page) => press(page.getByRole('button', { name: 'middle' }), 'Space'),
  },
  {
    starter: 'Point at it',
    kind: 'select point',
    told: /^(49|50|51|52) %, (49|50|51) %/,
    mouse: (page) => surface(page).click(),
    touch: (page) => surface(page).tap(),
    keyboard: (page) => press(surface(page), 'ArrowRight', 'Space'),
  },
  {
    starter: 'Label the drawing',
    kind: 'drawing',
    told: /^1 stroke\b/,
    mouse: async (page) => {
      await stroke(page, 'mouse');
      await page.getByRole('textbox', { name: /^Label/ }).fill('the sail');
      await page.getByRole('button', { name: 'Put it' }).click();
    },
    touch: (page) => stroke(page, 'finger'),
    keyboard: (page) =>
      press(surface(page), 'Space', 'ArrowRight', 'ArrowRight', 'ArrowUp', 'Space'),
  },
];
