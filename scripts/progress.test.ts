// @ts-expect-error -- a script without types
import { progressBar } from './progress.mjs';

interface Bar {
  at(share: number): void;
  done(): void;
}
function drawn(isTTY: boolean) {
  const said: string[] = [];
  const stream = { isTTY, write: (text: string) => said.push(text) };
  return { said, bar: progressBar('Packages', stream) as Bar };
}

it('is drawn over itself on a terminal, and never goes back', () => {
  const { said, bar } = drawn(true);
  for (const share of [0.5, 0.25, 1.7]) bar.at(share);
  bar.done();
  expect(said[1]).toBe(`\r[${'#'.repeat(12)}${'·'.repeat(12)}]  50 %  Packages, 0 s`);
  expect(said[2]).toBe(said[1]);
  expect(said[3]).toContain('100 %');
  expect(said.at(-1)).toBe('\n');
});

it('says each quarter once where nobody looks', () => {
  const { said, bar } = drawn(false);
  for (let i = 0; i <= 100; i++) bar.at(i / 100);
  bar.done();
  expect(said.map((line) => Number(/(\d+) %/.exec(line)![1]))).toEqual([0, 25, 50, 75, 100]);
});
