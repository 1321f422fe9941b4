import ts from 'typescript';
import { join, resolve } from 'node:path';
import { asId, entryAt, newId, type SlideId } from './ids.js';

const folder = resolve('packages/core/src/parts');

/** What the compiler says of lines of code, as everything but tests is compiled. */
function compiled(...lines: string[]): string[] {
  const file = join(folder, 'tried.ts');
  const source = [
    "import { asId, idOf, newId, type ElementId, type LinkId, type SlideId } from './ids.js';",
    "import type { Deck } from '../deck/types.js';",
    "import { setStart } from '../deck/slides/slideCommands.js';",
    'declare const deck: Deck; declare const slideId: SlideId; declare const linkId: LinkId;',
    'declare const words: string; declare const doc: Parameters<typeof setStart.plan>[0];',
    ...lines,
  ].join('\n');
  const options: ts.CompilerOptions = {
    strict: true,
    noEmit: true,
    skipLibCheck: true,
    target: ts.ScriptTarget.ES2023,
    module: ts.ModuleKind.NodeNext,
    moduleResolution: ts.ModuleResolutionKind.NodeNext,
    types: [],
  };
  const host = ts.createCompilerHost(options);
  const own = host.getSourceFile.bind(host);
  host.fileExists = (name) => name === file || ts.sys.fileExists(name);
  host.getSourceFile = (name, ...rest) =>
    name === file ? ts.createSourceFile(file, source, ts.ScriptTarget.ES2023) : own(name, ...rest);
  const program = ts.createProgram([file], options, host);
  const tried = program.getSourceFile(file);
  return program
    .getSemanticDiagnostics(tried)
    .map(({ start = 0 }) => source.slice(0, start).split('\n').length)
    .map((line) => source.split('\n')[line - 1] ?? '');
}

test('the compiler keeps ids apart: from words, and from those of other things', () => {
  const wrong = [
    'const a: SlideId = words;',
    "const b: SlideId = 'lamp';",
    'const c: SlideId = linkId;',
    'const d: ElementId = slideId;',
    'setStart.plan(doc, words);',
    'setStart.plan(doc, linkId);',
    'deck.links[slideId as never as LinkId]?.from === linkId;',
    'deck.slides[slideId]?.elements.some(({ id }) => id === slideId);',
  ];
  const right = [
    'const e: SlideId = newId();',
    'const f: SlideId | null = asId(words);',
    'const g = idOf<SlideId>(words);',
    'setStart.plan(doc, slideId);',
    'const h: string = slideId;',
    'deck.slides[slideId]?.title;',
  ];
  expect(compiled(...wrong, ...right)).toEqual(wrong);
});

test('an id is read from nothing else than what this program gives', () => {
  for (const word of ['', 'A', 'a b', '__proto__', 'constructor', 'x'.repeat(65), 7, null]) {
    expect(asId(word)).toBeNull();
  }
  expect(asId('lamp-7')).toBe('lamp-7');
});

test('fresh ids are read again, and none comes twice', () => {
  const ids = Array.from({ length: 2000 }, () => newId<SlideId>());
  expect(new Set(ids).size).toBe(2000);
  expect(ids.every((id) => asId(id) === id && /^[0-9a-hjkmnp-tv-z]{14}$/.test(id))).toBe(true);
});

test('nothing is found under no id', () => {
  const record = { lamp: 1 } as Record<SlideId, number>;
  expect(entryAt(record, null)).toBeUndefined();
  expect(entryAt<SlideId, number>(record, '')).toBeUndefined();
  expect(entryAt(record, 'lamp' as SlideId)).toBe(1);
});
