import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { BROWSER_PACKAGE, browserProgram } from './browser.mjs';
import { postgresFolder } from './postgres.mjs';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
export const workFolder = join(root, '.gobrel');

/** Ends with a sentence instead of a stack. */
export function giveUp(sentence) {
  process.stderr.write(`\n${sentence}\n`);
  process.exit(1);
}

export function say(line) {
  process.stdout.write(`${line}\n`);
}

/** Runs a program to its end; `quiet` shows its output only when it fails. */
export function run(program, args, { quiet = false, env = {} } = {}) {
  const result = spawnSync(program, args, {
    cwd: root,
    stdio: quiet ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  if (quiet && result.status !== 0)
    process.stdout.write(`${result.stdout ?? ''}${result.stderr ?? ''}`);
  return result.status === 0;
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    giveUp(`Gobrel needs Node 20.19 or newer; this is ${process.versions.node}.`);
  }
}

/** Debian packages that are missing are installed when we may, otherwise the one command is printed. */
export function checkPackages({ browser = true } = {}) {
  const missing = [
    ...(postgresFolder() ? [] : ['postgresql']),
    ...(!browser || browserProgram() ? [] : [BROWSER_PACKAGE]),
  ];
  if (missing.length === 0) return;
  const command = `apt-get update && apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  if (process.getuid?.() !== 0)
    giveUp(`Missing: ${missing.join(', ')}. Run this once:\n  sudo sh -c '${command}'`);
  say(`Installing ${missing.join(' and ')} …`);
  if (!run('sh', ['-c', command], { quiet: true, env: { DEBIAN_FRONTEND: 'noninteractive' } })) {
    giveUp(`That did not work. Run it by hand:\n  ${command}`);
  }
}

/** `npm ci` when the lock file is not the one that was installed last. */
export function checkModules() {
  const note = join(workFolder, 'installed');
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const isThere = existsSync(join(root, 'node_modules'));
  if (isThere && existsSync(note) && readFileSync(note, 'utf8') === lock) return;
  say('Installing packages …');
  if (!run('npm', ['ci', '--no-audit', '--no-fund'], { quiet: true }))
    giveUp('npm ci failed; see above.');
  mkdirSync(workFolder, { recursive: true });
  writeFileSync(note, lock);
}

/** Builds what is older than its sources. */
export function build({ force = false } = {}) {
  const servers = newest([
    'packages/core/src',
    'demo/src',
    'apps/server/src',
    'tsconfig.base.json',
  ]);
  if (force || servers > newestFile('apps/server/dist/main.js')) {
    say('Building the server …');
    if (!run('npx', ['tsc', '-b'], { quiet: true }))
      giveUp('The server does not build; see above.');
    touch('apps/server/dist/main.js');
  }
  const pages = newest([
    'packages/core/src',
    'apps/web/src',
    'apps/web/index.html',
    'apps/web/vite.config.ts',
    'apps/web/vite.along.config.ts',
  ]);
  if (force || pages > newestFile('apps/web/dist/index.html')) {
    say('Building the interface …');
    if (!run('npm', ['run', 'build', '-w', '@gobrel/web'], { quiet: true }))
      giveUp('The interface does not build; see above.');
  }
}

function touch(path) {
  const at = join(root, path);
  writeFileSync(at, readFileSync(at));
}

function newestFile(path) {
  const at = join(root, path);
  return existsSync(at) ? statSync(at).mtimeMs : 0;
}

function newest(paths) {
  let latest = 0;
  for (const path of paths) {
    const at = join(root, path);
    if (!existsSync(at)) continue;
    if (statSync(at).isDirectory()) {
      for (const entry of readdirSync(at)) latest = Math.max(latest, newest([join(path, entry)]));
    } else latest = Math.max(latest, statSync(at).mtimeMs);
  }
  return latest;
}
