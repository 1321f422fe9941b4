const transform = {
  '^.+\\.(t|j)sx?$': [
    '@swc/jest',
    {
      jsc: {
        parser: { syntax: 'typescript', decorators: true, tsx: false },
        transform: {
          legacyDecorator: true,
          decoratorMetadata: true,
          react: { runtime: 'automatic' },
        },
        target: 'es2022',
      },
      module: { type: 'commonjs' },
    },
  ],
};
const shared = {
  transform,
  testEnvironment: 'node',
  // Tests run in a context of their own, where a global is looked up anew each time; this one is given to each module.
  sandboxInjectedGlobals: ['Math'],
  moduleNameMapper: {
    '^@gobrel/core$': '<rootDir>/packages/core/src/index.ts',
    '^@gobrel/core/testing$': '<rootDir>/packages/core/src/testing/builder.ts',
    '^@gobrel/demo$': '<rootDir>/demo/src/index.ts',
    '^(\\.{1,2}/.*)\\.js$': '$1',
    '^file-type$': '<rootDir>/node_modules/file-type/index.js',
    '^culori/fn$': '<rootDir>/node_modules/culori/src/index-fn.js',
  },
  // Dependencies that ship ES modules only.
  transformIgnorePatterns: [
    '/node_modules/(?!(fractional-indexing|file-type|strtok3|token-types|uint8array-extras|@tokenizer|@borewit|culori|ml-[a-z-]+|is-any-array|cheminfo-types)/)',
  ],
  modulePathIgnorePatterns: ['/dist/', '<rootDir>/.gobrel/'],
};
export default {
  // A busy machine is no fault of what is tested.
  testTimeout: 180_000,
  maxWorkers: 2,
  projects: [
    { ...shared, displayName: 'core', testMatch: ['<rootDir>/packages/core/src/**/*.test.ts'] },
    { ...shared, displayName: 'demo', testMatch: ['<rootDir>/demo/src/**/*.test.ts'] },
    { ...shared, displayName: 'web', testMatch: ['<rootDir>/apps/web/src/**/*.test.ts'] },
    // Components and hooks, on a page without a screen.
    {
      ...shared,
      displayName: 'components',
      testEnvironment: 'jsdom',
      setupFiles: ['<rootDir>/scripts/jsdomGaps.js'],
      testMatch: ['<rootDir>/apps/web/src/**/*.test.tsx'],
    },
    { ...shared, displayName: 'server', testMatch: ['<rootDir>/apps/server/src/**/*.test.ts'] },
  ],
};
