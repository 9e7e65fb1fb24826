import { baseByHand } from '@/core/identify/baseByHand';
import { simulateSpins } from '@/core/identify/simulateSpins';
import { readings, TRUE_BASES, truthOf, wholeEvening } from '@/core/identify/testing/trueBases';

const SEEDS = 200;

/** Over simulated bases of which the truth is known: how wide the 95 % intervals are, and how often they hold it. */
export function benchBaseByHand(say: (what: string, figure: string) => void): void {
  for (const [name, base] of Object.entries(TRUE_BASES))
    for (const [how, reading] of Object.entries(readings(base))) {
      const truth = truthOf(base);
      const names = Object.keys(truth) as (keyof typeof truth)[];
      const seen = new Map(names.map((one) => [one, { inside: 0, width: 0 }]));
      let tookMs = 0;
      let counted = 0;
      for (let seed = 1; seed <= SEEDS; seed++) {
        const recording = simulateSpins(wholeEvening(base, reading, seed));
        const from = performance.now();
        const out = baseByHand([{ recording, countsPerDegree: reading.countsPerDegree }]);
        tookMs += performance.now() - from;
        if (!out.ok) continue;
        counted++;
        const { inertiaKgM2, frictionNm, dampingNmsPerRad, imbalance, ...rates } = out.value;
        const figures = {
          ...rates,
          inertiaKgM2: inertiaKgM2!,
          frictionNm: frictionNm!,
          dampingNmsPerRad: dampingNmsPerRad!,
          ...imbalance,
        };
        for (const one of names) {
          const { low, high } = figures[one];
          const sum = seen.get(one)!;
          if (low <= truth[one] && truth[one] <= high) sum.inside++;
          sum.width += (high - low) / 2 / Math.abs(truth[one]);
        }
      }
      say(
        `base by hand, ${name}, read as ${how}: ${counted} of ${SEEDS} told, one takes`,
        `${(tookMs / SEEDS).toFixed(0)} ms`,
      );
      for (const [one, { inside, width }] of seen)
        say(
          `  ${one}: inside its interval, half of which is`,
          `${((100 * inside) / counted).toFixed(0)} %, ± ${((100 * width) / counted).toFixed(1)} %`,
        );
    }
}
