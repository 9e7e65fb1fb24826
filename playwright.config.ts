import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: './e2e',
  globalSetup: './e2e/prepareBooks.ts',
  workers: 2,
  fullyParallel: true,
  forbidOnly: true,
  // Guided captures run in real time; a busy machine stretches them.
  timeout: 480_000,
  // What is computed is waited for as long as it takes: how quick it is is the bench’s question.
  expect: { timeout: 180_000 },
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: 'reduce' },
    trace: process.env['TRACE'] ? 'on' : 'off',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        '--disable-background-networking',
        '--disable-component-update',
      ],
    },
  },
});
