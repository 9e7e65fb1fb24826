import fc from 'fast-check';
import { seededRandom } from '../numeric/random';
import { actsOnLog, forceOfLog } from './forceOfLog';
import { plainBase, PLAIN_TITLE, type BaseForce } from './forceSettings';

const hardware = {
  ...{ ratedNm: 8, frictionNm: 0, delayS: 0, inertiaKgM2: 0.01, viscousNms: 0 },
  ...{ topRadps: null, rotationDeg: 900 },
};
const with_ = (over: Partial<BaseForce> = {}, gain = PLAIN_TITLE.gain) => ({
  title: { ...PLAIN_TITLE, gain },
  base: { ...plainBase(hardware.ratedNm), ...over },
  hardware,
});

/** A road that is half straight, half one long corner; the force holds a level in the corner. */
function logOf({ level = 0.5, rateHz = 200, seconds = 40, noise = 0 } = {}) {
  const random = seededRandom(2);
  const t_s = Float64Array.from({ length: seconds * rateHz }, (_, i) => i / rateHz);
  const corners = t_s.map((t) => (t % 10 < 5 ? 0 : 1));
  return {
    notes: {},
    columns: {
      t_s,
      speed_mps: t_s.map(() => 30),
      steer_deg: t_s.map(() => 0),
      ay_mps2: corners.map((c) => 9 * c),
      ffb: corners.map((c) => level * c + noise * random.normal()),
    },
  };
}

it('corners weigh what the base makes of the force there, in proportion to its strength', () => {
  const level = fc.double({ min: 0.05, max: 1, noNaN: true });
  fc.assert(
    fc.property(level, level, (force, strength) => {
      const { cornerNm } = forceOfLog(logOf({ level: force }), with_({ strength }))!;
      expect(cornerNm).toBeCloseTo(force * strength * hardware.ratedNm, 6);
    }),
    { numRuns: 12 },
  );
});

it('no force over full scale reaches the base, and a torque limit holds', () => {
  expect(forceOfLog(logOf({ level: 3 }), with_({ strength: 1 }))!.cornerNm).toBeCloseTo(8, 6);
  expect(forceOfLog(logOf({ level: 1 }), with_({ strength: 1, torqueLimitNm: 5 }))!.cornerNm).toBeCloseTo(
    5,
    6,
  );
});

it('a log that was driven with one gain tells the force and the clipping of another', () => {
  const log = logOf({ level: 0.6 });
  const at = (gain: number) => forceOfLog(log, with_({ strength: 1 }, gain), 0.5)!;
  expect(at(0.5).cornerNm).toBeCloseTo(0.6 * 8, 6);
  expect(at(0.25).cornerNm).toBeCloseTo(0.3 * 8, 6);
  expect(at(1).cornerNm).toBeCloseTo(8, 6);
  expect([at(0.5), at(0.8), at(1)].map(({ clipShare }) => Number(clipShare.toFixed(2)))).toEqual([0, 0, 0.5]);
  expect(forceOfLog(log, with_(), 0)).toBeNull();
});

it('what acts before the logged force no log tells of another value', () => {
  const acts = (layer: 'base' | 'title' | 'car', field: string) => actsOnLog({ layer, field });
  expect([acts('base', 'damper'), acts('title', 'gain'), acts('car', 'gain')]).toEqual([true, true, true]);
  expect([acts('title', 'understeerCue'), acts('title', 'kerbEffect')]).toEqual([false, false]);
});

it('a log of more rows than the base has steps is read at the base’s rate', () => {
  const { rateHz, cornerNm } = forceOfLog(logOf({ rateHz: 4000, seconds: 10 }), with_())!;
  expect(rateHz).toBe(1000);
  expect(cornerNm).toBeCloseTo(0.5 * with_().base.strength * 8, 6);
});

it('what a base smooths away is missing of the detail, and nothing else is', () => {
  const noisy = logOf({ level: 0.2, noise: 0.05 });
  const plain = forceOfLog(noisy, with_({ strength: 0.5 }))!;
  const smooth = forceOfLog(noisy, with_({ strength: 0.5, smoothHz: 8 }))!;
  expect(plain.detail!).toBeGreaterThan(0.85);
  expect(smooth.detail!).toBeLessThan(0.6 * plain.detail!);
  expect(smooth.roughness).toBeLessThan(plain.roughness);
  expect(smooth.cornerNm! / plain.cornerNm!).toBeCloseTo(1, 1);
});

it('a log that pauses, or comes at an uneven rate, says the same', () => {
  const log = logOf({ level: 0.4 });
  const keep = log.columns.t_s.map((_, i) => (i % 37 === 0 ? 0 : 1));
  const some = (of: Float64Array) => of.filter((_, i) => keep[i] === 1);
  const uneven = {
    notes: {},
    columns: Object.fromEntries(
      Object.entries(log.columns).map(([name, of]) => [name, some(of)]),
    ) as typeof log.columns,
  };
  expect(forceOfLog(uneven, with_())!.cornerNm).toBeCloseTo(forceOfLog(log, with_())!.cornerNm!, 6);
});

it('says nothing without a force, and no weight where nothing tells a corner', () => {
  const { ffb, ay_mps2: ay, ...rest } = logOf().columns;
  expect(forceOfLog({ notes: {}, columns: { ...rest, ay_mps2: ay } }, with_())).toBeNull();
  const blind = forceOfLog({ notes: {}, columns: { ...rest, ffb } }, with_())!;
  expect(blind.cornerNm).toBeNull();
  expect(blind.rateHz).toBeCloseTo(200, 6);
});
