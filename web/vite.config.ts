import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { OF_A_JOB, OUTSIDE, SHELL } from './src/app/addresses.ts';

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

/** The letters of every view. */
const FONTS = /-latin-(?:wght|500|600)-normal-[^/]*\.woff2$/;

/** The scripts of each view, for the server to name in the page it sends: by its word outside a job, or `job/` and its word inside one. */
const ahead = (): Plugin => ({
  name: 'ahead',
  apply: 'build',
  transformIndexHtml: {
    order: 'post',
    // the page's first line is set in its own letters, and not set twice
    handler: (_html, { bundle = {} }) =>
      Object.keys(bundle)
        .filter((file) => FONTS.test(file))
        .map((file) => ({
          tag: 'link',
          attrs: { rel: 'preload', as: 'font', type: 'font/woff2', crossorigin: '', href: `/${file}` },
          injectTo: 'head' as const,
        })),
  },
  generateBundle(_options, bundle) {
    const chunks = Object.values(bundle).filter((file) => file.type === 'chunk');
    const withImports = (fileName: string, found: Set<string>): Set<string> => {
      if (found.has(fileName)) return found;
      found.add(fileName);
      for (const imported of chunks.find((chunk) => chunk.fileName === fileName)?.imports ?? []) withImports(imported, found);
      return found;
    };
    const scripts = (...views: string[]): string[] => {
      const found = new Set<string>();
      for (const view of views) {
        const chunk = chunks.find(({ facadeModuleId }) => facadeModuleId?.endsWith(`/${view}.tsx`));
        if (!chunk) throw new Error(`${view} is no script of its own, and cannot be named ahead`);
        withImports(chunk.fileName, found);
      }
      return [...found];
    };
    const list = {
      ...Object.fromEntries(Object.entries(OUTSIDE).map(([word, view]) => [word, scripts(view)])),
      ...Object.fromEntries(Object.entries(OF_A_JOB).map(([word, view]) => [`job/${word}`, scripts(SHELL, view)])),
    };
    this.emitFile({ type: 'asset', fileName: 'ahead.json', source: JSON.stringify(list) });
  },
});

export default defineConfig({
  // every word the page says passes through src/words once, so that it speaks either vocabulary of the trade
  plugins: [react({ jsxImportSource: '#words' }), tailwindcss(), ahead(), packed()],
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
        codeSplitting: {
          groups: [
            { name: 'forms', test: /node_modules[\\/](?:zod|react-hook-form|@hookform)[\\/]/, priority: 1 },
            { name: 'menus', test: /node_modules[\\/](?:@headlessui|@floating-ui|@react-aria|react-aria|@react-stately|tabbable)[\\/]/, priority: 1 },
            {
              name: 'react',
              test: /node_modules[\\/](?:react|react-dom|scheduler|react-router|use-sync-external-store|zustand|@tanstack[\\/](?:react-query|query-core))[\\/]/,
              priority: 2,
            },
            { name: 'reckon', test: /[\\/](?:core|derive|contract)[\\/]src[\\/]/, minShareCount: 3 },
            {
              name: 'kit',
              test: /[\\/]web[\\/]src[\\/](?:state|words|kit|app)[\\/](?!over|Boxed|Photos|ThemeItems)|node_modules[\\/](?:date-fns|lucide-react)[\\/]/,
              minShareCount: 2,
            },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4710' } },
});
