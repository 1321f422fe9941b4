import { expect, type WebSocketRoute } from '@playwright/test';
import { Client } from 'pg';
import { boxOf, COAUTHOR, copyOfLamp, drag, isSaved, signIn, someone, test } from './people';

const SAID = 'You may look at this, and not change it.';

/** The interface does not offer this role yet; the table of who may what has it. Whoever had another is lowered. */
async function letLookAt(deckId: string, email: string): Promise<void> {
  const database = new Client({ connectionString: process.env.DATABASE_URL });
  await database.connect();
  await database.query(
    `INSERT INTO deck_person (deck_id, teacher_id, role)
     SELECT $1, id, 'viewer' FROM teacher WHERE email = $2
     ON CONFLICT (deck_id, teacher_id) DO UPDATE SET role = 'viewer'`,
    [deckId, email],
  );
  await database.end();
}

test('whoever may only look at a deck sees it change, changes nothing, and writes as soon as that is allowed', async ({
  browser,
}) => {
  const ines = await signIn(await someone(browser));
  const deck = await copyOfLamp(ines);
  // Something for Check to find: a slide that leads nowhere.
  await ines.goto(`${deck}/map`);
  await ines
    .getByRole('application', { name: 'Map of the deck' })
    .getByRole('group', { name: 'Up the tower', exact: true })
    .click();
  await ines.keyboard.press('Tab');
  await ines.getByLabel('Wording of the choice').fill('Fall down');
  await ines.keyboard.press('Enter');
  await isSaved(ines);
  await letLookAt(deck.split('/').at(-1)!, COAUTHOR.email);
  const his = await someone(browser);
  const sockets: WebSocketRoute[] = [];
  await his.routeWebSocket(/\/sync/, (socket) => {
    socket.connectToServer();
    sockets.push(socket);
  });
  const tomas = await signIn(his, COAUTHOR);
  await tomas.goto(`${deck}/map`);
  const saved = tomas.getByRole('status', { name: 'Saved state' });
  await expect(saved).toHaveText('to look at');
  const map = tomas.getByRole('application', { name: 'Map of the deck' });
  const bar = tomas.getByRole('toolbar', { name: 'Map', exact: true });
  await expect(bar).toContainText(SAID);
  await expect(tomas.getByLabel('Name of the deck')).not.toBeEditable();
  await expect(tomas.getByRole('button', { name: 'Share' })).toHaveCount(0);
  await expect(tomas.getByRole('link', { name: 'Lessons' })).toHaveCount(0);

  // What is folded is folded on this page alone.
  await map.getByRole('button', { name: 'Fold The storm' }).click();
  await expect(map.getByRole('group', { name: 'Up the tower', exact: true })).toHaveCount(0);
  await expect(tomas.getByText(SAID)).toHaveCount(1);
  await map.getByRole('button', { name: 'Unfold The storm' }).click();
  await expect(map.getByRole('group', { name: 'Up the tower', exact: true })).toBeVisible();
  await map.getByRole('button', { name: 'Fold The storm' }).click();
  await expect(map.getByRole('group', { name: 'Up the tower', exact: true })).toHaveCount(0);
  await tomas.reload();
  await expect(map.getByRole('group', { name: 'Up the tower', exact: true })).toBeVisible();

  // Keys and gestures ask the same gate as buttons do.
  const card = map.getByRole('group', { name: 'The lamp goes out', exact: true });
  await card.click();
  await tomas.keyboard.press('Tab');
  await expect(tomas.getByText(SAID)).toHaveCount(2);
  await expect(tomas.getByLabel('Wording of the choice')).toHaveCount(0);
  await tomas.keyboard.press('Delete');
  await expect(card).toBeVisible();
  await tomas.keyboard.press('Control+z');
  await tomas.keyboard.press('Alt+ArrowRight');
  await tomas.keyboard.press('F2');
  await expect(tomas.getByLabel('Wording of the choice')).toHaveCount(0);
  for (const key of ['Control+k', 'Delete']) {
    await tomas.keyboard.press(key);
    await expect(tomas.getByRole('dialog')).toHaveCount(0);
  }
  await tomas.getByRole('button', { name: 'Plan' }).click();
  const plan = tomas.getByRole('textbox', { name: 'Written plan' });
  const planned = await plan.inputValue();
  await plan.click();
  await tomas.keyboard.press('Tab');
  await tomas.keyboard.press('Enter');
  await tomas.keyboard.type('- Not mine');
  await expect(plan).toHaveValue(planned);
  await tomas.getByRole('button', { name: 'Plan' }).click();
  await tomas.getByRole('button', { name: 'Trails' }).click();
  await expect(tomas.getByRole('button', { name: 'New trail' })).toHaveCount(0);
  await tomas.getByRole('link', { name: 'Check' }).click();
  const left = tomas.getByRole('article', { name: /No way on/ });
  await expect(left.getByRole('button', { name: 'Open the slide' })).toBeVisible();
  await expect(left.getByRole('button')).toHaveCount(1);
  // Lessons are for those who may teach with it, also by their address.
  await tomas.goto(`${deck}/lessons`);
  await expect(map).toBeVisible();
  await card.click();
  await bar.getByRole('button', { name: 'Open' }).click();

  const stage = tomas.getByRole('group', { name: 'Stage: The lamp goes out' });
  await expect(tomas.getByRole('toolbar', { name: 'Tray' })).toContainText(SAID);
  await expect(tomas.getByRole('button', { name: 'Set out' })).toHaveCount(0);
  const title = stage.getByRole('button', { name: 'Text: The lamp goes out' });
  const before = await boxOf(title);
  await drag(tomas, title, stage, { x: 0.7, y: 0.8 });
  expect(await boxOf(title)).toEqual(before);
  await title.dblclick();
  await tomas.keyboard.type('not mine');
  await tomas.keyboard.press('Delete');
  await expect(stage.locator('[contenteditable=true]')).toHaveCount(0);
  await expect(title).toBeVisible();
  await expect(tomas.getByLabel('Notes for you')).not.toBeEditable();
  await expect(stage).not.toContainText('not mine');

  // It stays so where there is no network, also when the deck is opened from this device.
  await tomas.context().setOffline(true);
  await tomas.getByRole('link', { name: 'Decks' }).click();
  await tomas.getByRole('link', { name: 'Keep the Lamp Lit (copy)' }).first().click();
  await expect(bar).toContainText(SAID);
  await card.click();
  await bar.getByRole('button', { name: 'Open' }).click();
  await expect(tomas.getByRole('toolbar', { name: 'Tray' })).toContainText(SAID);
  await title.click();
  await tomas.keyboard.press('Delete');
  await expect(tomas.getByText(SAID)).toHaveCount(2);
  await expect(title).toBeVisible();
  await expect(saved).toHaveText('kept on this device');
  await tomas.context().setOffline(false);
  await expect(saved).toHaveText('to look at');

  await ines.goto(`${deck}/slide`);
  await ines.getByLabel('Notes for you').fill('Ask who has seen a lamp.');
  await expect(tomas.getByLabel('Notes for you')).toHaveValue('Ask who has seen a lamp.');

  // Let in to write, under the open page.
  await ines.getByRole('button', { name: 'Share' }).click();
  const share = ines.getByRole('dialog');
  await share.getByLabel('What Tomas Maren may do').selectOption('may build');
  await expect(saved).toHaveText('saved');
  await tomas.getByLabel('Notes for you').fill('Ask who has one.');
  await expect(ines.getByLabel('Notes for you')).toHaveValue('Ask who has one.');
  // And lowered again under the open page, with something in hand: it stays where everybody has it.
  const at = await boxOf(title);
  const onStage = async (): Promise<[number, number]> => {
    const [one, all] = [await boxOf(title), await boxOf(stage)];
    return [Math.round(one.x - all.x), Math.round(one.y - all.y)];
  };
  const lies = await onStage();
  await tomas.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await tomas.mouse.down();
  await tomas.mouse.move(at.x + 120, at.y + 160, { steps: 5 });
  await letLookAt(deck.split('/').at(-1)!, COAUTHOR.email);
  for (const socket of sockets) await socket.close({ code: 4205, reason: 'changed' });
  await expect(saved).toHaveText('to look at');
  await tomas.mouse.move(at.x + 140, at.y + 180, { steps: 2 });
  await tomas.mouse.up();
  await expect.poll(onStage).toEqual(lies);
  await expect(tomas.getByLabel('Notes for you')).not.toBeEditable();
  await ines.keyboard.press('Escape');
  await ines.getByLabel('Notes for you').fill('Ask who has two.');
  await expect(tomas.getByLabel('Notes for you')).toHaveValue('Ask who has two.');
});
