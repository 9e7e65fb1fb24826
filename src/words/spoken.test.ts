import { readdirSync, readFileSync } from 'node:fs';

/** Where the product speaks. */
const SPEAKS = [
  'src/words',
  'src/stations',
  'src/parts',
  'src/book/judge',
  'src/core/feel',
  'src/core/axes',
  'src/core/force',
];
/** Words of our own for what the field has a term for, and the term. */
const INSTEAD: [RegExp, string][] = [
  [/least force/i, 'minimum force'],
  [/take-up/i, 'slack'],
  [/return gap/i, 'return hysteresis'],
  [/steps you can use/i, 'resolution'],
  [/calm hands/i, 'hands-off stability'],
  [/spare room|room to spare/i, 'headroom'],
];
const literals = (text: string) =>
  text
    .replace(/\/\*[\s\S]*?\*\/|\/\/.*$/gm, '')
    .match(/'(?:[^'\\\n]|\\.)*'|`(?:[^`\\]|\\.)*`|"[^"\n]*"|>[^<>{}\n]+</g) ?? [];

it('speaks the field’s standard terms', () => {
  for (const folder of SPEAKS)
    for (const name of readdirSync(folder, { recursive: true }) as string[]) {
      if (!/\.tsx?$/.test(name) || /\.test\./.test(name)) continue;
      for (const said of literals(readFileSync(`${folder}/${name}`, 'utf8')))
        for (const [word, term] of INSTEAD)
          if (word.test(said)) throw new Error(`${folder}/${name} says ${said}: the field says ${term}`);
    }
});
