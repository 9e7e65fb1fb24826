import { yieldToEventLoop } from './yieldToEventLoop';

const turn = () => new Promise<void>((resolve) => setImmediate(resolve));
const work = (ms: number) => {
  for (const until = performance.now() + ms; performance.now() < until;);
};

it('a page that is drawn in many turns waits for some statements, not for one at each of them', async () => {
  let isDrawn = false;
  const page = (async () => {
    for (let step = 0; step < 40; step++) {
      await turn();
      work(2);
    }
    isDrawn = true;
  })();
  let statements = 0;
  while (!isDrawn) {
    work(5);
    statements++;
    await yieldToEventLoop();
  }
  await page;
  expect(statements).toBeLessThan(20);
});

it('however busy the others are, it goes on in the end, and of many each in its order', async () => {
  let isOver = false;
  const busy = (async () => {
    while (!isOver) {
      await turn();
      work(3);
    }
  })();
  const order: number[] = [];
  await Promise.all([1, 2, 3].map((n) => yieldToEventLoop().then(() => order.push(n))));
  isOver = true;
  await busy;
  expect(order).toEqual([1, 2, 3]);
});
