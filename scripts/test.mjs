import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { startCluster } from './postgres.mjs';
import {
  build,
  checkModules,
  checkNode,
  checkPackages,
  root,
  run,
  say,
  workFolder,
} from './setup.mjs';

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
  say(`\n── ${name}`);
  const from = Date.now();
  await what();
  took.push(`${name} ${Math.round((Date.now() - from) / 1000)} s`);
}

const check = (name, program, args) =>
  timed(name, () => {
    if (run(program, args)) passed++;
    else failed++;
  });

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

if (wants('static')) {
  await check('Formatting', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
  await check('Lint', 'npx', ['eslint', '.']);
  await check('Types of the interface', 'npx', ['tsc', '-p', 'apps/web']);
  await check('Types of the tests of the core', 'npx', [
    'tsc',
    '-p',
    'packages/core/tsconfig.test.json',
  ]);
  await check('Types of the tests of the server', 'npx', [
    'tsc',
    '-p',
    'apps/server/tsconfig.test.json',
  ]);
  await check('Types of the browser tests', 'npx', ['tsc', '-p', 'e2e']);
  await check('Types of the benchmarks', 'npx', ['tsc', '-p', 'bench']);
  await check('What each view downloads', 'node', ['scripts/sizes.mjs']);
}

// A crash of the machine is not among what is tested, so the test cluster does not wait for the disk.
const cluster = await startCluster(join(workFolder, 'test-postgres'), {
  fresh: true,
  durable: false,
});
try {
  if (wants('jest')) {
    const report = join(results, 'jest.json');
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
  if (wants('playwright')) {
    const report = join(results, 'playwright.json');
    await timed('Playwright', () =>
      runAsync('npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts', ...names], {
        DATABASE_URL: cluster.createDatabase('browser'),
        PLAYWRIGHT_JSON_OUTPUT_NAME: report,
      }),
    );
    count('Playwright', report, ({ stats }) => [stats.expected + stats.flaky, stats.unexpected]);
  }
} finally {
  cluster.stop();
}

say(`\n${took.join(', ')}`);
say(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
