import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const MOST_FIGURES = 240;
/** Of a long list so many are looked at, the first and the last among them. */
const [LONG, LOOKED_AT] = [60, 12];
const WITHIN = 1e-6;

/**
 * Examples worked through to their last figure. What they came to is written in a file beside this one: who moves code sees that no
 * figure moved, and who changes a method sees which did, and by how much. `PEBBLE_WORK_ANEW=1` writes them anew (then `npm run
 * format`).
 */
export function holdExamples(fileName: string, examples: Record<string, () => unknown>): void {
  const file = join(process.cwd(), 'src', 'core', 'testing', fileName);
  const written = JSON.parse(readFileSync(file, 'utf8')) as Record<string, string[]>;
  const isAnew = Boolean(process.env.PEBBLE_WORK_ANEW);

  it.each(Object.keys(examples))('%s', (name) => {
    const now = figures(examples[name]!());
    if (isAnew) written[name] = now;
    const before = written[name] ?? [];
    expect(now.filter((one, i) => !isSame(one, before[i]))).toEqual([]);
    expect(now).toHaveLength(before.length);
  });

  afterAll(() => {
    if (isAnew) writeFileSync(file, `${JSON.stringify(written, null, 2)}\n`);
  });
}

/** All that an example came to, by its place: numbers to nine digits, words as they are. */
function figures(what: unknown): string[] {
  const found: string[] = [];
  const look = (value: unknown, path: string): void => {
    if (typeof value === 'number') found.push(`${path}=${Number(value.toPrecision(9))}`);
    else if (typeof value !== 'object' || value === null) found.push(`${path}=${String(value)}`);
    else if (ArrayBuffer.isView(value)) look(Array.from(value as Float64Array), path);
    else if (Array.isArray(value) && value.length > LONG)
      for (let i = 0; i < LOOKED_AT; i++)
        look(value[Math.floor((i * (value.length - 1)) / (LOOKED_AT - 1))], `${path}[${i}/${LOOKED_AT - 1}]`);
    else
      for (const [key, part] of Object.entries(value))
        look(part, Array.isArray(value) ? `${path}[${key}]` : `${path}.${key}`);
  };
  look(what, '');
  const every = Math.max(1, found.length / MOST_FIGURES);
  return Array.from(
    { length: Math.min(found.length, MOST_FIGURES) },
    (_, i) => found[Math.floor(i * every)]!,
  );
}

/** The same words, or numbers whose last digits alone differ. */
function isSame(one: string, other: string | undefined): boolean {
  if (one === other) return true;
  const [[place, now], [otherPlace, before]] = [one, other ?? ''].map((text) => text.split(/=(.*)/s)) as [
    string[],
    string[],
  ];
  const [x, y] = [Number(now), Number(before)];
  return place === otherPlace && Math.abs(x - y) <= WITHIN * Math.max(Math.abs(x), Math.abs(y), WITHIN);
}
