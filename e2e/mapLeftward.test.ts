import { expect } from '@playwright/test';
import { boxOf, isSaved, signIn, someone, test } from './people';

test('a deck that is read from right to left has a map that grows to the left', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  const made = await page.context().request.post('/api/decks', {
    data: { title: 'الجزيرة', plan: '- المنارة\n  - الدرج\n    - الضوء\n  - الشاطئ' },
  });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`/deck/${id}/map`);
  const map = page.getByRole('application', { name: 'Map of the deck' });
  const card = (name: string) => map.getByRole('group', { name, exact: true });
  const boxOfCard = (name: string) => boxOf(card(name));
  await expect(card('الضوء')).toBeVisible();
  const [first, second, third] = [
    await boxOfCard('المنارة'),
    await boxOfCard('الدرج'),
    await boxOfCard('الضوء'),
  ];
  expect(first.x).toBeGreaterThan(second.x + second.width);
  expect(second.x).toBeGreaterThan(third.x + third.width);

  // Keys go where the map does, and what is new comes at its left.
  await card('المنارة').click();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('toolbar').filter({ hasText: 'الدرج' })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('toolbar').filter({ hasText: 'المنارة' })).toBeVisible();
  await page.keyboard.press('Tab');
  await page.keyboard.type('البحر');
  await page.keyboard.press('Enter');
  await expect(card('البحر')).toBeVisible();
  expect((await boxOfCard('البحر')).x).toBeLessThan((await boxOfCard('المنارة')).x);

  // A card stays where the hand puts it, and a wire drawn to the left into the open makes a slide there.
  const before = await boxOfCard('البحر');
  await page.mouse.move(before.x + 30, before.y + 20);
  await page.mouse.down();
  await page.mouse.move(before.x - 60, before.y + 140, { steps: 8 });
  await page.mouse.up();
  const isPut = async (): Promise<boolean> => {
    const { x, y } = await boxOfCard('البحر');
    return Math.abs(x - (before.x - 90)) < 20 && Math.abs(y - (before.y + 120)) < 20;
  };
  await expect.poll(isPut).toBe(true);
  await isSaved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Grows left/ })).toBeVisible();
  await page.getByRole('button', { name: /^Grows left/ }).click();
  await expect(page.getByRole('button', { name: /^Grows down/ })).toBeVisible();
  await page.getByRole('button', { name: 'Tidy all cards', exact: false }).last().click();
  await expect
    .poll(async () => (await boxOfCard('المنارة')).y < (await boxOfCard('الدرج')).y)
    .toBe(true);
  await page.getByRole('button', { name: /^Grows down/ }).click();
  await page.getByRole('button', { name: 'Tidy all cards', exact: false }).last().click();
  await expect
    .poll(async () => (await boxOfCard('المنارة')).x > (await boxOfCard('الدرج')).x)
    .toBe(true);

  // And on a slide, too: what leads on stands on its left, with lines that go there.
  await card('المنارة').dblclick();
  const [ins, stage, outs] = [
    await boxOf(page.getByRole('region', { name: 'Ways in' })),
    await boxOf(page.getByRole('group', { name: /^Stage: / })),
    await boxOf(page.getByRole('region', { name: 'Ways out' })),
  ];
  expect(outs.x + outs.width).toBeLessThanOrEqual(stage.x);
  expect(stage.x + stage.width).toBeLessThanOrEqual(ins.x);
});
