import { defineConfig } from '@playwright/test';

const port = Number(process.env.TEST_PORT ?? 4601);

export default defineConfig({
  testDir: '.',
  testMatch: '*.e2e.ts',
  outputDir: '../.data/e2e',
  timeout: 120_000,
  expect: { timeout: 15_000 },
  fullyParallel: false,
  workers: 1,
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    // Only the story without a network wants the worker that keeps the page on the tablet.
    serviceWorkers: 'block',
    actionTimeout: 15_000,
    trace: 'retain-on-failure',
    launchOptions: {
      executablePath: process.env.CHROME_BIN ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
    },
  },
  webServer: {
    command: 'node --enable-source-maps server/dist/demo.js',
    cwd: '..',
    url: `http://127.0.0.1:${port}/healthz`,
    env: { PORT: String(port), DATABASE_URL: process.env.DATABASE_URL ?? '', LOG_LEVEL: 'warn' },
    timeout: 60_000,
    reuseExistingServer: false,
  },
});
