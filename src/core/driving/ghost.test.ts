import fc from 'fast-check';
import type { RideLog } from '../rides/rideLog';
import { behindGhost, ghostAt, ghostOf } from './ghost';

const LENGTH_M = 1000;
const RADIUS_M = LENGTH_M / (2 * Math.PI);

/** Laps of a round road, each at one speed, logged a hundred times a second from a little before the line. */
function laps(speeds: readonly number[], places = true): RideLog {
  const rows: { t: number; lap: number; s: number; v: number }[] = [];
  let t = 0;
  for (let s = -50; s < 0; s += 0.01 * speeds[0]!, t += 0.01)
    rows.push({ t, lap: 0, s: LENGTH_M + s, v: speeds[0]! });
  for (const [k, v] of [...speeds, speeds.at(-1)!].entries())
    for (let s = 0; s < LENGTH_M && (k < speeds.length || s < 30); s += 0.01 * v, t += 0.01)
      rows.push({ t, lap: k + 1, s, v });
  const column = (of: (row: (typeof rows)[number]) => number) => Float64Array.from(rows, of);
  return {
    notes: {},
    columns: {
      t_s: column(({ t }) => t),
      lap: column(({ lap }) => lap),
      distance_m: column(({ s }) => s),
      speed_mps: column(({ v }) => v),
      ...(places && {
        x_m: column(({ s }) => RADIUS_M * Math.sin(s / RADIUS_M)),
        y_m: column(({ s }) => RADIUS_M * (1 - Math.cos(s / RADIUS_M))),
      }),
    },
  };
}

const speed = fc.double({ min: 15, max: 60, noNaN: true });

it('is the quickest lap, and is where that one was so long after the line', () => {
  fc.assert(
    fc.property(
      fc.array(speed, { minLength: 1, maxLength: 4 }),
      fc.double({ min: 0, max: 0.98, noNaN: true }),
      (speeds, share) => {
        const ghost = ghostOf(laps(speeds))!;
        const v = Math.max(...speeds);
        expect(Math.abs(ghost.lapS - LENGTH_M / v)).toBeLessThan(0.03);
        const lapS = share * ghost.lapS;
        const at = ghostAt(ghost, lapS)!;
        const s = v * lapS;
        // Ten places a second, and straight between two of them: off by the rise of that arc, and a sample at the line.
        const off = (0.1 * v) ** 2 / (8 * RADIUS_M) + 0.02 * v;
        expect(
          Math.hypot(
            at.x - RADIUS_M * Math.sin(s / RADIUS_M),
            at.y - RADIUS_M * (1 - Math.cos(s / RADIUS_M)),
          ),
        ).toBeLessThan(off);
      },
    ),
    { numRuns: 30 },
  );
});

it('is neither ahead of nor behind itself, and as far behind as one is late', () => {
  fc.assert(
    fc.property(
      speed,
      fc.double({ min: 0.02, max: 0.95, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      (v, share, late) => {
        const ghost = ghostOf(laps([v]))!;
        const lapS = (share * LENGTH_M) / v;
        expect(Math.abs(behindGhost(ghost, share * LENGTH_M, lapS)!)).toBeLessThan(0.025);
        expect(Math.abs(behindGhost(ghost, share * LENGTH_M, lapS + late)! - late)).toBeLessThan(0.025);
      },
    ),
    { numRuns: 30 },
  );
});

it('is nowhere before the line, after its end, and where it never was', () => {
  const ghost = ghostOf(laps([40]))!;
  expect(ghostAt(ghost, -0.1)).toBeNull();
  expect(ghostAt(ghost, ghost.lapS + 1)).toBeNull();
  expect(behindGhost(ghost, LENGTH_M + 50, 1)).toBeNull();
  expect(behindGhost(ghost, NaN, 1)).toBeNull();
});

it('is none of a log without places, without a whole lap, or without anything', () => {
  expect(ghostOf(laps([40], false))).toBeNull();
  expect(ghostOf({ notes: {}, columns: { t_s: new Float64Array(0) } })).toBeNull();
  const { columns } = laps([40]);
  const half = Object.fromEntries(
    Object.entries(columns).map(([name, of]) => [name, of.slice(0, 900)]),
  ) as RideLog['columns'];
  expect(ghostOf({ notes: {}, columns: half })).toBeNull();
});
