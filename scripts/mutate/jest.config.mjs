// The tests of the heart alone: they need neither a database nor a page.
import all from '../../jest.config.mjs';

const { displayName: _, ...node } = all.projects.find(({ displayName }) => displayName === 'node');
export default { ...node, testTimeout: 60_000, testMatch: ['<rootDir>/src/core/**/*.test.ts'] };
