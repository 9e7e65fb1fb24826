// The tests of the heart alone: they need neither a database nor a page.
import all from '../../jest.config.mjs';

const node = all.projects.find(({ displayName }) => displayName === 'node');
const config = {
  ...node,
  rootDir: '../..',
  testTimeout: 60_000,
  testMatch: ['<rootDir>/src/core/**/*.test.ts'],
};
delete config.displayName;
export default config;
