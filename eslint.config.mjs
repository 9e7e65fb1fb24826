import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier';

/** Folders of src from the lowest layer to the highest; a layer may import itself and what stands before it. */
const ABOVE = {
  core: ['catalog', 'devices', 'workers', 'data', 'ui', 'stations', 'app', 'cli'],
  catalog: ['devices', 'workers', 'data', 'ui', 'stations', 'app', 'cli'],
  ui: ['core', 'catalog', 'devices', 'workers', 'data', 'stations', 'app', 'cli'],
  workers: ['devices', 'data', 'ui', 'stations', 'app', 'cli'],
  devices: ['workers', 'data', 'ui', 'stations', 'app', 'cli'],
  data: ['workers', 'devices', 'ui', 'stations', 'app', 'cli'],
  stations: ['app', 'cli'],
  cli: ['devices', 'workers', 'data', 'ui', 'stations', 'app'],
};

const FRAMEWORK = [
  'react',
  'react-dom',
  'react/*',
  'next',
  'next/*',
  'echarts',
  'echarts/*',
  'drizzle-orm',
  'drizzle-orm/*',
  '@electric-sql/*',
  'zustand',
  'radix-ui',
];
const BROWSER = ['window', 'document', 'navigator', 'localStorage', 'fetch', 'process'];

const layers = Object.entries(ABOVE).map(([layer, forbidden]) => ({
  files: [`src/${layer}/**/*.{ts,tsx}`],
  ignores: ['**/*.test.{ts,tsx}'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: forbidden.flatMap((name) => [`@/${name}`, `@/${name}/**`, `**/../${name}/**`]),
            message: `Arrows run one way: ${layer} knows nothing of this layer (docs/architecture.md).`,
          },
          ...(layer === 'core'
            ? [{ group: FRAMEWORK, message: 'The core is free of interface, database and framework.' }]
            : []),
        ],
      },
    ],
    ...(layer === 'core' || layer === 'catalog'
      ? {
          'no-restricted-globals': [
            'error',
            ...BROWSER.map((name) => ({ name, message: 'The core runs anywhere.' })),
          ],
        }
      : {}),
  },
}));

const config = [
  {
    ignores: [
      '.next/**',
      'node_modules/**',
      'next-env.d.ts',
      'drizzle/**',
      'test-results/**',
      'playwright-report/**',
    ],
  },
  ...next,
  ...typescript,
  prettier,
  {
    rules: {
      eqeqeq: 'error',
      'no-console': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
    },
  },
  // Playwright's fixtures are handed on by a function called `use`, which is no hook.
  { files: ['e2e/**'], rules: { 'react-hooks/rules-of-hooks': 'off' } },
  ...layers,
];

export default config;
