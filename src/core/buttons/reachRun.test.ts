import fc from 'fast-check';
import type { RimButton } from '../rig/rimButton';
import { reachRun } from './reachRun';

const rim = (n: number): RimButton[] =>
  Array.from({ length: n }, (_, index) => ({
    ...{ index, name: `b${index}`, kind: 'button' as const, spot: 'centre' as const },
    ...{ seconds: null, hitInstead: [], passes: true },
  }));

/** A driver with known reach times, who slips from one button to another every so often. */
function drive(
  buttons: RimButton[],
  reach: (index: number) => number,
  slips: (index: number) => number | null,
) {
  const run = reachRun(buttons, 7);
  const order: number[] = [];
  for (let t = 0; run.state.kind !== 'done' && t < 600; t += 0.01) {
    run.tick(t);
    const { state } = run;
    if (state.kind !== 'press' || t < state.sinceS + reach(state.index)) continue;
    const slip = slips(state.index);
    if (slip !== null) run.press(slip, t);
    order.push(state.index);
    run.press(state.index, t + 0.001);
  }
  return { run, order };
}

it('finds the reach of every driver within a hundredth of a second, each button asked for three times', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0.3, max: 2, noNaN: true }), { minLength: 1, maxLength: 8 }),
      (reach) => {
        const { run, order } = drive(
          rim(reach.length),
          (i) => reach[i]!,
          () => null,
        );
        expect(run.state.kind).toBe('done');
        for (const { index, seconds } of run.result()) {
          expect(Math.abs(seconds! - reach[index]!)).toBeLessThan(0.02);
          expect(order.filter((one) => one === index)).toHaveLength(3);
        }
      },
    ),
    { numRuns: 30 },
  );
});

it('a slip is counted to the button that was meant, and its time to none', () => {
  const { run } = drive(
    rim(3),
    () => 0.5,
    (index) => (index === 1 ? 2 : null),
  );
  const [, slipped, other] = run.result();
  expect(slipped).toMatchObject({ seconds: null, hitInstead: [2, 2, 2] });
  expect(other).toMatchObject({ hitInstead: [] });
});

it('a wheel that is unplugged costs no button: it is asked for again, and nothing of before is counted', () => {
  const run = reachRun(rim(2), 3);
  let t = 0;
  const asked = (): number => {
    for (;;) {
      run.tick((t += 0.1));
      const { state } = run;
      if (state.kind === 'press') return state.index;
    }
  };
  const first = asked();
  run.press(1 - first, t);
  run.interrupt();
  // Longer than any press is waited for.
  t += 60;
  expect(run.progress.done).toBe(0);
  expect(asked()).toBe(first);
  for (let done = 0; done < run.progress.of; done++) run.press(done === 0 ? first : asked(), t + 0.3);
  expect(run.state.kind).toBe('done');
  for (const { seconds, hitInstead } of run.result()) {
    expect(seconds).toBeCloseTo(0.3, 6);
    expect(hitInstead).toEqual([]);
  }
});

it('a press before it is asked for begins the rest again, and one that never comes is passed over', () => {
  const run = reachRun(rim(1), 1);
  run.tick(0);
  run.press(0, 1);
  run.tick(1.1);
  run.tick(2.2);
  expect(run.state.kind).toBe('rest');
  for (let t = 2.2; t < 60; t += 0.5) run.tick(t);
  expect(run.state.kind).toBe('done');
  expect(run.result()[0]).toMatchObject({ seconds: null, hitInstead: [] });
  expect(reachRun([], 1).state.kind).toBe('done');
});
