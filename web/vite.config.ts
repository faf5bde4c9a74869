import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

const dist = fileURLToPath(new URL('./dist', import.meta.url));

/** Scripts and styles packed once, when they are built: the server sends them so to whatever can unpack them. Fonts are packed already. */
const packed = (): Plugin => ({
  name: 'packed',
  apply: 'build',
  closeBundle() {
    for (const name of readdirSync(join(dist, 'assets'))) {
      if (!/\.(?:js|css)$/.test(name)) continue;
      const path = join(dist, 'assets', name);
      const bytes = readFileSync(path);
      writeFileSync(`${path}.gz`, gzipSync(bytes, { level: 9 }));
      writeFileSync(`${path}.br`, brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }));
    }
  },
});

export default defineConfig({
  // every word the page says passes through src/words once, so that it speaks either vocabulary of the trade
  plugins: [react({ jsxImportSource: '#words' }), tailwindcss(), packed()],
  resolve: {
    alias: {
      '#words/jsx-runtime': fileURLToPath(new URL('./src/words/jsx-runtime.ts', import.meta.url)),
      '#words/jsx-dev-runtime': fileURLToPath(new URL('./src/words/jsx-runtime.ts', import.meta.url)),
    },
  },
  worker: { format: 'es' },
  build: {
    outDir: 'dist',
    assetsInlineLimit: 0,
    // what only a form or an open menu wants is not fetched with the first page
    rolldownOptions: {
      output: {
        advancedChunks: {
          groups: [
            { name: 'forms', test: /node_modules[\\/](?:zod|react-hook-form|@hookform)[\\/]/, priority: 1 },
            { name: 'menus', test: /node_modules[\\/](?:@headlessui|@floating-ui|@react-aria|react-aria|@react-stately|tabbable)[\\/]/, priority: 1 },
            { name: 'react', test: /node_modules[\\/](?:react|react-dom|scheduler|react-router|use-sync-external-store)[\\/]/, priority: 2 },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4710' } },
});
