import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  // every word the page says passes through src/words once, so that it speaks either vocabulary of the trade
  plugins: [react({ jsxImportSource: '#words' }), tailwindcss()],
  resolve: {
    alias: {
      '#words/jsx-runtime': fileURLToPath(new URL('./src/words/jsx-runtime.ts', import.meta.url)),
      '#words/jsx-dev-runtime': fileURLToPath(new URL('./src/words/jsx-runtime.ts', import.meta.url)),
    },
  },
  worker: { format: 'es' },
  build: { outDir: 'dist', assetsInlineLimit: 0 },
  server: { proxy: { '/api': 'http://127.0.0.1:4710' } },
});
