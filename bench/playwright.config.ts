import { defineConfig } from '@playwright/test';
import tests from '../playwright.config';

export default defineConfig({
  ...tests,
  testDir: '.',
  globalSetup: '../e2e/prepareBooks.ts',
  workers: 1,
  reporter: 'line',
});
