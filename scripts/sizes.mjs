import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { root, say } from './setup.mjs';

/*
 * What each view downloads before it can be used: its own script and all that this imports at once, with the
 * application's, compressed. The limits stand in `apps/web/sizes.json`, in bytes.
 */
const dist = join(root, 'apps/web/dist/static');
const files = readdirSync(dist).filter((file) => file.endsWith('.js'));
const weights = new Map();
const needs = new Map();
for (const file of files) {
  const code = readFileSync(join(dist, file), 'utf8');
  weights.set(file, gzipSync(code).length);
  needs.set(
    file,
    [...code.matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)].map(([, other]) => other),
  );
}

function allOf(file, seen = new Set()) {
  if (seen.has(file) || !weights.has(file)) return seen;
  seen.add(file);
  for (const other of needs.get(file)) allOf(other, seen);
  return seen;
}

const html = readFileSync(join(root, 'apps/web/dist/index.html'), 'utf8');
const entries = [...html.matchAll(/static\/([^"]+\.js)/g)].map(([, file]) => file);
const limits = JSON.parse(readFileSync(join(root, 'apps/web/sizes.json'), 'utf8'));
/** Whose pages are led to by the application itself; all others by the part that lists them. */
const AT_ONCE = ['JoinPage', 'StudentPage', 'PublishedPage'];
const listing = files.filter((file) => file.startsWith('Teaching-'));
let isOver = false;
for (const [view, most] of Object.entries(limits)) {
  const own = files.filter((file) => file.replace(/-[\w-]{8}\.js$/, '') === view);
  const first = AT_ONCE.includes(view) ? entries : [...entries, ...listing];
  const seen = new Set([...first, ...own].flatMap((file) => [...allOf(file)]));
  const bytes = [...seen].reduce((sum, file) => sum + weights.get(file), 0);
  const isFine = own.length === 1 && bytes <= most;
  isOver ||= !isFine;
  say(
    `${isFine ? '  ' : '! '}${view.padEnd(18)}${String(bytes).padStart(9)} of ${most} bytes${own.length === 1 ? '' : ', and it is not one file'}`,
  );
}
process.exit(isOver ? 1 : 0);
