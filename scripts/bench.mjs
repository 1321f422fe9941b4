import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { startCluster } from './postgres.mjs';
import { build, checkModules, checkNode, checkPackages, root, say, workFolder } from './setup.mjs';

/** `npm run bench`: every benchmark with its baseline in the same run, on a cluster that waits for its disk. */
const BENCHES = [
  'acknowledgedSave',
  'folioSync',
  'fullCheck',
  'deckMemory',
  'growth',
  'planText',
  'setOut',
  'mapPan',
  'scenery',
  'stage',
  'largeDeck',
  'tallies',
  'joinStorm',
  'classSizes',
  'heavyTallies',
  'hostileClass',
  'readers',
  'followers',
  'takeAlong',
];
const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !BENCHES.includes(name));
if (unknown.length > 0) {
  say(`There is no benchmark ${unknown.join(', ')}: ${BENCHES.join(', ')}.`);
  process.exit(1);
}
checkNode();
checkPackages();
checkModules();
build();
const cluster = await startCluster(join(workFolder, 'bench-postgres'), { fresh: true });
try {
  for (const name of BENCHES.filter((bench) => wanted.length === 0 || wanted.includes(bench))) {
    say(`\n── ${name}`);
    const child = spawn(process.execPath, [join(root, 'bench', `${name}.mjs`)], {
      stdio: 'inherit',
      env: { ...process.env, DATABASE_URL: cluster.createDatabase(name.toLowerCase()) },
    });
    const code = await new Promise((resolve) => child.once('exit', resolve));
    if (code !== 0) process.exitCode = 1;
  }
} finally {
  cluster.stop();
}
