import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import imports from 'eslint-plugin-import-x';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/**
 * Rooms from the ground up: each imports only what stands in the lines above its own, by value or by type. Tests may
 * reach everywhere.
 */
const CORE = [
  ['parts', 'access'],
  ['geometry', 'themes', 'layouts'],
  ['questions'],
  ['elements'],
  ['deck'],
  ['map', 'stage', 'scenery'],
  ['composition', 'ownThemes'],
  ['folio', 'starters'],
  ['check', 'lesson', 'results', 'beginnings'],
  ['wire'],
  ['along'],
  ['testing', 'index'],
];
/** No view imports another view; the workspace is what several of them stand in. */
const WEB = [
  ['sync'],
  ['api'],
  ['ui', 'offline'],
  ['deck', 'parts'],
  ['painting'],
  ['questions'],
  // A kind of thing has one folder. What the tray has for it stands higher than its looks.
  ['elements/**/!(Settings|Adding)'],
  ['stage'],
  ['cards', 'editing'],
  ['links', 'lesson', 'starters', 'walking'],
  ['running', 'reading'],
  ['settings'],
  ['elements/*/{Settings,Adding}'],
  [
    ...[
      'account',
      'along',
      'check',
      'classes',
      'decks',
      'desk',
      'lessons',
      'map',
      'results',
      'screen',
      'show',
    ],
    ...['following', 'published', 'sharing', 'slide', 'student'],
  ],
  ['workspace'],
  ['Teaching'],
  ['App'],
  ['main'],
];

/** Room or files, as a pattern. @param {string} root @param {string} room */
const filesOf = (root, room) =>
  /[*A-Z]|^(main|index)$/.test(room) ? `${root}/${room}.{ts,tsx}` : `${root}/${room}/**/*.{ts,tsx}`;

/** @param {string} root @param {string[][]} floors */
const zonesOf = (root, floors) =>
  // Nothing stands above the last one.
  floors.slice(0, -1).flatMap((rooms, floor) =>
    rooms.map((room) => ({
      target: filesOf(root, room).replace('/*.{', '/!(*.test).{'),
      from: floors
        .slice(floor)
        .flat()
        .filter((other) => other !== room)
        .map((other) => filesOf(root, other)),
      message: 'A room imports only from the floors below it.',
    })),
  );

/** @param {string} project @param {string[][]} floors */
const houseOf = (project, floors) => ({
  files: [`${project}/src/**/*.{ts,tsx}`],
  plugins: { 'import-x': imports },
  settings: {
    'import-x/resolver-next': [
      createTypeScriptImportResolver({ project: `${project}/tsconfig.json` }),
    ],
  },
  rules: {
    'import-x/no-cycle': 'error',
    'import-x/no-restricted-paths': ['error', { zones: zonesOf(`./${project}/src`, floors) }],
  },
});

const PACKED_OBJECT = {
  selector: ':matches(ObjectExpression > SpreadElement, JSXSpreadAttribute) > ObjectExpression',
  message: 'Write the properties themselves: in a packed object a misspelt one is not noticed.',
};

/** What is at a place of a list says by itself why it is there; anything else that must be there is told by `sure`. */
const BELIEVED = {
  selector:
    'TSNonNullExpression > :not(MemberExpression[computed=true], CallExpression[callee.property.name=/^(at|pop)$/])',
  message: 'Say why it is there: `sure(value, reason)`.',
};
/** Where types are checked as strictly as they can be. */
const STRICT = {
  files: ['packages/core/src/**/*.ts', 'apps/server/src/**/*.ts'],
  ignores: ['**/*.test.{ts,tsx}', '**/testing/**'],
};

export default tseslint.config(
  { ignores: ['**/dist/', '**/node_modules/', '.gobrel/', 'test-results/', 'bench/results/'] },
  ...tseslint.configs.recommended,
  ...tseslint.configs.strictTypeChecked.map((config) => ({ ...config, ...STRICT })),
  {
    ...STRICT,
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      // What Nest and its DTOs declare as classes is handed about as plain objects.
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      // Modules of Nest.
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
    },
  },
  {
    linterOptions: { reportUnusedDisableDirectives: 'error' },
    rules: {
      eqeqeq: 'error',
      'no-console': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
    },
  },
  {
    rules: {
      'no-restricted-syntax': ['error', PACKED_OBJECT],
    },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: STRICT.ignores,
    rules: { 'no-restricted-syntax': ['error', PACKED_OBJECT, BELIEVED] },
  },
  {
    // Nest reads the classes of constructor and handler parameters at run time.
    files: ['apps/server/**/*.ts'],
    rules: { '@typescript-eslint/consistent-type-imports': 'off' },
  },
  {
    files: ['apps/server/src/**/*.ts'],
    ignores: STRICT.ignores,
    rules: {
      'no-restricted-syntax': [
        'error',
        PACKED_OBJECT,
        BELIEVED,
        {
          selector: 'CallExpression[callee.property.name="query"][typeArguments]',
          message: 'Rows are read by `rowsOf`: what a column holds is decoded, not believed.',
        },
      ],
    },
  },
  {
    files: ['apps/web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  houseOf('packages/core', CORE),
  houseOf('apps/web', WEB),
  {
    // The arrows run one way: the core knows neither interface nor server.
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            'react*',
            '@nestjs/*',
            'typeorm*',
            'express*',
            '@hocuspocus/*',
            '@gobrel/*',
            'node:*',
          ],
        },
      ],
    },
  },
  {
    files: ['apps/web/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: ['@gobrel/server*', '@gobrel/demo*', '@nestjs/*', 'node:*'] },
      ],
    },
  },
  {
    // Whose maps are looked at.
    files: ['apps/web/**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-imports': ['error', { patterns: ['@gobrel/server*', '@nestjs/*'] }],
    },
  },
  {
    files: ['apps/web/vite*.config.ts'],
    rules: { 'no-restricted-imports': 'off' },
  },
);
