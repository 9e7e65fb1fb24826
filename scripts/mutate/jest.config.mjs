// The tests beside what faults are planted in: they need neither a database nor a page.
import all from '../../jest.config.mjs';

const node = all.projects.find(({ displayName }) => displayName === 'node');
const config = {
  ...node,
  rootDir: '../..',
  testTimeout: 60_000,
  testMatch: [
    '<rootDir>/src/core/worked*.test.ts',
    ...process.env.PEBBLE_MUTATED.split(',').map((folder) => `<rootDir>/src/core/${folder}/**/*.test.ts`),
  ],
};
delete config.displayName;
export default config;
