import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, posix } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = dirname(fileURLToPath(import.meta.url));

/** What each file of the core imports from the others, by value or by type. */
function imports(): Map<string, string[]> {
  const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter(
    (file) => file.endsWith('.ts') && !file.endsWith('.test.ts'),
  );
  return new Map(
    files.map((file) => [
      file,
      [...readFileSync(join(ROOT, file), 'utf8').matchAll(/ from '(\.[^']+)\.js'/g)].map(
        ([, path]) => `${posix.join(posix.dirname(file), path!)}.ts`,
      ),
    ]),
  );
}

/** What can be reached from a file, and how. */
function waysFrom(start: string, to: ReadonlyMap<string, string[]>): Map<string, string[]> {
  const ways = new Map<string, string[]>();
  const next = [[start]];
  for (let way; (way = next.shift());) {
    for (const file of to.get(way.at(-1)!) ?? []) {
      if (ways.has(file)) continue;
      ways.set(file, [...way, file]);
      next.push([...way, file]);
    }
  }
  return ways;
}

test('no file of the core needs itself, neither by value nor by type', () => {
  const all = imports();
  expect(all.size).toBeGreaterThan(140);
  expect([...all.values()].flat().filter((file) => !all.has(file))).toEqual([]);
  const circles = [...all.keys()].flatMap((file) => {
    const circle = waysFrom(file, all).get(file);
    return circle ? [circle.join(' > ')] : [];
  });
  expect(circles).toEqual([]);
});
