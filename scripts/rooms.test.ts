import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, relative } from 'node:path';
import { pathToFileURL } from 'node:url';

/** Imports as if they stood in files of the project, and whether both checkers take them. */
const IMPORTS: { path: string; from: string; taken: boolean }[] = [
  { path: 'src/core/axes/x.ts', from: '@/catalog/cars', taken: false },
  { path: 'src/core/axes/x.ts', from: '../../words/format', taken: false },
  { path: 'src/core/axes/x.ts', from: '../numeric/statistics', taken: true },
  { path: 'src/ui/x.ts', from: '@/core/axes/recording', taken: false },
  { path: 'src/data/x.ts', from: '@/stations/frame/Frame', taken: false },
  { path: 'src/book/judge/x.ts', from: '@/book/read/readBook', taken: false },
  { path: 'src/book/judge/x.ts', from: '../read/readBook', taken: false },
  { path: 'src/book/judge/x.ts', from: '../model/axisView', taken: true },
  { path: 'src/book/read/x.ts', from: '../write/command', taken: false },
  { path: 'src/live/x.ts', from: '@/parts/KeepStep', taken: false },
  { path: 'src/parts/x.ts', from: '@/data/rides', taken: false },
  { path: 'src/stations/lock/x.ts', from: '@/stations/axes/AxesStation', taken: false },
  { path: 'src/stations/lock/x.ts', from: '../axes/AxesStation', taken: false },
  { path: 'src/stations/lock/x.ts', from: './LockStation', taken: true },
  { path: 'src/stations/lock/x.ts', from: '@/book/read/readBook', taken: false },
  { path: 'src/app/x.ts', from: '@/book/read/readBook', taken: true },
];

/** What else a file of the heart may not do. */
const SNIPPETS = [
  { path: 'src/core/axes/x.ts', code: "import React from 'react';\nexport const x = React;\n" },
  { path: 'src/book/judge/x.ts', code: "import { eq } from 'drizzle-orm';\nexport const x = eq;\n" },
  { path: 'src/core/axes/x.ts', code: 'export const x = () => window.innerWidth;\n' },
];

/** A type that is imported is an arrow like any other. */
const importing = (from: string) => `import type { X } from '${from}';\nexport type Y = X;\n`;

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

it('a wrong arrow between the rooms is an error for the linter, a right one is none', () => {
  const planted = IMPORTS.map(({ path, from }) => ({ path, code: importing(from) }));
  const run = spawnSync(process.execPath, ['--input-type=module', '-e', LINT], {
    input: JSON.stringify([...planted, ...SNIPPETS]),
    encoding: 'utf8',
  });
  const broken = JSON.parse(run.stdout) as string[][];
  expect(broken).toEqual([
    ...IMPORTS.map(({ taken }) => (taken ? [] : ['no-restricted-imports'])),
    ['no-restricted-imports'],
    ['no-restricted-imports'],
    ['no-restricted-globals'],
  ]);
});

describe('the graph of files', () => {
  /** Each import in a house of its own, with a file at its other end, under the rules of the real one. */
  const house = mkdtempSync(join(tmpdir(), 'pebble-rooms-'));
  afterAll(() => rmSync(house, { recursive: true }));
  const place = (path: string, code: string) => {
    mkdirSync(dirname(join(house, path)), { recursive: true });
    writeFileSync(join(house, path), code);
  };
  const errors = (root: string) => {
    const config = join(process.cwd(), '.dependency-cruiser.mjs');
    const own = `import config from '${pathToFileURL(config).href}';
      const { tsConfig, ...options } = config.options;
      export default { ...config, options: { ...options, baseDir: '${root.replaceAll('\\', '/')}' } };`;
    writeFileSync(join(root, 'rules.mjs'), own);
    const bin = join('node_modules', 'dependency-cruiser', 'bin', 'dependency-cruise.mjs');
    const run = spawnSync(
      process.execPath,
      [bin, '--config', join(root, 'rules.mjs'), '--output-type', 'json', 'src'],
      { encoding: 'utf8' },
    );
    const { summary } = JSON.parse(run.stdout) as {
      summary: { violations: { from: string; to: string; rule: { name: string } }[] };
    };
    return summary.violations.filter(({ rule }) => rule.name !== 'no-orphans');
  };

  it('takes no wrong arrow, no circle of types and no loose file', () => {
    const ends = new Map<string, { path: string; taken: boolean }>();
    IMPORTS.forEach(({ path, from, taken }, i) => {
      // A name of its own for both ends, so that nothing meets by chance.
      const importer = path.replace('/x.ts', `/x${i}.ts`);
      const target = from.startsWith('@/') ? `src/${from.slice(2)}` : join(dirname(path), from);
      const end = `${target.replaceAll('\\', '/')}${i}`;
      place(`${end}.ts`, 'export type X = number;\n');
      const specifier = relative(dirname(importer), end).replaceAll('\\', '/');
      place(importer, importing(specifier.startsWith('.') ? specifier : `./${specifier}`));
      ends.set(importer, { path: end, taken });
    });
    place('src/core/a.ts', "import type { B } from './b';\nexport type A = B | 1;\n");
    place('src/core/b.ts', "import type { A } from './a';\nexport type B = A | 2;\n");
    place('src/stations/loose.ts', importing('./lock/x13'));
    const found = errors(house);
    const wrong = new Set(found.map(({ from }) => from));
    for (const [importer, { taken }] of ends)
      expect([importer, wrong.has(importer)]).toEqual([importer, !taken]);
    const rules = new Set(found.map(({ rule }) => rule.name));
    expect(rules).toContain('no-circles');
    expect(rules).toContain('no-loose-file');
    expect(rules).toContain('stations-apart');
  });
});

it('the lock holds every optional binary that it names, so that a clean install passes on every platform', async () => {
  const { missingEntries } = (await import('./complete-lock.mjs')) as {
    missingEntries(lock: unknown): unknown[];
  };
  expect(missingEntries(JSON.parse(readFileSync('package-lock.json', 'utf8')))).toEqual([]);
});
