import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

const server = process.env.EMBRICK_ADDRESS ?? 'http://127.0.0.1:8790';

export default defineConfig({
  plugins: [react()],
  build: {
    emptyOutDir: true,
    chunkSizeWarningLimit: 1500,
  },
  server: {
    proxy: {
      '/api': {
        target: server,
        changeOrigin: true,
        // The server answers only its own pages; while they are developed they come from here.
        headers: { origin: server, 'sec-fetch-site': 'same-origin' },
      },
    },
  },
  test: {
    environment: 'jsdom',
    reporters: ['default', './src/testing/fileTimes.ts'],
    setupFiles: 'src/shared/setUpTests.ts',
    include: ['src/**/*.test.{ts,tsx}'],
    // A dialog with its lists takes seconds on a machine that builds everything else at the same time.
    testTimeout: 30_000,
    // Loading the pages and their libraries anew for each file takes longer than the tests: files share what is loaded, so
    // no test may replace a module, and what it puts in the place of a function is taken back before the next one.
    pool: 'threads',
    isolate: false,
    restoreMocks: true,
  },
});
