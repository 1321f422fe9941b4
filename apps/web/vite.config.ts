import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig, type Plugin } from 'vite';

const core = (path: string): string =>
  fileURLToPath(new URL(`../../packages/core/src/${path}`, import.meta.url));

const routerForUse = fileURLToPath(
  new URL('../../node_modules/react-router/dist/production/index.mjs', import.meta.url),
);

/**
 * The router's forms, scripts and named links are marked so that they are left out where no page uses them: their
 * names for developers keep them in otherwise.
 */
const routerInParts: Plugin = {
  name: 'router-in-parts',
  apply: 'build',
  transform: (code, id) =>
    id.includes('/react-router/')
      ? code
          .replace(/^\w+\.displayName = "\w+";$/gm, '')
          .replace(/= (React\d*\.(?:forwardRef|createContext)\()/g, '= /* @__PURE__ */ $1')
      : null,
};

export default defineConfig({
  plugins: [
    routerInParts,
    react(),
    tailwindcss(),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src/offline',
      filename: 'serviceWorker.ts',
      injectRegister: false,
      manifest: false,
      injectManifest: {
        globPatterns: ['index.html', 'mark.svg', 'static/*.{js,css}'],
        // What only laying out a large map needs, and letters that few decks are written in, are fetched when they are.
        globIgnores: ['static/elk-worker*', 'static/noto-*'],
        dontCacheBustURLsMatching: /^static\//,
      },
    }),
    compression({
      algorithms: ['gzip', 'brotliCompress'],
      include: /\.(js|css|html|svg)$/,
      threshold: 1000,
    }),
  ],
  resolve: {
    alias: [
      { find: /^@gobrel\/core$/, replacement: core('index.ts') },
      { find: /^@gobrel\/core\/scenery$/, replacement: core('scenery/draw.ts') },
      // The router's own way in leads to the build with warnings for developers, some kilobytes more.
      { find: /^react-router$/, replacement: routerForUse },
    ],
    dedupe: ['yjs', 'react', 'react-dom'],
  },
  build: {
    assetsDir: 'static',
    target: 'es2022',
    // A browser that cannot fetch parts ahead fetches them when they are needed.
    modulePreload: { polyfill: false },
    rolldownOptions: {
      treeshake: { propertyReadSideEffects: false },
      output: {
        // Small files that a student's page needs together: each by itself would be a download and weigh more.
        codeSplitting: {
          includeDependenciesRecursively: false,
          groups: [
            // What every page with slides needs, packed together: it packs better so.
            {
              name: 'slides',
              test: /core.src.(parts|geometry|elements|questions|themes|layouts).(?!.*(marking|interaction|interactions|fromLines|refusalWords|told|snap|marks|anchors|moves|strokes|likening|likeness|normalised|scenes|layouts|readThemes|seeded|mixed|isRightToLeft|scripts|missingScripts)\.)/,
            },
            { name: 'pieces', test: /core.src.stage.(asked|pieces|zones)\./ },
            {
              name: 'walked',
              test: /web.src.(walking.(LiveSlide|useIsNarrow|useTurning)|stage.(usePieces|PieceViews|MovablePiece)|questions.QuestionInput)\./,
            },
            {
              name: 'gate',
              test: /core.src.(deck.(command|history|sharedText|othersWork)|access.access)\./,
            },
            {
              name: 'small',
              test: /web.src.(ui.(when|Button|useSize)|api.(assets|http)|sync.(kept|pageSocket|memory))\./,
            },
          ],
        },
      },
    },
    sourcemap: false,
    chunkSizeWarningLimit: 2000,
    // Fonts within the style sheet would be data addresses, which the content policy does not let in.
    assetsInlineLimit: 0,
  },
  server: {
    proxy: {
      '/api': 'http://127.0.0.1:4301',
      '/sync': { target: 'ws://127.0.0.1:4301', ws: true },
    },
  },
});
