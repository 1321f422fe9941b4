import { spawnSync } from 'node:child_process';
import {
  cpSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join, relative } from 'node:path';
import ts from 'typescript';
import { startCluster } from './postgres.mjs';
import { giveUp, root, say, workFolder } from './setup.mjs';

/*
 * `npm run mutate -- [core|server] [how many] [seed]`: puts one fault at a time into a copy of the sources and runs the
 * tests that lie near it, then all of that part. What no test notices survives and is listed; the share that was noticed
 * is told by folder. The faults are drawn by a seed, so that what survived can be looked at again.
 */
const AREAS = {
  core: ['packages/core/src'],
  server: ['apps/server/src/access', 'apps/server/src/folios'],
};
const [area = 'core', amount = '30', seed = '1'] = process.argv.slice(2);
if (!AREAS[area]) giveUp('Say core or server.');
const copy = join(workFolder, 'mutate');

/** Draws numbers from a seed (Lehmer, 1951). */
let state = Number(seed) * 7919 + 1;
const below = (most) => (state = (state * 48271) % 2147483647) % most;

const SWAPS = new Map(
  [
    ['<', '<='],
    ['>', '>='],
    ['===', '!=='],
    ['&&', '||'],
    ['+', '-'],
    ['*', '/'],
    ['true', 'false'],
  ].flatMap(([one, other]) => [
    [one, other],
    [other, one],
  ]),
);

/** All faults that may be put into a file: where, and what is written there instead. */
function faultsIn(file) {
  const code = readFileSync(join(root, file), 'utf8');
  const source = ts.createSourceFile(file, code, ts.ScriptTarget.Latest, true);
  const found = [];
  const note = (node, instead) =>
    found.push({ file, from: node.getStart(), to: node.getEnd(), instead, was: node.getText() });
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node))
      return;
    if (ts.isBinaryExpression(node)) {
      const swap = SWAPS.get(node.operatorToken.getText());
      const isText = /['"`]/.test(node.left.getText() + node.right.getText());
      if (swap && !(isText && '+-*/'.includes(swap))) note(node.operatorToken, swap);
    }
    if (node.kind === ts.SyntaxKind.TrueKeyword || node.kind === ts.SyntaxKind.FalseKeyword) {
      note(node, SWAPS.get(node.getText()));
    }
    if (ts.isNumericLiteral(node)) note(node, String(Number(node.text) + 1));
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken) {
      note(node, node.operand.getText());
    }
    if (ts.isConditionalExpression(node)) {
      const { condition, whenTrue, whenFalse } = node;
      note(node, `${condition.getText()} ? ${whenFalse.getText()} : ${whenTrue.getText()}`);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

function begin() {
  rmSync(copy, { recursive: true, force: true });
  mkdirSync(copy, { recursive: true });
  const leave = /(^|\/)(node_modules|dist|\.gobrel|\.git|test-results)(\/|$)/;
  for (const part of [
    'packages',
    'apps/server',
    'demo',
    'jest.config.js',
    'package.json',
    'docs',
    'tsconfig.base.json',
  ]) {
    cpSync(join(root, part), join(copy, part), {
      recursive: true,
      filter: (from) => !leave.test(relative(root, from)),
    });
  }
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'));
  // What tests run as a process of its own is run as it was built.
  if (area === 'server')
    symlinkSync(join(root, 'apps/server/dist'), join(copy, 'apps/server/dist'));
}

const cluster =
  area === 'server'
    ? await startCluster(join(workFolder, 'mutate-postgres'), { fresh: true, durable: false })
    : null;
const env = {
  ...process.env,
  ...(cluster ? { DATABASE_URL: cluster.createDatabase('mutate') } : {}),
};

/** Whether a test that matches fails; one that never ends has noticed, too. */
function isNoticed(pattern) {
  const { status } = spawnSync(
    process.execPath,
    [
      ...[join(root, 'node_modules/jest/bin/jest.js'), '--selectProjects', area, '--bail'],
      ...['--testPathPatterns', pattern, '--passWithNoTests'],
    ],
    { cwd: copy, env, stdio: 'ignore', timeout: 300_000 },
  );
  return status !== 0;
}

/** A few tests of each part that are quickly run. */
const SOUND = { core: 'packages/core/src/parts/', server: 'apps/server/src/access/' };

/** Tests that fail without a fault notice everything. */
function mustPass() {
  if (isNoticed(SOUND[area])) {
    throw new Error('Tests fail without a fault: nothing can be said of what they notice.');
  }
}

const files = AREAS[area].flatMap((folder) =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !/\.test\.ts$|^testing\/|(^|\/)index\.ts$/.test(file))
    .map((file) => join(folder, file)),
);
const faults = files.flatMap(faultsIn);
say(
  `${faults.length} places for a fault in ${files.length} files; ${amount} are drawn with seed ${seed}.`,
);
begin();
const tally = new Map();
try {
  mustPass();
  for (let drawn = 0; drawn < Number(amount); drawn++) {
    const fault = faults[below(faults.length)];
    const code = readFileSync(join(root, fault.file), 'utf8');
    const at = code.slice(0, fault.from).split('\n').length;
    writeFileSync(
      join(copy, fault.file),
      code.slice(0, fault.from) + fault.instead + code.slice(fault.to),
    );
    const near = dirname(fault.file);
    const noticed = isNoticed(`${near}/`) || isNoticed(`${AREAS[area][0].split('/src')[0]}/`);
    writeFileSync(join(copy, fault.file), code);
    const folder = fault.file.replace(/^.*?src\//, '').split('/')[0];
    const [killed = 0, all = 0] = tally.get(folder) ?? [];
    tally.set(folder, [killed + (noticed ? 1 : 0), all + 1]);
    if (!noticed)
      say(
        `survived: ${fault.file}:${at}  ${fault.was.slice(0, 60)} → ${fault.instead.slice(0, 60)}`,
      );
  }
  mustPass();
} finally {
  cluster?.stop();
  rmSync(copy, { recursive: true, force: true });
}
let [killed, all] = [0, 0];
for (const [folder, [noticed, of]] of [...tally].sort()) {
  say(`${folder.padEnd(14)} ${noticed} of ${of} noticed`);
  killed += noticed;
  all += of;
}
say(`${killed} of ${all} noticed: ${Math.round((100 * killed) / all)} %`);
