import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

const server = 'http://127.0.0.1:8790';

export default defineConfig({
  plugins: [react()],
  build: {
    outDir: 'target/classes/static',
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
  // A dialog with its lists takes seconds on a machine that builds everything else at the same time.
  test: { environment: 'jsdom', setupFiles: 'src/shared/setUpTests.ts', include: ['src/**/*.test.{ts,tsx}'], testTimeout: 30_000 },
});
