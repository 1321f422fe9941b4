import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import { isSaved, joinAs, newDeck, onStage, signIn, someone, test } from './people';

/** A deck of two slides, opened on the first. */
async function twoSlides(page: Page, name: string): Promise<void> {
  await newDeck(page, name);
  await page.keyboard.type('Pier');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Row out');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('group', { name: 'Row out', exact: true }).first()).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Ways out' })).toContainText('Row out');
}

test('one picker for everything a link can lead to; a hotspot, an option and a line carry them', async ({
  browser,
}) => {
  const page = await signIn(await someone(browser));
  await twoSlides(page, 'Targets');
  const ways = page.getByRole('region', { name: 'Ways out' });
  const dialog = page.getByRole('dialog');

  const tray = page.getByRole('toolbar', { name: 'Tray' });
  await tray.getByRole('button', { name: 'Link area' }).click();
  await onStage(page, { x: 0.6, y: 0.6 }, { x: 0.8, y: 0.8 });
  await page.keyboard.press('Control+k');
  const accessibility = await new AxeBuilder({ page }).include('[role=dialog]').analyze();
  expect(
    accessibility.violations.filter(({ impact }) => impact === 'serious' || impact === 'critical'),
  ).toEqual([]);
  await dialog.getByRole('radio', { name: 'Along the walk' }).click();
  await dialog.getByRole('button', { name: /start over/i }).click();
  await expect(ways).toContainText('start over');

  await tray.getByRole('button', { name: 'Line', exact: true }).click();
  await onStage(page, { x: 0.1, y: 0.9 }, { x: 0.4, y: 0.95 });
  await page.keyboard.press('Control+k');
  await dialog.getByRole('radio', { name: 'Web or e-mail' }).click();
  await dialog.getByLabel('Web or e-mail address').fill('javascript:alert(1)');
  await expect(dialog.getByRole('alert')).toContainText('only http, https and mailto');
  await expect(dialog.getByRole('button', { name: 'Lead there' })).toBeDisabled();
  await dialog.getByLabel('Web or e-mail address').fill('petrel.example/lamp');
  await dialog.getByRole('button', { name: 'Lead there' }).click();
  await expect(ways).toContainText('petrel.example/lamp');

  await ways.getByRole('button', { name: 'Add a way out' }).click();
  await dialog.getByRole('radio', { name: 'A file' }).click();
  await dialog.getByLabel('File to link').setInputFiles({
    name: 'tides.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('day,high\n1,6:10\n'),
  });
  await expect(ways).toContainText('tides.csv');

  await ways.getByRole('button', { name: 'Add a way out' }).click();
  await dialog.getByRole('radio', { name: 'Another deck' }).click();
  await dialog.getByRole('button', { name: 'Rock Pool Sort' }).click();
  await dialog.getByRole('button', { name: 'The deep edge' }).click();
  await expect(ways).toContainText('Rock Pool Sort: The deep edge');

  await ways.getByRole('button', { name: 'Add a way out' }).click();
  await expect(dialog.getByRole('region', { name: 'Led to lately' })).toContainText(
    'Rock Pool Sort',
  );
  await dialog.getByLabel(/Find a slide/).fill('Row');
  await dialog
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: 'Row out', exact: true }) })
    .getByRole('button', { name: 'A spot on it' })
    .click();
  await dialog.getByRole('button', { name: 'Text: Row out' }).click();
  await expect(ways.getByRole('button', { name: /Row out/ })).toHaveCount(2);

  await page.getByRole('button', { name: 'Question', exact: true }).click();
  await page.getByRole('button', { name: 'Choice', exact: true }).click();
  await page.getByText('Options lead to').click();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'First option' })
    .getByRole('button', { name: 'Lead to' })
    .click();
  await dialog.getByRole('listitem').getByRole('button', { name: 'Row out', exact: true }).click();
  await expect(ways).toContainText('First option');
  await isSaved(page);

  // A student gets those that are for students.
  await page.getByRole('link', { name: 'Lessons' }).click();
  await page.getByRole('button', { name: 'Start a lesson' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  const label = await page.getByRole('button', { name: /Join code/ }).getAttribute('aria-label');
  const student = await someone(browser);
  await joinAs(student, /Join code (.*):/.exec(label ?? '')![1]!, 'Otis');
  await expect(student.getByText('Rock Pool Sort')).toHaveCount(0);
  const download = student.waitForEvent('download');
  await student.getByRole('link', { name: 'tides.csv' }).click();
  expect((await download).suggestedFilename()).toBe('tides.csv');
  await expect(student.getByRole('button', { name: /First option →/ })).toHaveCount(0);
  await student.getByRole('radio', { name: 'First option' }).check();
  await student.getByRole('button', { name: /First option →/ }).click();
  await expect(student.getByRole('group', { name: 'Row out' }).first()).toBeVisible();
});

test('an address pasted on something leads it there; a link is followed, copied and cut in place', async ({
  browser,
}) => {
  const page = await signIn(
    await someone(browser, { permissions: ['clipboard-read', 'clipboard-write'] }),
  );
  await twoSlides(page, 'Pasted');
  await page.getByRole('button', { name: 'Shape', exact: true }).click();
  await page.getByRole('button', { name: 'Ellipse' }).click();
  const shape = page.getByRole('button', { name: 'Ellipse, empty' });
  await expect(shape).toBeFocused();
  await page.evaluate(() => navigator.clipboard.writeText('https://petrel.example/tides'));
  await page.keyboard.press('Control+v');
  const ways = page.getByRole('region', { name: 'Ways out' });
  await expect(ways).toContainText('petrel.example/tides');

  const tray = page.getByRole('toolbar', { name: 'Tray' });
  await page.getByRole('button', { name: 'Text: Row out' }).click();
  await tray.getByRole('button', { name: 'Copy the link' }).click();
  await shape.click();
  await shape.focus();
  await page.keyboard.press('Control+v');
  await expect(ways.getByRole('button', { name: /Row out$/ })).toHaveCount(2);
  await tray.getByRole('button', { name: 'Follow' }).click();
  await expect(page.getByRole('group', { name: 'Stage: Row out' })).toBeVisible();
  await page.goBack();
  await shape.click();
  await tray.getByRole('button', { name: 'Cut the link' }).click();
  await expect(ways.getByRole('button', { name: /Row out$/ })).toHaveCount(1);
});

test('deleting what carries a way out asks once what becomes of the wire', async ({ browser }) => {
  const page = await signIn(await someone(browser));
  await twoSlides(page, 'Carriers');
  const line = page.getByRole('button', { name: 'Text: Row out' });
  await line.click();
  await line.press('Delete');
  await page.getByRole('button', { name: 'Keep the wire' }).click();
  const ways = page.getByRole('region', { name: 'Ways out' });
  await expect(ways).toContainText('Not on the slide any more');
  // The map says of it what Check and students go by.
  await page.getByRole('link', { name: 'Map', exact: true }).click();
  await page.getByRole('group', { name: 'Pier', exact: true }).first().click();
  await page.keyboard.press('Alt+ArrowRight');
  await expect(page.getByRole('toolbar', { name: 'Map', exact: true })).toContainText(
    'Students do not get it: nothing on its slide carries it',
  );
  await page.getByRole('group', { name: 'Pier', exact: true }).first().dblclick();
  await ways.getByRole('button', { name: 'Put it back' }).click();
  await expect(line).toBeVisible();
  await line.click();
  await line.press('Delete');
  await page.getByRole('button', { name: 'Delete both' }).click();
  await expect(ways).not.toContainText('Row out');
});
