import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { freePort, startCluster } from './postgres.mjs';
import { build, checkModules, checkNode, checkPackages, root, say, workFolder } from './setup.mjs';

/** `npm run shots`: one picture of each main view, from fresh demo data, into docs/screenshots. */
checkNode();
checkPackages();
checkModules();
build();
const { chromium } = await import('@playwright/test');
const { BROWSER_ARGUMENTS, browserProgram } = await import('./browser.mjs');
const folder = join(root, 'docs', 'screenshots');
mkdirSync(folder, { recursive: true });
const cluster = await startCluster(join(workFolder, 'shots-postgres'), {
  fresh: true,
  durable: false,
});
const port = await freePort();
const base = `http://127.0.0.1:${port}`;
const server = spawn(process.execPath, [join(root, 'apps/server/dist/main.js')], {
  stdio: ['ignore', 'pipe', 'inherit'],
  env: {
    ...process.env,
    PORT: String(port),
    DATABASE_URL: cluster.createDatabase('shots'),
    GOBREL_DEMO: '1',
    GOBREL_WEB: join(root, 'apps/web/dist'),
    LOG_LEVEL: 'warn',
  },
});
await new Promise((done) =>
  server.stdout.on('data', (text) => String(text).includes('listening') && done()),
);
const browser = await chromium.launch({
  executablePath: browserProgram(),
  args: BROWSER_ARGUMENTS,
});
const LAMP = '/deck/00000000-0000-4000-8000-000000000001';
const RUNNING = '00000000-0000-4000-8000-000000000102';

async function someone(viewport = { width: 1280, height: 800 }) {
  const context = await browser.newContext({ viewport, baseURL: base, reducedMotion: 'reduce' });
  return context.newPage();
}
async function shoot(page, name) {
  await page.waitForLoadState('networkidle');
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  say(name);
}
async function join_(page, name) {
  await page.goto('/join?code=TERN+482');
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByRole('button', { name }).waitFor();
  return page.getByRole('button', { name });
}

const student = await someone();
const chosen = await join_(student, 'Kaya Wren');
await shoot(student, 'join');
await chosen.click();
await student.getByRole('link', { name: 'Climb the tower' }).click();
await student.getByRole('link', { name: 'Look first' }).click();
await student.getByLabel('Something in the circuit is open').check();
await student.getByRole('link', { name: 'Follow the wire' }).click();
const wire = student.getByRole('button', { name: 'Piece: copper wire' });
await wire.press('Enter');
await student.getByRole('button', { name: 'Put into the gap' }).click();
await shoot(student, 'student');
await student.getByRole('button', { name: 'My leaves' }).click();
await student.getByRole('button', { name: /Add a leaf/ }).click();
for (const words of ['Copper, not string', 'The current needs a metal all the way round.']) {
  await student.getByRole('button', { name: 'Text, empty' }).first().dblclick();
  await student.getByRole('textbox', { name: 'Text, empty' }).pressSequentially(words);
  await student.keyboard.press('Escape');
}
await shoot(student, 'leaf');

const phone = await someone({ width: 390, height: 844 });
await (await join_(phone, 'Lene Fisk')).click();
await phone.getByRole('button', { name: 'Climb the tower' }).click();
await phone.getByRole('button', { name: 'Look first' }).click();
await phone.getByRole('radio', { name: 'The battery is flat' }).check();
await phone.getByRole('button', { name: 'Follow the wire' }).click();
await phone.getByRole('button', { name: 'copper wire', exact: true }).click();
await shoot(phone, 'phone');

const teacher = await someone();
await teacher.goto('/sign-in');
await teacher.getByLabel('E-mail').fill('ines@gobrel.example');
await teacher.getByLabel('Password').fill('petrel-isle-lamp');
await teacher.getByRole('button', { name: 'Sign in' }).click();
await teacher.getByText('Keep the Lamp Lit').waitFor();
await shoot(teacher, 'decks');
await teacher.goto(`${LAMP}/map`);
await teacher.getByRole('group', { name: 'Up the tower', exact: true }).click();
await shoot(teacher, 'map');
await teacher.goto(`${LAMP}/slide/wire`);
await teacher.getByRole('button', { name: 'Text: Copper' }).click();
await shoot(teacher, 'slide');
const WEATHER = LAMP.replace(/1$/, '4');
await teacher.goto('/new');
await teacher.getByRole('heading', { name: 'Who moved the lamp?' }).first().waitFor();
await shoot(teacher, 'beginnings');
await teacher.getByRole('button', { name: /^Five stations/ }).click();
await teacher.getByRole('button', { name: 'Begin', exact: true }).click();
await teacher.getByRole('application', { name: 'Map of the deck' }).waitFor();
await teacher.getByRole('link', { name: 'Slide', exact: true }).click();
await teacher.getByRole('button', { name: /^Theme/ }).click();
await teacher.getByRole('group', { name: 'Themes' }).waitFor();
await shoot(teacher, 'themes');
await teacher.goto(`${WEATHER}/map`);
await teacher.getByRole('button', { name: 'Written plan' }).click();
await teacher.getByRole('button', { name: 'Fit the whole map' }).click();
await shoot(teacher, 'plan');
await teacher.goto(`${LAMP}/lessons`);
await shoot(teacher, 'lessons');
await teacher.goto(`${LAMP}/show`);
await teacher.getByRole('link', { name: 'Run to the boathouse' }).click();
await teacher.mouse.move(600, 790);
await shoot(teacher, 'show');
// What whoever gives a show has beside it, with somebody who follows.
const { show } = await (
  await teacher.request.post(`/api/decks/${LAMP.split('/').at(-1)}/show`, {
    headers: { origin: new URL(teacher.url()).origin },
  })
).json();
const follower = await someone({ width: 390, height: 844 });
await follower.goto(`/follow/${show.code.replace(' ', '')}`);
await teacher.goto(`${LAMP}/presenter`);
await teacher.getByRole('region', { name: 'Notes' }).waitFor();
await follower.getByRole('heading', { name: 'The lamp goes out' }).last().waitFor();
await teacher.getByText('device follows and see').waitFor();
await shoot(teacher, 'presenter');
await teacher.goto(`/screen/${RUNNING}`);
await shoot(teacher, 'big-screen');
await teacher.goto(`/desk/${RUNNING}`);
const lessonMap = teacher.getByRole('region', { name: 'Map of the lesson' });
await lessonMap.getByRole('group', { name: 'What the keeper sees', exact: true }).click();
await shoot(teacher, 'desk');
await teacher.goto('/results/00000000-0000-4000-8000-000000000101');
await teacher.getByRole('button', { name: 'Ida Marsh, question 1' }).click();
await shoot(teacher, 'results');
await teacher.goto(`${LAMP}/map`);
await teacher.getByRole('application', { name: 'Map of the deck' }).waitFor();
await teacher.waitForTimeout(800);
await teacher.getByRole('button', { name: 'Share' }).click();
await teacher.getByRole('radio', { name: 'With anyone' }).click();
await teacher.getByRole('radio', { name: 'On all' }).click();
await teacher.getByRole('button', { name: 'Publish', exact: true }).click();
await teacher.getByLabel('Address of the published deck').waitFor();
await teacher.waitForTimeout(800);
await shoot(teacher, 'share');
// A lesson of its own, with a practice class in it.
await teacher.goto(`${LAMP}/lessons`);
await teacher.getByRole('button', { name: 'Start a lesson' }).click();
await teacher.getByRole('button', { name: 'Start', exact: true }).click();
await teacher.getByRole('button', { name: 'Practice class' }).click();
await teacher.getByRole('button', { name: '24', exact: true }).click();
await teacher.getByText(/24 here/).waitFor();
await teacher.waitForTimeout(9000);
await teacher
  .getByRole('region', { name: 'Map of the lesson' })
  .getByRole('group', { name: 'What the keeper sees', exact: true })
  .click();
await teacher.waitForTimeout(500);
await teacher.screenshot({ path: join(folder, 'practice.png') });
await teacher.getByRole('button', { name: /take it out/ }).click();
// The draft, for Check.
await teacher.goto(LAMP.replace(/1$/, '5') + '/check');
await teacher.getByRole('article').first().waitFor();
await shoot(teacher, 'check');

await browser.close();
server.kill('SIGTERM');
await new Promise((done) => server.once('exit', done));
cluster.stop();
