import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** What only teachers see of a question: nobody who reads a deck comes to it. */
const readersOnly: Plugin = {
  name: 'readers-only',
  enforce: 'pre',
  resolveId: (id) => (/\/\w+(Edit|TallyView)$/.test(id) ? '\0nothing' : null),
  load: (id) => (id === '\0nothing' ? 'export default () => null' : null),
};

/* What stands in every deck that is taken along: one script, one style sheet, and the fonts beside them. */
export default defineConfig({
  plugins: [readersOnly, react(), tailwindcss()],
  publicDir: false,
  resolve: {
    alias: [
      { find: /^@gobrel\/core$/, replacement: at('../../packages/core/src/index.ts') },
      {
        find: /^@gobrel\/core\/scenery$/,
        replacement: at('../../packages/core/src/scenery/draw.ts'),
      },
      {
        find: /^react-router$/,
        replacement: at('../../node_modules/react-router/dist/production/index.mjs'),
      },
    ],
    dedupe: ['yjs', 'react', 'react-dom'],
  },
  base: './',
  build: {
    outDir: at('dist'),
    emptyOutDir: false,
    target: 'es2022',
    assetsInlineLimit: 0,
    cssCodeSplit: false,
    modulePreload: false,
    chunkSizeWarningLimit: 2000,
    rolldownOptions: {
      input: at('src/along/main.tsx'),
      treeshake: { propertyReadSideEffects: false },
      output: {
        format: 'es',
        codeSplitting: false,
        entryFileNames: 'along/along.js',
        assetFileNames: ({ names }) =>
          names[0]?.endsWith('.css') ? 'along/along.css' : 'static/[name]-[hash][extname]',
      },
    },
  },
});
