import { join } from 'node:path'
import tailwind from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { firstFiles } from './scripts/firstFiles.mjs'
import { unusedValues } from './scripts/unusedValues.mjs'

/** Packages for what lies over a page: menus, windows, hints. */
const OVER =
  /node_modules[\\/](radix-ui|@radix-ui|react-remove-scroll|react-remove-scroll-bar|aria-hidden|use-sidecar|use-callback-ref|react-style-singleton)[\\/]/
/** What pages with forms, tables or windows need, and those on which staff read do not; with the modules that hold schemas. */
const OF_SOME_PAGES =
  /node_modules[\\/](react-hook-form|@hookform|@tanstack|@date-fns|zod)[\\/]|[\\/]ui[\\/](table|over)[\\/]|[\\/](useFormOf|FormDialog)\.tsx?|[\\/]audiences[\\/]|[\\/](ids|localDate|endpoint|itemRef|itemState|permissions|whole|days)\.ts|[\\/]contracts[\\/]src[\\/]pictures\.ts/

export default defineConfig({
  root: join(import.meta.dirname, 'packages/web'),
  plugins: [unusedValues(), react(), tailwind(), firstFiles()],
  build: {
    outDir: join(import.meta.dirname, 'dist/web'),
    emptyOutDir: true,
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    assetsInlineLimit: 0,
    // A browser that preloads no modules fetches them a little later.
    modulePreload: { polyfill: false },
    // Few files rather than many small ones: on a phone's network each costs a way there and back.
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            {
              name: 'frame',
              test: /node_modules[\\/](react|react-dom|scheduler|react-router|@tanstack[\\/](react-query|query-core)|i18next|idb)[\\/]/,
              priority: 3,
            },
            { name: 'common', test: (id) => !OF_SOME_PAGES.test(id) && !OVER.test(id), minShareCount: 25, priority: 2 },
            { name: 'forms', test: /node_modules[\\/](react-hook-form|@hookform)[\\/]|[\\/]useFormOf\.ts/, priority: 1 },
            { name: 'over', test: OVER, minShareCount: 25, priority: 1 },
            {
              name: 'tables',
              test: /node_modules[\\/]@tanstack[\\/]|[\\/]ui[\\/]table[\\/]/,
              includeDependenciesRecursively: false,
              priority: 1,
            },
          ],
        },
      },
    },
  },
  server: {
    port: 4401,
    proxy: { '/api': 'http://127.0.0.1:4400', '^/guides/[^/]+/(draft|editions/\\d+)/pictures': 'http://127.0.0.1:4400' },
  },
})
