import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const DECISIONS = join('docs', 'decisions');
const read = (path: string) => readFileSync(path, 'utf8');
const numbered = readdirSync(DECISIONS).filter((name) => /^\d{4}-/.test(name));
const rows = [
  ...read(join(DECISIONS, 'README.md')).matchAll(/^\| \[(\d{4})\]\(([^)]+)\) .+ \| (.+?) *\|$/gm),
];

it('every decision is in the index with its status, and what is superseded names what holds instead', () => {
  expect(rows.map(([, , file]) => file)).toEqual(numbered);
  const known = new Set(numbered.map((name) => name.slice(0, 4)));
  for (const [, , file, status] of rows) {
    expect([file, /^(in force|(superseded|extended) by \d{4}(, \d{4})*)$/.test(status!)]).toEqual([
      file,
      true,
    ]);
    for (const [other] of status!.matchAll(/\d{4}/g)) expect([file, known.has(other)]).toEqual([file, true]);
  }
});

it.each([
  'README.md',
  'CONTRIBUTING.md',
  ...readdirSync('docs')
    .filter((f) => f.endsWith('.md'))
    .map((f) => join('docs', f)),
])('%s names only files that are there', (page) => {
  const text = read(page);
  const linked = [...text.matchAll(/\]\((?!https?:)([^)#]+)(?:#[^)]*)?\)/g)].map(([, to]) =>
    join(dirname(page), to!),
  );
  const rooms = 'core|catalog|words|data|devices|workers|book|live|parts|stations|ui|app|cli';
  const named = [...text.matchAll(new RegExp(`\`(?:src/)?((?:${rooms})/[\\w./[\\]()-]+\\.tsx?)\``, 'g'))].map(
    ([, file]) => join('src', file!),
  );
  const ofCore = page.endsWith('core.md')
    ? [...text.matchAll(/`([a-z]+\/\w+\.ts)`/g)].map(([, file]) => join('src', 'core', file!))
    : [];
  expect([...linked, ...named, ...ofCore].filter((path) => !existsSync(path))).toEqual([]);
});
