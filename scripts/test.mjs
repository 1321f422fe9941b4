import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { startCluster } from './postgres.mjs';
import { build, checkModules, checkNode, checkPackages, root, say, workFolder } from './setup.mjs';

/**
 * `npm test`: formatting, lint, types, Jest and Playwright, on a cluster of its own.
 * Ends with a line `N passed, N failed`; each check that is no test counts as one.
 */
checkNode();
checkPackages();
checkModules();
build({ force: true });

let passed = 0;
let failed = 0;
const results = join(workFolder, 'test');
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });

/** How long each part took, in seconds. */
const took = [];
async function timed(name, what) {
  const from = Date.now();
  await what();
  took.push(`${name} ${Math.round((Date.now() - from) / 1000)} s`);
}

/**
 * What is told of the code without running it, one after another, behind the browsers: those wait for what they see about
 * a third of the time. What a check says is shown when it has ended.
 */
const CHECKS = [
  ['Formatting', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']],
  ['Lint', 'npx', ['eslint', '.']],
  ['Types of the interface', 'npx', ['tsc', '-p', 'apps/web']],
  ['Types of the tests of the core', 'npx', ['tsc', '-p', 'packages/core/tsconfig.test.json']],
  ['Types of the tests of the server', 'npx', ['tsc', '-p', 'apps/server/tsconfig.test.json']],
  ['Types of the browser tests', 'npx', ['tsc', '-p', 'e2e']],
  ['Types of the benchmarks', 'npx', ['tsc', '-p', 'bench']],
  ['Nothing unused', 'npx', ['knip', '--no-progress']],
  ['What each view downloads', 'node', ['scripts/sizes.mjs']],
];

async function checkAll() {
  for (const [name, program, args] of CHECKS) {
    await timed(name, async () => {
      const { code, said } = await runBehind(program, args);
      say(`\n── ${name}\n${said}${code === 0 ? 'passed' : 'FAILED'}`);
      if (code === 0) passed++;
      else failed++;
    });
  }
}

function count(name, file, read) {
  try {
    const [good, bad] = read(JSON.parse(readFileSync(file, 'utf8')));
    passed += good;
    failed += bad;
  } catch (error) {
    say(`${name} left no report: ${error.message}`);
    failed++;
  }
}

/** Runs a program at low priority to its end, and gives what it said. */
function runBehind(program, args) {
  return new Promise((done) => {
    const child = spawn('nice', ['-n', '10', program, ...args], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) {
      stream.setEncoding('utf8').on('data', (text) => (said += text));
    }
    child.on('close', (code) => done({ code, said }));
  });
}

function runAsync(program, args, env) {
  return new Promise((done) => {
    const child = spawn(program, args, {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...env },
    });
    child.on('exit', done);
  });
}

/** `npm test -- [static] [jest] [playwright] [names of test files …]` */
const PARTS = ['static', 'jest', 'playwright'];
const only = process.argv.slice(2).filter((word) => PARTS.includes(word));
const names = process.argv.slice(2).filter((word) => !PARTS.includes(word));
const wants = (part) => only.length === 0 || only.includes(part);

// A crash of the machine is not among what is tested, so the test cluster does not wait for the disk.
const cluster = await startCluster(join(workFolder, 'test-postgres'), {
  fresh: true,
  durable: false,
});
try {
  if (wants('jest')) {
    const report = join(results, 'jest.json');
    say('\n── Jest');
    await timed('Jest', () =>
      runAsync('npx', ['jest', '--json', `--outputFile=${report}`, ...names], {
        DATABASE_URL: cluster.createDatabase('jest'),
      }),
    );
    count('Jest', report, (said) => [
      said.numPassedTests,
      said.numFailedTests + said.numRuntimeErrorTestSuites,
    ]);
  }
  const checked = wants('static') ? checkAll() : null;
  if (wants('playwright')) {
    const report = join(results, 'playwright.json');
    say('\n── Playwright');
    await timed('Playwright', () =>
      runAsync('npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts', ...names], {
        DATABASE_URL: cluster.createDatabase('browser'),
        PLAYWRIGHT_JSON_OUTPUT_NAME: report,
      }),
    );
    count('Playwright', report, ({ stats }) => [stats.expected, stats.unexpected + stats.flaky]);
  }
  await checked;
} finally {
  cluster.stop();
}

say(`\n${took.join(', ')}`);
say(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
