import fc from 'fast-check';
import { CARS } from '@/catalog/cars';
import { TITLES } from '@/catalog/titles';
import { analyseAxis } from './axes/analyseAxis';
import { axisHistory } from './axes/axisHistory';
import { recommendPedal } from './axes/recommend';
import { captureHeadSchema } from './axes/checkCapture';
import { isPedalAxis, type AxisName } from './axes/axes';
import { runsFromLabels } from './axes/recording';
import { compareRides } from './experiment/compareRides';
import { analyseClipping } from './force/clipping';
import { layerSchema } from './formats/responseJson';
import { effectiveResponse } from './response/compose';
import { LEAST_GAP } from './response/curve';
import { gridCount, gridPoint } from './response/menuSchema';
import { translate } from './response/translate';
import { measureRide } from './rides/measureRide';
import { medianOverDistance } from './rides/overDistance';
import { RIDE_COLUMNS, type RideLog } from './rides/rideLog';
import { throttleSmoothness } from './rides/throttleSmoothness';
import { believedBase, hairpinHand, matchRotation } from './rotation/matchRotation';
import { consistency, lateralPerDegree, steeredCar } from './rotation/sensitivity';
import { anyCapture, anyRide } from './testing/anyRecording';
import { tries } from './testing/longRun';

/** `null` says that something is not known; NaN and infinity only hide a fault. */
function onlyNumbers(what: unknown): void {
  const look = (value: unknown, path: string): void => {
    if (typeof value === 'number' && !Number.isFinite(value)) throw new Error(`${path} is ${value}`);
    if (ArrayBuffer.isView(value))
      return Array.from(value as Float64Array).forEach((v, i) => look(v, `${path}[${i}]`));
    if (typeof value === 'object' && value !== null)
      for (const [key, part] of Object.entries(value)) look(part, `${path}.${key}`);
  };
  look(what, 'it');
}

/** A ride of laps of a road of any length, at any rate, with whatever else the schemas allow in its columns. */
const anyLaps: fc.Arbitrary<RideLog> = fc
  .record({
    ride: anyRide,
    laps: fc.integer({ min: 1, max: 6 }),
    length: fc.constantFrom(1e-6, 1, 3402, 1e7),
    withLap: fc.boolean(),
    force: fc.constantFrom(0, 5e-324, 1, 1000),
  })
  .map(({ ride: { columns, notes }, laps, length, withLap, force }) => {
    const n = columns.t_s.length;
    const share = (i: number) => ((i * laps) / n) % 1;
    return {
      notes,
      columns: {
        throttle: columns.t_s.map((_, i) => (i % 7) / 6),
        brake: columns.t_s.map((_, i) => (i % 3) / 2),
        ...columns,
        distance_m: columns.t_s.map((_, i) => share(i) * length),
        ffb: columns.t_s.map((_, i) => Math.sin(i) * force),
        ...(withLap ? { lap: columns.t_s.map((_, i) => Math.floor((i * laps) / n)) } : {}),
      },
    };
  });

it('rides', () => {
  fc.assert(
    fc.property(fc.oneof(anyRide, anyLaps), fc.oneof(anyRide, anyLaps), (a, b) => {
      const [one, other] = [measureRide(a), measureRide(b)];
      onlyNumbers([
        one,
        throttleSmoothness(a),
        compareRides(
          [
            { side: 'A', laps: one.laps },
            { side: 'B', laps: other.laps },
          ],
          { isOrderKnown: true },
        ),
      ]);
      onlyNumbers(RIDE_COLUMNS.map((column) => medianOverDistance(a, column)));
    }),
    { numRuns: tries(100, 300) },
  );
});

it('clipping, at any gain and step', () => {
  fc.assert(
    fc.property(
      fc.oneof(anyRide, anyLaps),
      fc.constantFrom(1e-3, 1, 20, 1000),
      fc.constantFrom(0.001, 0.01, 1),
      (log, gain, step) => {
        const judged = analyseClipping(log, { gain, step });
        if (judged.ok) onlyNumbers(judged.value);
      },
    ),
    { numRuns: tries(40, 200) },
  );
});

/** A whole capture, in whatever counts the device gives, with whatever happened to single samples. */
const wholeCapture = fc
  .record({
    axis: fc.constantFrom<AxisName>('brake', 'steering', 'gear', 'throttle'),
    range: fc.constantFrom([0, 65_535], [-1, 1], [0, 2 ** 40], [-(2 ** 40), 2 ** 40], [0, 1e-6], [0, 1]),
    rest: fc.double({ min: 0, max: 1, noNaN: true }),
    turned: fc.boolean(),
    hz: fc.constantFrom(1, 20, 250, 10_000),
    levels: fc.constantFrom(2, 10, 4096, Infinity),
    odd: fc.array(fc.record({ at: fc.nat(699), to: fc.double({ min: 0, max: 1, noNaN: true }) }), {
      maxLength: 30,
    }),
    holds: fc.constantFrom('hold:90', 'hold:0', 'hold:-9999', 'gate:1', 'press', 'takeup'),
  })
  .map(({ axis, range: [least, most], rest, turned, hz, levels, odd, holds }) => {
    const labels = Array.from({ length: 700 }, (_, i) => {
      if (i < 150) return i < 100 ? 'rest' : 'cover';
      if (i < 450) return i % 100 < 2 ? 'idle' : 'sweep';
      return i % 50 < 4 ? 'idle' : holds;
    });
    const share = labels.map((_, i) => {
      const moving = i < 150 ? rest * 0.02 : Math.sin((i / 50) * Math.PI) ** 2;
      const stepped = Number.isFinite(levels) ? Math.round(moving * levels) / levels : moving;
      return turned ? 1 - stepped : stepped;
    });
    for (const { at, to } of odd) share[at] = to;
    const raw = Float64Array.from(share, (s) =>
      Math.min(most!, Math.max(least!, least! + s * (most! - least!))),
    );
    const head = captureHeadSchema.parse({
      device: '',
      rangeMin: least,
      rangeMax: most,
      rateHz: null,
      runs: runsFromLabels(labels),
      guide: null,
    });
    return { axis, head, t: Float64Array.from(labels, (_, i) => i / hz), axes: { [axis]: raw } };
  });

it('captures, what is recommended of them, and their history', () => {
  let analysed = 0;
  fc.assert(
    fc.property(fc.oneof(anyCapture, wholeCapture), ({ axis, head, t, axes }) => {
      const result = analyseAxis({ t, axes, ...head }, axis);
      if (!result.ok) return;
      analysed++;
      onlyNumbers(result.value);
      const past = [0, 1, 2, 3].map((i) => ({ atMs: i * 6e8, analysis: result.value }));
      onlyNumbers(axisHistory(past, 0.02));
      const analysis = result.value;
      if (!isPedalAxis(axis) || analysis.axis === 'steering' || analysis.axis === 'gear') return;
      for (const title of TITLES) onlyNumbers(recommendPedal(analysis, title.dialects[axis], {}));
    }),
    { numRuns: tries(40, 200) },
  );
  expect(analysed).toBeGreaterThan(20);
});

const share = fc.oneof(fc.double({ min: 0, max: 1, noNaN: true }), fc.constantFrom(0, 1, 1e-12, 5e-324));
const anyLayer = fc
  .record({
    deadzone: share,
    saturation: share,
    curve: fc.oneof(
      fc.record({ kind: fc.constant('power'), gamma: fc.constantFrom(0.2, 1, 5) }),
      fc.record({ kind: fc.constant('blend'), k: fc.constantFrom(-0.5, 0, 1) }),
      fc.array(fc.tuple(share, share), { maxLength: 6 }).map((inner) => {
        const xs = inner.map(([x]) => x).sort((a, b) => a - b);
        const ys = inner.map(([, y]) => y).sort((a, b) => a - b);
        const points = xs.map((x, i) => [x, ys[i]!] as [number, number]);
        const apart = points.filter(
          ([x], i) => x >= (points[i - 1]?.[0] ?? 0) + LEAST_GAP && x <= 1 - LEAST_GAP,
        );
        return { kind: 'points', points: [[0, 0], ...apart, [1, 1]] };
      }),
    ),
  })
  .filter((layer) => layerSchema.safeParse(layer).success)
  .map((layer) => layerSchema.parse(layer));

it('responses of any layers, and settings in any title’s numbers', () => {
  fc.assert(
    fc.property(fc.array(anyLayer, { minLength: 1, maxLength: 3 }), (layers) => {
      const { deadzone, saturation, ...rest } = effectiveResponse(layers);
      onlyNumbers([deadzone, saturation, rest]);
    }),
    { numRuns: tries(150, 500) },
  );
  const dialects = TITLES.map((title) => title.dialects.brake);
  fc.assert(
    fc.property(fc.constantFrom(...dialects), fc.constantFrom(...dialects), fc.nat(), (from, to, n) => {
      const values = Object.fromEntries(
        from.fields.map((field) => [field.key, gridPoint(field, n % gridCount(field))]),
      );
      if ((values['deadzone'] ?? 0) === 0) onlyNumbers(translate(from, values, to));
    }),
    { numRuns: tries(8, 20) },
  );
});

it('rotations, hairpins and how cars answer to the hands', () => {
  const degrees = fc.constantFrom(0.001, 60, 90, 900, 3600, 1e6);
  fc.assert(
    fc.property(degrees, degrees, degrees, fc.boolean(), (baseDeg, titleDeg, carDeg, isStretch) => {
      onlyNumbers(matchRotation({ baseDeg, titleDeg, carDeg, isStretch }));
      onlyNumbers(believedBase(baseDeg, titleDeg, carDeg));
      for (const radiusM of [1e-3, 6, 1e6])
        onlyNumbers(
          hairpinHand({ radiusM, wheelbaseM: titleDeg, ratio: 14, carDeg, speedMps: 300, understeer: 0.01 }),
        );
    }),
  );
  for (const car of CARS) {
    const laterals = [0, 1, 60, 300].map((speed) => lateralPerDegree(steeredCar(car), 1, speed));
    onlyNumbers([laterals, consistency(laterals.map((lateral, i) => ({ name: `${i}`, lateral })))]);
  }
});
