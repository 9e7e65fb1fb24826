interface Bar {
  at(share: number): void;
  done(): void;
}
async function drawn(isTTY: boolean) {
  const { progressBar } = (await import('./progress.mjs')) as {
    progressBar(what: string, stream: object): Bar;
  };
  const said: string[] = [];
  const stream = { isTTY, write: (text: string) => said.push(text) };
  return { said, bar: progressBar('Packages', stream) };
}

it('is drawn over itself on a terminal, and never goes back', async () => {
  const { said, bar } = await drawn(true);
  for (const share of [0.5, 0.25, 1.7]) bar.at(share);
  bar.done();
  expect(said[1]).toBe(`\r[${'#'.repeat(12)}${'·'.repeat(12)}]  50 %  Packages, 0 s`);
  expect(said[2]).toBe(said[1]);
  expect(said[3]).toContain('100 %');
  expect(said.at(-1)).toBe('\n');
});

it('says each quarter once where nobody looks', async () => {
  const { said, bar } = await drawn(false);
  for (let i = 0; i <= 100; i++) bar.at(i / 100);
  bar.done();
  expect(said.map((line) => Number(/(\d+) %/.exec(line)![1]))).toEqual([0, 25, 50, 75, 100]);
});
