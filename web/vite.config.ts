import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), tailwindcss()],
  worker: { format: 'es' },
  build: { target: 'es2022', outDir: '../dist', emptyOutDir: true, reportCompressedSize: false, assetsInlineLimit: 0, modulePreload: { polyfill: false } },
  // The server asks that Host and Origin belong together, so the browser's own Host goes along.
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4310', changeOrigin: false } } },
});
