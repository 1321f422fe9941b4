import { expect, type Page } from '@playwright/test';
import { boxOf, joinAs, LAMP, RUNNING, signIn, someone, startLesson, test } from './people';

const ENDED = '00000000-0000-4000-8000-000000000101';
const WIDTH = 390;

/** Everything in the header can be touched, and the page goes nowhere sideways. */
async function isWithin(page: Page, width = WIDTH): Promise<void> {
  for (const thing of await page.locator('header').locator('button:visible, a:visible').all()) {
    const box = await thing.boundingBox();
    expect(box!.x).toBeGreaterThanOrEqual(0);
    expect(box!.x + box!.width).toBeLessThanOrEqual(width);
  }
  expect(await page.evaluate(() => document.scrollingElement!.scrollWidth)).toBe(width);
}

test('a teacher who walks about has the desk, the marks and the slides on a phone', async ({
  browser,
}) => {
  const page = await signIn(
    await someone(browser, { viewport: { width: WIDTH, height: 844 }, hasTouch: true }),
  );
  await page.goto(`/desk/${RUNNING}`);
  await page.getByRole('button', { name: /Who is here/ }).tap();
  await expect(page.getByRole('heading', { name: 'Who is here' })).toBeInViewport();
  await isWithin(page);

  await page.goto(`/results/${ENDED}`);
  await page.getByRole('button', { name: 'Ada Brandt, question 1' }).tap();
  await expect(page.getByRole('heading', { name: 'Ada Brandt' })).toBeInViewport();
  await expect(page.getByRole('button', { name: 'Ada Brandt, question 1' })).toBeInViewport();
  await isWithin(page);

  await page.goto(`${LAMP}/map`);
  await expect(page.getByRole('button', { name: /^Tidy all cards/ })).toBeInViewport({ ratio: 1 });
  await isWithin(page);

  await page.goto(`${LAMP}/lessons`);
  const remove = await boxOf(page.getByRole('button', { name: 'Delete …' }).last());
  expect(remove.x + remove.width).toBeLessThanOrEqual(WIDTH);
  await isWithin(page);

  await page.goto(`${LAMP}/slide`);
  await page.getByRole('button', { name: /Text: A storm/ }).tap();
  await expect(page.getByRole('button', { name: 'Lead to …' })).toBeInViewport({ ratio: 1 });
  await isWithin(page);
});

test('on a tablet held upright everything in the header is reached', async ({ browser }) => {
  const page = await signIn(
    await someone(browser, { viewport: { width: 768, height: 1024 }, hasTouch: true }),
  );
  for (const view of [`/desk/${RUNNING}`, `/results/${ENDED}`, `${LAMP}/slide`]) {
    await page.goto(view);
    await expect(page.getByRole('banner').getByRole('link').first()).toBeVisible();
    await isWithin(page, 768);
  }
});

test('a student with a phone held across has the words beside the picture', async ({ browser }) => {
  const teacher = await signIn(await someone(browser));
  const { code } = await startLesson(teacher);
  const page = await someone(browser, { viewport: { width: 844, height: 390 }, hasTouch: true });
  await joinAs(page, code, 'Mina');
  const picture = page.getByLabel(/^Picture: /);
  await expect(page.getByRole('button', { name: 'Run to the boathouse' })).toBeInViewport({
    ratio: 1,
  });
  await expect(picture).toBeInViewport({ ratio: 1 });

  await page.getByRole('button', { name: 'My leaves' }).tap();
  await page
    .getByRole('button', { name: /^Add a leaf/ })
    .first()
    .tap();
  await expect(page.getByRole('group', { name: /^Stage/ })).toBeInViewport({ ratio: 0.95 });
  await expect(page.getByRole('textbox', { name: 'Title' })).toBeInViewport({ ratio: 1 });
});
