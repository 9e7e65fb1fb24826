import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier';
import { FOLDERS, ROOMS } from './rooms.mjs';

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

/** Where components and hooks stand: what is slow to look for is looked for nowhere else. */
const REACT = ['**/*.tsx', 'src/{app,stations,ui,parts,live}/**/*.ts'];

/** How a file of a room may not be written: another room's name behind `@/` or behind dots. */
function forbiddenSpecifiers(room, may) {
  const others = FOLDERS.filter((other) => other !== room && !may.includes(other));
  const named = others.map((other) => `^@/${other}(/|$)`);
  const climbed = others.map((other) => `(^|/)\\.\\./(src/)?${other.replace('book/', '(book/)?')}/`);
  return room === 'stations' ? [...named, ...climbed, '^@/stations/', '^\\.\\./'] : [...named, ...climbed];
}

/** The heart runs anywhere: no framework, no browser, no process. */
const HEART = ['core', 'catalog', 'words', 'book/model', 'book/judge'];

const rooms = Object.entries(ROOMS).map(([room, may]) => ({
  files: [`src/${room}/**/*.{ts,tsx}`],
  ignores: ['**/*.test.{ts,tsx}', '**/testing/**'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          ...forbiddenSpecifiers(room, may).map((regex) => ({
            regex,
            message: `Arrows run one way: ${room} knows nothing of this room (docs/architecture.md).`,
          })),
          ...(HEART.includes(room)
            ? [{ group: FRAMEWORK, message: 'The heart is free of interface, database and framework.' }]
            : []),
        ],
      },
    ],
    ...(HEART.includes(room)
      ? {
          'no-restricted-globals': [
            'error',
            ...BROWSER.map((name) => ({ name, message: 'The heart runs anywhere.' })),
          ],
        }
      : {}),
  },
}));

const DEEP_CHOICE = {
  selector: 'ConditionalExpression > ConditionalExpression > ConditionalExpression',
  message: 'A choice in a choice in a choice: write a function with `if`.',
};

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
  ...next.map((rules) =>
    rules.name?.startsWith('next') && rules.plugins?.['@next/next'] ? { ...rules, files: REACT } : rules,
  ),
  ...typescript,
  prettier,
  {
    rules: {
      eqeqeq: 'error',
      'no-console': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'no-restricted-syntax': ['error', DEEP_CHOICE],
    },
  },
  {
    files: ['src/{stations,parts,app}/**/*.tsx'],
    // The sheet is printed: nothing of it is sorted or searched.
    ignores: ['**/*.test.tsx', 'src/stations/card/CardSheet.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        DEEP_CHOICE,
        {
          selector: 'JSXOpeningElement[name.name=/^(table|progress)$/]',
          message: 'Ours are sorted, searched, taken along and read aloud: ui/Table, ui/ProgressBar.',
        },
      ],
    },
  },
  ...rooms,
];

export default config;
