import { SIMULATED_RIGS, simulatedAxes } from '@/catalog/simulatedRigs';
import { watchAssignment, watchHold } from './assignment';
import { hidAxes, hidButtons, readHidField, type HidCollection } from './hidLayout';
import { readPlace } from './readings';
import { realDevice } from './realDevice';
import { sampleRecorder } from './recorder';
import { replayDevice } from './replay';
import { simulatedRig } from './simulatedRig';
import type { SampleBatch } from './source';
import { matchRawField } from './matchRawField';
import { isTie, watchForMovement } from './axisMovement';

const TERN = SIMULATED_RIGS[0]!;
const pads: (object | null)[] = [];
const pad = (axes: number[], pressed = false, id = 'Pedals') => ({
  id,
  connected: true,
  axes,
  buttons: [
    { pressed, value: pressed ? 1 : 0 },
    { pressed: false, value: 0 },
  ],
});

beforeEach(() => {
  jest.useFakeTimers();
  pads.length = 0;
  Object.defineProperty(globalThis, 'navigator', { value: { getGamepads: () => pads }, configurable: true });
});
afterEach(() => jest.useRealTimers());

describe('the simulated rig', () => {
  const collect = (speed = 1) => {
    const rig = simulatedRig({ ...TERN, axes: simulatedAxes(TERN, 'Late shift') }, 1);
    rig.setSpeed(speed);
    const batches: SampleBatch[] = [];
    const states: string[] = [];
    rig.subscribe({ samples: (batch) => batches.push(batch), state: (state) => states.push(state) });
    return {
      rig,
      states,
      t: () => batches.flatMap((b) => [...b.t]),
      brake: () => batches.flatMap((b) => [...b.axes.brake!]),
    };
  };

  it('samples at its rate, with time that rises, faster when told so', () => {
    for (const speed of [1, 4]) {
      const { t, rig } = collect(speed);
      jest.advanceTimersByTime(1000);
      const at = t();
      expect(Math.abs(at.length - 1000 * speed)).toBeLessThan(20 * speed);
      expect(at.every((v, i) => i === 0 || v > at[i - 1]!)).toBe(true);
      rig.close();
    }
  });

  it('moves the brake as told, and falls silent unplugged', () => {
    const { rig, brake, states } = collect();
    rig.perform('brake', 'press');
    jest.advanceTimersByTime(1500);
    expect(Math.max(...brake())).toBeGreaterThan(0.8 * 61480);
    rig.unplug();
    const count = brake().length;
    jest.advanceTimersByTime(500);
    expect(brake()).toHaveLength(count);
    rig.plugIn();
    jest.advanceTimersByTime(100);
    expect(brake().length).toBeGreaterThan(count);
    expect(states).toEqual(['gone', 'live']);
    rig.close();
  });
});

describe('real devices', () => {
  const brake = { device: 'Pedals', place: { kind: 'axis' as const, index: 2 } };

  it('give the chosen readings, tell of buttons, of vanishing and of coming back', () => {
    const source = realDevice({ brake });
    const raw: number[] = [];
    const told: (string | number)[] = [];
    source.subscribe({
      samples: (b) => raw.push(b.axes.brake![0]!),
      state: (s) => told.push(s),
      button: (i) => told.push(i),
    });
    expect(source.state).toBe('waiting');
    const steps = [pad([0, 0, 0.25]), pad([0, 0, 0.5], true), null, pad([0, 0, NaN])];
    for (const step of steps) {
      pads[0] = step;
      jest.advanceTimersByTime(8);
    }
    expect([...new Set(raw)]).toEqual([0.25, 0.5]);
    expect(told).toEqual(['live', 0, 'gone', 'live']);
    source.close();
  });

  it('are one source together, and a lever is the number of its pressed button', () => {
    const source = realDevice({
      brake,
      steering: { device: 'Wheel', place: { kind: 'axis', index: 0 } },
      gear: { device: 'Wheel', place: { kind: 'buttons', indices: [0, 1] } },
    });
    const seen: (number | undefined)[][] = [];
    const pressed: number[] = [];
    source.subscribe({
      samples: ({ axes }) => seen.push([axes.brake?.[0], axes.steering?.[0], axes.gear?.[0]]),
      button: (i) => pressed.push(i),
    });
    pads.push(pad([0, 0, 0.25]));
    jest.advanceTimersByTime(8);
    expect(seen).toEqual([]);
    pads.push(pad([-0.5], true, 'Wheel'));
    jest.advanceTimersByTime(4);
    expect(seen).toEqual([[0.25, -0.5, 1]]);
    expect(source.info.ranges.gear).toEqual({ min: 0, max: 2 });
    expect(pressed).toEqual([]);
    source.close();
  });

  it('two of the same id are told apart by their order', () => {
    pads.push(pad([0.1]), pad([0.9]));
    expect(readPlace('Pedals', { kind: 'axis', index: 0 })).toBe(0.1);
    expect(readPlace('Pedals #2', { kind: 'axis', index: 0 })).toBe(0.9);
    expect(readPlace('Pedals #3', { kind: 'axis', index: 0 })).toBeUndefined();
  });
});

describe('finding an axis by moving it', () => {
  const sweep = (watch: ReturnType<typeof watchForMovement>, at: (u: number) => object[]) => {
    for (let i = 0; i <= 40; i++) {
      pads.splice(0, pads.length, ...at(i / 40));
      watch.look();
    }
    return watch.look();
  };

  it('the biggest mover wins, on whichever device; what is assigned already does not count', () => {
    const both = (u: number) => [pad([0, -1 + 1.4 * u, 0.1 * u]), pad([0.8 * u], false, 'Wheel')];
    expect(sweep(watchForMovement(), both)[0]).toMatchObject({
      device: 'Pedals',
      place: { kind: 'axis', index: 1 },
    });
    const taken = [{ device: 'Pedals', place: { kind: 'axis' as const, index: 1 } }];
    expect(sweep(watchForMovement(taken), both)[0]).toMatchObject({ device: 'Wheel' });
  });

  it('a hat reported as an axis, a switch, and a tie are not taken for a pedal', () => {
    const hat = (u: number) => [pad([u < 0.5 ? 9 / 7 : -1 + (2 / 7) * Math.floor(7 * u)])];
    expect(sweep(watchForMovement(), hat)).toEqual([]);
    const flick = (u: number) => [pad([u > 0.5 ? 1 : -1])];
    expect(sweep(watchForMovement(), flick)).toEqual([]);
    const tied = sweep(watchForMovement(), (u) => [pad([2 * u - 1, 1.9 * u - 1])]);
    expect(isTie(tied)).toBe(true);
  });

  it('from the seat: moved over most of its way and back', () => {
    const watch = watchAssignment([]);
    const at = (value: number, ms: number) => {
      pads.splice(0, pads.length, pad([value]));
      return watch.look(ms);
    };
    for (let i = 0; i <= 40; i++) expect(at(-1 + i / 20, i * 10).found).toBeNull();
    for (let i = 0; i <= 40; i++) at(1 - i / 20, 400 + i * 10);
    expect(at(-1, 900).found).toBeNull();
    expect(at(-1, 1400).found).toMatchObject({ place: { kind: 'axis', index: 0 } });
  });

  it('a pedal held for a second says yes, once per hold', () => {
    const hold = watchHold({ device: 'Pedals', place: { kind: 'axis', index: 0 } }, -1, 1);
    const at = (value: number, ms: number) => {
      pads.splice(0, pads.length, pad([value]));
      return hold(ms);
    };
    expect(at(-1, 0)).toBeNull();
    for (let ms = 100; ms < 1100; ms += 100) expect(at(0.8, ms)).toBe('holding');
    expect([at(0.8, 1100), at(0.8, 1200), at(-1, 1300), at(0.8, 1400)]).toEqual([
      'held',
      null,
      null,
      'holding',
    ]);
    // A page that stood still saw nothing of what was between: it may have been two presses.
    expect([at(0.8, 1500), at(0.8, 2500), at(0.8, 2800)]).toEqual(['holding', 'holding', 'holding']);
  });
});

describe('raw reports', () => {
  /** A descriptor as a browser tells of it: 16-bit wheel, two 12-bit pedals, a hat, ten buttons, padding between. */
  const RECORDED: HidCollection[] = [
    {
      inputReports: [
        {
          reportId: 1,
          items: [
            {
              usages: [0x00010030],
              reportSize: 16,
              reportCount: 1,
              logicalMinimum: 0,
              logicalMaximum: 65535,
            },
            {
              usages: [0x00010031, 0x00010032],
              reportSize: 12,
              reportCount: 2,
              logicalMinimum: 0,
              logicalMaximum: 4095,
            },
            { usages: [0x00010039], reportSize: 4, reportCount: 1, logicalMinimum: 0, logicalMaximum: 7 },
            { isConstant: true, reportSize: 4, reportCount: 1 },
            {
              isRange: true,
              usageMinimum: 0x00090001,
              reportSize: 1,
              reportCount: 10,
              logicalMinimum: 0,
              logicalMaximum: 1,
            },
            { isConstant: true, reportSize: 6, reportCount: 1 },
            {
              usages: [0x000200c5],
              reportSize: 16,
              reportCount: 1,
              logicalMinimum: -32768,
              logicalMaximum: 32767,
            },
          ],
        },
      ],
    },
  ];
  const REPORT = new DataView(
    Uint8Array.of(0x34, 0x12, 0xbc, 0x3a, 0x12, 0x0f, 0x05, 0x02, 0xfe, 0xff).buffer,
  );

  it('are read as their descriptor lays them out: axes, signed fields, buttons; no hat, no padding', () => {
    const axes = hidAxes(RECORDED);
    expect(axes.map((f) => readHidField(f, REPORT))).toEqual([0x1234, 0xabc, 0x123, -2]);
    expect(axes.map((f) => [f.min, f.max])).toEqual([
      [0, 65535],
      [0, 4095],
      [0, 4095],
      [-32768, 32767],
    ]);
    const down = hidButtons(RECORDED).map((f) => readHidField(f, REPORT));
    expect(down).toEqual([1, 0, 1, 0, 0, 0, 0, 0, 0, 1]);
    expect(readHidField(axes[3]!, new DataView(new ArrayBuffer(4)))).toBeUndefined();
  });

  it('are matched to a gamepad axis by moving alike, also turned over; not by chance', () => {
    const wave = Array.from({ length: 100 }, (_, i) => Math.sin(i / 8));
    const series = (values: number[], min: number, max: number) => ({ values, min, max });
    const axis = series(
      wave.map((v) => Math.round(v * 500) / 500),
      -1,
      1,
    );
    const raw = series(
      wave.map((v) => 30000 - 20000 * v),
      0,
      65535,
    );
    const other = series(
      wave.map((_, i) => (i * 7919) % 4096),
      0,
      4095,
    );
    expect(matchRawField(axis, [other, raw])).toBe(1);
    expect(matchRawField(axis, [other])).toBeNull();
    expect(
      matchRawField(
        series(
          wave.map(() => 0.2),
          -1,
          1,
        ),
        [raw],
      ),
    ).toBeNull();
  });
});

it('a capture is played again as a device, in its own time, and falls silent at its end', () => {
  const t = Float64Array.from({ length: 200 }, (_, i) => 5 + i / 100);
  const replay = replayDevice({
    t,
    axes: { brake: t.map((v) => v * 10) },
    runs: [],
    device: 'Tern',
    rangeMin: 0,
    rangeMax: 100,
    rateHz: 100,
  });
  const seen: number[] = [];
  const states: string[] = [];
  replay.subscribe({ samples: (b) => seen.push(...b.axes.brake!), state: (s) => states.push(s) });
  jest.advanceTimersByTime(1000);
  expect(Math.abs(seen.length - 100)).toBeLessThan(5);
  jest.advanceTimersByTime(2000);
  expect(seen).toEqual([...t].map((v) => v * 10));
  expect(states).toEqual(['gone']);
  replay.close();
});

it('the recorder keeps every sample of every axis across its blocks', () => {
  const recorder = sampleRecorder(['steering', 'brake']);
  for (let i = 0; i < 40_000; i++) recorder.push(i, [i, -i]);
  const { t, axes } = recorder.rows(16_000);
  expect([t.length, t[0], axes.brake![0], axes.steering!.at(-1)]).toEqual([24_000, 16_000, -16_000, 39_999]);
  expect(recorder.rows(40_000).t).toHaveLength(0);
  expect([recorder.time(20_000), recorder.value(1, 20_000)]).toEqual([20_000, -20_000]);
});
