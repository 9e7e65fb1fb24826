import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** Lints a snippet as if it stood in a file of the project. */
function rules(path: string, code: string): string[] {
  const run = spawnSync(
    process.execPath,
    ['node_modules/eslint/bin/eslint.js', '--stdin', '--stdin-filename', path, '-f', 'json'],
    { input: code, encoding: 'utf8' },
  );
  const [report] = JSON.parse(run.stdout) as { messages: { ruleId: string }[] }[];
  return report!.messages.map((message) => message.ruleId);
}

it.each([
  [
    'src/core/axes/x.ts',
    "import { CARS } from '@/catalog/cars';\nexport const x = CARS;\n",
    'no-restricted-imports',
  ],
  ['src/core/axes/x.ts', "import React from 'react';\nexport const x = React;\n", 'no-restricted-imports'],
  ['src/core/axes/x.ts', 'export const x = () => window.innerWidth;\n', 'no-restricted-globals'],
  [
    'src/ui/x.ts',
    "import { analysePedal } from '@/core/axes/analysePedal';\nexport const x = analysePedal;\n",
    'no-restricted-imports',
  ],
  [
    'src/data/x.ts',
    "import { Frame } from '@/stations/frame/Frame';\nexport const x = Frame;\n",
    'no-restricted-imports',
  ],
])(
  'a wrong arrow in %s is an error',
  (path, code, rule) => {
    expect(rules(path, code)).toContain(rule);
  },
  60_000,
);

it('a right arrow is none', () => {
  expect(
    rules('src/stations/x.ts', "import { CARS } from '@/catalog/cars';\nexport const x = CARS;\n"),
  ).toEqual([]);
}, 60_000);

it('the lock holds every optional binary that it names, so that a clean install passes on every platform', async () => {
  const { missingEntries } = (await import('./complete-lock.mjs')) as {
    missingEntries(lock: unknown): unknown[];
  };
  expect(missingEntries(JSON.parse(readFileSync('package-lock.json', 'utf8')))).toEqual([]);
});
