import { expect } from '@playwright/test';
import { KINDS } from './everyKind';
import { joinAs, lessonOfStarters, newDeck, signIn, someone, test } from './people';

test('every kind of question is answered by mouse, by finger on a phone and by keyboard alone', async ({
  browser,
}) => {
  const { ines, code, lessonId, slides } = await lessonOfStarters(
    browser,
    KINDS.map(({ starter }) => starter),
  );
  const mona = await someone(browser);
  const tove = await someone(browser, { viewport: { width: 390, height: 844 }, hasTouch: true });
  const keno = await someone(browser);
  await joinAs(mona, code, 'Mona');
  await joinAs(tove, code, 'Tove');
  await joinAs(keno, code, 'Keno');
  const map = ines.getByRole('region', { name: 'Map of the lesson' });
  const details = ines.getByRole('region', { name: 'Details' });
  for (const asked of KINDS) {
    await test.step(asked.kind, async () => {
      const moved = await ines.request.post(`/api/lessons/${lessonId}/pace`, {
        data: { pace: 'together', slideId: slides.get(asked.starter) },
        headers: { origin: new URL(ines.url()).origin },
      });
      expect(moved.status()).toBe(200);
      for (const page of [mona, tove, keno]) {
        await expect(page.getByText('One moment …')).toHaveCount(0);
        const shown =
          page === tove
            ? page.getByRole('heading', { name: asked.starter })
            : page.getByText(asked.starter);
        await expect(shown.first()).toBeVisible();
      }
      await asked.mouse(mona);
      await asked.touch(tove);
      await asked.keyboard(keno);
      await map.getByRole('group', { name: asked.starter, exact: true }).click({ force: true });
      await details.getByRole('radio', { name: 'Roll' }).click();
      for (const name of ['Keno', 'Mona', 'Tove']) {
        const row = details.getByRole('row').filter({ hasText: name });
        await expect(row.getByRole('cell').first()).toHaveText(asked.told);
      }
      await details.getByRole('radio', { name: 'Stacked' }).click();
      await expect(details.getByRole('region', { name: 'Tally' }).first()).toBeVisible();
    });
  }
});

test('a starter is searched, seen and kept; a slide of one’s own becomes one', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  await newDeck(ines, 'From starters');
  await ines.keyboard.press('Escape');
  await ines.mouse.click(1000, 150);
  await ines.getByRole('button', { name: 'From a starter' }).click();
  const dialog = ines.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'Closing' }).click();
  await expect(dialog.getByRole('button', { name: /^The word of the day/ })).toBeVisible();
  await dialog.getByLabel('Search').fill('zeppelin');
  await expect(dialog.getByText('No starter has these words.')).toBeVisible();
  await dialog.getByLabel('Search').fill('');
  await dialog.getByRole('button', { name: /^The word of the day/ }).click();
  const slide = ines.getByRole('group', { name: 'The word of the day', exact: true });
  await expect(slide).toBeVisible();
  await ines.getByRole('button', { name: 'More' }).click();
  await ines.getByRole('menuitem', { name: 'Keep as a starter' }).click();
  await ines.keyboard.type(' of Kestrel 5');
  await ines.keyboard.press('Enter');
  await expect(ines.getByText(/is among your starters/)).toBeVisible();
  await ines.mouse.click(1000, 150);
  await ines.getByRole('button', { name: 'From a starter' }).click();
  await dialog.getByRole('radio', { name: 'My own' }).click();
  await dialog.getByRole('button', { name: /Kestrel 5/ }).click();
  await expect(slide).toHaveCount(2);
});
