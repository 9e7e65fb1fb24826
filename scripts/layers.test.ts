import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** Snippets as if they stood in files of the project, and the rule that each breaks. */
const SNIPPETS: { path: string; code: string; breaks: string | null }[] = [
  {
    path: 'src/core/axes/x.ts',
    code: "import { CARS } from '@/catalog/cars';\nexport const x = CARS;\n",
    breaks: 'no-restricted-imports',
  },
  {
    path: 'src/core/axes/x.ts',
    code: "import React from 'react';\nexport const x = React;\n",
    breaks: 'no-restricted-imports',
  },
  {
    path: 'src/core/axes/x.ts',
    code: 'export const x = () => window.innerWidth;\n',
    breaks: 'no-restricted-globals',
  },
  {
    path: 'src/ui/x.ts',
    code: "import { analysePedal } from '@/core/axes/analysePedal';\nexport const x = analysePedal;\n",
    breaks: 'no-restricted-imports',
  },
  {
    path: 'src/data/x.ts',
    code: "import { Frame } from '@/stations/frame/Frame';\nexport const x = Frame;\n",
    breaks: 'no-restricted-imports',
  },
  {
    path: 'src/stations/x.ts',
    code: "import { CARS } from '@/catalog/cars';\nexport const x = CARS;\n",
    breaks: null,
  },
];

/** One linter for all of them: most of its time goes into starting. */
const LINT = `
  import { readFileSync } from 'node:fs';
  import { ESLint } from 'eslint';
  const linter = new ESLint();
  const broken = [];
  for (const { path, code } of JSON.parse(readFileSync(0, 'utf8'))) {
    const [report] = await linter.lintText(code, { filePath: path });
    broken.push(report.messages.map(({ ruleId }) => ruleId));
  }
  process.stdout.write(JSON.stringify(broken));
`;

it('a wrong arrow between the layers is an error, a right one is none', () => {
  const run = spawnSync(process.execPath, ['--input-type=module', '-e', LINT], {
    input: JSON.stringify(SNIPPETS),
    encoding: 'utf8',
  });
  const broken = JSON.parse(run.stdout) as string[][];
  const expected = SNIPPETS.map(({ breaks }) => (breaks ? [breaks] : []));
  expect(broken).toEqual(expected);
}, 60_000);

it('the lock holds every optional binary that it names, so that a clean install passes on every platform', async () => {
  const { missingEntries } = (await import('./complete-lock.mjs')) as {
    missingEntries(lock: unknown): unknown[];
  };
  expect(missingEntries(JSON.parse(readFileSync('package-lock.json', 'utf8')))).toEqual([]);
});
