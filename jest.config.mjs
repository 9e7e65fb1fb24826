const swc = [
  '@swc/jest',
  {
    jsc: {
      parser: { syntax: 'typescript', tsx: true },
      transform: { react: { runtime: 'automatic' } },
      target: 'es2022',
    },
    module: { type: 'commonjs', ignoreDynamic: true },
  },
];
const common = {
  // Tests run in a sandbox whose globals are slow to reach; these are handed to every module instead.
  sandboxInjectedGlobals: ['Math', 'Object', 'Number', 'Float64Array', 'Uint8Array', 'JSON'],
  setupFilesAfterEnv: ['<rootDir>/scripts/jestSeed.ts'],
  transform: { '^.+\\.(t|j)sx?$': swc, '/comlink/.+\\.mjs$': swc },
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^next/headers$': '<rootDir>/src/book/testing/browser.ts',
    '^server-only$': '<rootDir>/src/data/testing/serverOnly.ts',
  },
  transformIgnorePatterns: ['/node_modules/(?!(comlink|echarts|zrender|@tanstack)/)'],
};
/** Pages that are walked through without a browser: they have surroundings of their own. */
const WALKS = '/src/app/walks/';
/** What is about two places runs on the server alone, where there is one. */
const NEEDS_SERVER = process.env.TEST_DATABASE_URL
  ? '/data/(serverBook|moveBook)\\.test\\.ts$'
  : '/data/serverBook\\.test\\.ts$';

/** The same tests once more on a PostgreSQL server, where there is one. */
const onServer = process.env.TEST_DATABASE_URL
  ? [
      {
        ...common,
        displayName: 'server',
        testEnvironment: 'node',
        setupFiles: ['<rootDir>/src/data/testing/onServer.ts'],
        testMatch: [
          '<rootDir>/src/data/{backup,bringBack,captures,data,moveBook,serverBook,write}.test.ts',
          // What goes through the same tables by the same repositories: in the long run.
          ...(process.env.PEBBLE_LONG === '1' ? ['<rootDir>/src/book/{read,write}/*.test.ts'] : []),
        ],
        // How much a page carries is a matter of what is read, not of where from.
        testPathIgnorePatterns: ['/node_modules/', '/pageData\\.test\\.ts$'],
      },
    ]
  : [];
const config = {
  // What was translated once is kept from run to run, wherever temporary files are.
  cacheDirectory: '<rootDir>/node_modules/.cache/jest',
  // By itself it leaves one core idle: on two, that is half of them.
  maxWorkers: '100%',
  // A worker keeps something of every file that it ran: one that grew large is begun anew, which takes less time than to look
  // through its memory again and again.
  workerIdleMemoryLimit: '600MB',
  globalSetup: '<rootDir>/scripts/jestSetup.mjs',
  testSequencer: '<rootDir>/scripts/longFirst.mjs',
  // One limit for all: a machine that is busy, five times slower, is no fault of the code; a test that hangs is still ended.
  testTimeout: 300_000,
  projects: [
    {
      ...common,
      displayName: 'node',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/scripts/**/*.test.ts'],
      // Needs a server: it runs in the project of that name.
      testPathIgnorePatterns: ['/node_modules/', NEEDS_SERVER],
    },
    {
      ...common,
      displayName: 'dom',
      testEnvironment: 'jsdom',
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      testPathIgnorePatterns: ['/node_modules/', WALKS],
    },
    {
      ...common,
      displayName: 'pages',
      testEnvironment: '<rootDir>/src/app/testing/pageEnvironment.mjs',
      testMatch: ['<rootDir>/src/app/walks/*.test.tsx'],
      moduleNameMapper: {
        ...common.moduleNameMapper,
        '^next/navigation$': '<rootDir>/src/app/testing/nextNavigation.ts',
        '^next/cache$': '<rootDir>/src/app/testing/nextCache.ts',
        '^next/headers$': '<rootDir>/src/app/testing/nextHeaders.ts',
        '^next/link$': '<rootDir>/src/app/testing/nextLink.tsx',
        '\\./echarts$': '<rootDir>/src/app/testing/noCharts.ts',
      },
    },
    ...onServer,
  ],
};
export default config;
