import { join } from 'node:path'
import tailwind from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { unusedValues } from './scripts/unusedValues.mjs'

export default defineConfig({
  root: join(import.meta.dirname, 'packages/web'),
  plugins: [unusedValues(), react(), tailwind()],
  build: {
    outDir: join(import.meta.dirname, 'dist/web'),
    emptyOutDir: true,
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    assetsInlineLimit: 0,
    // A browser that preloads no modules fetches them a little later.
    modulePreload: { polyfill: false },
  },
  server: {
    port: 4401,
    proxy: { '/api': 'http://127.0.0.1:4400', '^/guides/[^/]+/(draft|editions/\\d+)/pictures': 'http://127.0.0.1:4400' },
  },
})
