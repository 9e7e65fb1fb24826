import { benchBaseByHand } from './baseByHand';
import { benchExperiments } from './experiments';
import { CARS } from '@/catalog/cars';
import { menusFor } from '@/catalog/menusFor';
import { TITLES } from '@/catalog/titles';
import { transferSettings, setAxesOf } from '@/core/settings/transferSettings';
import { usualScope, type Combination } from '@/core/settings/scope';
import { effectiveSettings, type SetEvent } from '@/core/settings/trail';
import { footOf } from '@/catalog/drivers';
import { SIMULATED_RIGS } from '@/catalog/simulatedRigs';
import { demoCaptures } from '@/data/demoCaptures';
import { TRACKS } from '@/catalog/tracks';
import { analysePedal } from '@/core/axes/analysePedal';
import { analyseAllAxes } from '@/core/axes/analyseAxis';
import { simulateCapture } from '@/core/axes/simulateCapture';
import { calmReport } from '@/core/force/calmReport';
import { chainOf, damperAtFull } from '@/core/force/chainOf';
import { analyseClipping } from '@/core/force/clipping';
import { forceRecorder } from '@/core/force/forceInputs';
import { judgeForce } from '@/core/force/judgeForce';
import { rideForce } from '@/core/force/rideForce';
import { readRideCsv } from '@/core/formats/rideCsv';
import { readCaptureCsv, writeCaptureCsv } from '@/core/formats/captureCsv';
import { NEUTRAL_LAYER } from '@/core/response/layer';
import { measureRide } from '@/core/rides/measureRide';
import { recommendLaunch } from '@/core/launch/recommendLaunch';
import { liveDrive } from '@/core/driving/liveDrive';
import { drivelineOf } from '@/core/vehicle/drivelineSpec';
import { completeRide, RIDE_RATES, type RideRates } from '@/core/vehicle/simulateRide';
import { BY_ITSELF } from '@/core/driving/shifting';

const RUNS = 5;

/** Median of several runs, ms, after one that warms up. */
function time(work: () => unknown): number {
  work();
  const took = Array.from({ length: RUNS }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  });
  return took.sort((a, b) => a - b)[RUNS >> 1]!;
}

const say = (what: string, figure: string) => process.stdout.write(`${what.padEnd(64)} ${figure}\n`);

const tern = SIMULATED_RIGS[0]!;
const brake = tern.pedals.brake!;
const recording = simulateCapture({
  axis: 'brake',
  device: 'bench',
  hardware: brake,
  habits: footOf('Late shift'),
  rateHz: 7000,
  seed: 1,
});
const csv = writeCaptureCsv(recording);
const parse = time(() => readCaptureCsv(csv));
const analyse = time(() => analysePedal(recording, 'brake'));
say(`parse a capture of ${recording.t.length.toLocaleString('en')} rows`, `${parse.toFixed(0)} ms`);
say('analyse it', `${analyse.toFixed(0)} ms`);
say('analysis : parsing (goal: at most 4)', (analyse / parse).toFixed(2));

/** In a function, so that the recordings do not fill the memory of what is measured next. */
function analyseDemo() {
  const demo = [...demoCaptures()];
  const rows = demo.reduce((sum, { recording: r }) => sum + r.t.length, 0);
  const all = time(() => demo.map(({ recording: r }) => analyseAllAxes(r)));
  say(
    `analyse all ${demo.length} captures of the demo book (goal: under 2 s)`,
    `${all.toFixed(0)} ms, ${rows} rows`,
  );
}
analyseDemo();

const pedal = {
  hardware: brake,
  calibration: { released: brake.released, pressed: brake.pressed },
  layers: [NEUTRAL_LAYER],
};
/** As everything went before the car and its driver had rates of their own. */
const ONE_RATE: RideRates = { body: 1000, driver: 1000 };

let simulatedS = 0;
const rideAt = (rates: RideRates) =>
  time(() => {
    const log = completeRide(
      {
        car: CARS[0]!,
        track: TRACKS[0]!,
        throttle: pedal,
        brake: pedal,
        foot: footOf('Late shift'),
        laps: 2,
        seed: 1,
      },
      undefined,
      rates,
    );
    simulatedS = log.columns.t_s.at(-1)!;
    return measureRide(log);
  });
const ride = rideAt(RIDE_RATES);
say(`simulate and measure ${simulatedS.toFixed(0)} s of driving`, `${ride.toFixed(0)} ms`);
say('a 60 s lap (goal: under 1 s)', `${((60 * ride) / simulatedS / 1000).toFixed(2)} s`);
say('simulated seconds per second (goal: 700)', ((1000 * simulatedS) / ride).toFixed(0));
say('the same at 1 kHz throughout, as it was', ((1000 * simulatedS) / rideAt(ONE_RATE)).toFixed(0));

const LIVE_S = 20;
const ticked = time(() => {
  const live = liveDrive({
    car: CARS[0]!,
    track: TRACKS[0]!,
    axes: {
      wheel: { centre: 0, countsPerDeg: 36, gain: 1, lockDeg: 900, layers: [NEUTRAL_LAYER] },
      pedals: { throttle: { calibration: pedal.calibration, layers: [NEUTRAL_LAYER] } },
    },
    shifting: BY_ITSELF,
    laps: 100,
    standIn: null,
    stretch: null,
  });
  live.hear({ throttle: pedal.calibration.released }, 0);
  for (let ms = 0; ms < 1000 * LIVE_S; ms += 4) live.tick(ms);
  return live;
});
say(
  'a step of a car that is driven here, of 1000 µs',
  `${((1000 * ticked) / (1000 * LIVE_S)).toFixed(1)} µs`,
);
const marl = CARS[0]!;
const launched = time(() => recommendLaunch(marl, drivelineOf(marl)!, pedal, 1));
say('the hold of a launch, with its engine speed (goal: under 5 s)', `${(launched / 1000).toFixed(1)} s`);

const changes = Array.from({ length: 10_000 }, (_, i): SetEvent => {
  const combination = combinationNo(i % 300);
  const key = {
    layer: 'title',
    axis: 'brake',
    field: ['deadzone', 'saturation', 'linearity'][i % 3]!,
  } as const;
  return {
    id: `c${i}`,
    atMs: i,
    kind: 'set',
    scope: usualScope('title', combination),
    key,
    from: null,
    to: i % 20,
  };
});
function combinationNo(n: number): Combination {
  return {
    rigId: 'tern',
    titleId: `title-${n % 20}`,
    carId: 'marl-850',
    driver: `shift ${Math.floor(n / 20)}`,
    branch: '',
  };
}
const one = time(() => effectiveSettings(changes, combinationNo(7)));
say('values in force in one of 300 combinations, 10,000 changes (goal: under 50 ms)', `${one.toFixed(1)} ms`);

const there = menusFor(SIMULATED_RIGS[2]!.spec, TITLES[1]!, CARS[1]!);
const here = menusFor(SIMULATED_RIGS[1]!.spec, TITLES[0]!, CARS[0]!);
const set = setAxesOf(there, {
  'title/brake/deadzone': 0.05,
  'title/brake/saturation': 0.83,
  'title/throttle/linearity': 1.6,
});
const carry = time(() => transferSettings(set, here, {}));
say(`translate a whole combination, ${set.length} menus (goal: under 100 ms)`, `${carry.toFixed(0)} ms`);

const plan = {
  car: CARS[0]!,
  track: TRACKS[0]!,
  throttle: pedal,
  brake: pedal,
  foot: footOf('Late shift'),
  laps: 3,
  seed: 1,
};
const chain = chainOf({
  car: plan.car,
  rig: tern.spec,
  rateHz: 333,
  menus: here,
  values: {},
  rotationDeg: null,
});
let inputs = forceRecorder(chain.title.rateHz).finish();
const wholeAt = (rates: RideRates) =>
  time(() => {
    const recorder = forceRecorder(chain.title.rateHz);
    completeRide(plan, recorder, rates);
    inputs = recorder.finish();
    return rideForce(inputs, chain, plan.seed);
  });
const atOneRate = wholeAt(ONE_RATE);
const whole = wholeAt(RIDE_RATES);
const forceS = inputs.t.at(-1)!;
say(
  'simulated seconds per second with the whole force chain (goal: 500)',
  ((1000 * forceS) / whole).toFixed(0),
);
say('the same at 1 kHz throughout, as it was', ((1000 * forceS) / atOneRate).toFixed(0));
/** As a slider asks: each time another value. */
let asked = 0.1;
const slid = (set: (value: number) => Partial<typeof chain.title>) =>
  time(() =>
    judgeForce(inputs, { ...chain, title: { ...chain.title, ...set((asked += 0.001)) } }, plan.seed),
  );
const gainSlid = slid((gain) => ({ gain }));
say('what the gain’s slider asks of a 3-lap ride (goal: under 150 ms)', `${gainSlid.toFixed(0)} ms`);
const { effects } = chain.title;
const effectSlid = slid((road) => ({ effects: { ...effects, road } }));
say('what an effect’s slider asks of it (goal: under 150 ms)', `${effectSlid.toFixed(0)} ms`);
const calm = time(() => calmReport(chain, 0.0025, damperAtFull(chain.hardware)));
say('letting go at two speeds, least damper, greatest minimum force', `${calm.toFixed(0)} ms`);

const LOG_ROWS = 360_000;
const wave = (i: number) => 0.9 * Math.sin(i / 400) + 0.3 * Math.sin(i / 7);
const logText = [
  't_s,ffb',
  ...Array.from({ length: LOG_ROWS }, (_, i) => `${(i / 1000).toFixed(3)},${wave(i).toFixed(5)}`),
].join('\n');
const read = readRideCsv(logText);
if (!read.ok) throw new Error('the log of the bench must stand');
const parseLog = time(() => readRideCsv(logText));
const clip = time(() => analyseClipping(read.value, { gain: 1, step: 0.01 }));
say(
  `clipping of ${LOG_ROWS.toLocaleString('en')} rows : parsing them (goal: at most 2)`,
  (clip / parseLog).toFixed(2),
);

benchBaseByHand(say);
benchExperiments(say, time);
