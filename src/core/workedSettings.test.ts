import { CARS } from '@/catalog/cars';
import { menusFor } from '@/catalog/menusFor';
import { SIMULATED_RIGS, simulatedAxes } from '@/catalog/simulatedRigs';
import { TITLES } from '@/catalog/titles';
import { analyseAxis } from './axes/analyseAxis';
import type { AxisName } from './axes/axes';
import { captureHistogram } from './axes/captureHistogram';
import { captureTrace } from './axes/captureTrace';
import { programmeFor } from './axes/programme';
import { simulateGuidedCapture } from './axes/simulateCapture';
import {
  nextStep,
  pairedSides,
  planOf,
  planSchema,
  QUESTIONS,
  rulesOf,
  sidesOfPlan,
} from './experiment/questions';
import type { Chosen, Course } from './experiment/questions/question';
import { randomizedOrders, seededCoin } from './experiment/randomizedOrders';
import { strongestUnderFlips } from './experiment/signFlips';
import { tellApart } from './experiment/tellApart';
import { chainOf } from './force/chainOf';
import { analyseClipping } from './force/clipping';
import { crashSpike } from './force/crashSpike';
import { fullScaleFromLog } from './force/fullScaleFromLog';
import { gainProbe } from './force/gainProbe';
import { minForceStep, upperShare, type MinForceTry } from './force/minForcePlan';
import { soundOf } from './force/sound';
import { differences } from './formats/differences';
import { curveInverse, curveLocal, curveValue, isLinear, type Curve } from './response/curve';
import { layerInverse, layerLocal, layerValue } from './response/layer';
import { gridValue } from './response/menuSchema';
import { probeField } from './response/probe';
import { checkSettings } from './response/settings';
import type { RideLog } from './rides/rideLog';
import { settingAt, calmCentre, type CalmWish } from './rotation/calmCentre';
import {
  carAnswer,
  COMPARED_AT_MPS,
  consistency,
  lateralPerDegree,
  SENSITIVITY_SPEEDS,
  steeredCar,
} from './rotation/sensitivity';
import { checkChange } from './settings/menus';
import { holdsIn, narrowness, usualScope, type Combination } from './settings/scope';
import { keyOfText, LAYERS } from './settings/setting';
import { checkPutBack, effectiveSettings, valuesOf, wayBack, type TrailEvent } from './settings/trail';
import { holdExamples } from './testing/holdExamples';

const tern = SIMULATED_RIGS[0]!;
const HERE = menusFor(tern.spec, TITLES[0]!, CARS[0]!);
const KEY = 'title/brake/deadzone';
const FIELDS = HERE.title.brake!.dialect.fields;
const CHAIN = chainOf({
  car: CARS[0]!,
  rig: tern.spec,
  rateHz: 100,
  menus: HERE,
  values: {},
  rotationDeg: 900,
});

const CURVES: Curve[] = [
  { kind: 'power', gamma: 1 },
  { kind: 'power', gamma: 2.2 },
  { kind: 'power', gamma: 0.6 },
  { kind: 'blend', k: 0.4 },
  {
    kind: 'points',
    points: [
      [0, 0],
      [0.3, 0.1],
      [0.6, 0.1],
      [1, 1],
    ],
  },
];
const WAY = [0, 0.05, 0.1, 0.3, 0.45, 0.6, 0.9, 1];

/** Corners of some length and strength, with a force that follows them by a factor, and a little of its own. */
function cornering(factor: number, seconds = 90, most = 6): RideLog {
  const t_s = Float64Array.from({ length: 50 * seconds }, (_, i) => i / 50);
  const side = t_s.map((t) => most * Math.sin(t / 3) * Math.abs(Math.sin(t / 17)));
  return {
    notes: {},
    columns: {
      t_s,
      speed_mps: t_s.map((t) => 25 + 5 * Math.sin(t / 11)),
      ay_mps2: side,
      ffb: side.map((a, i) => factor * a + 0.01 * Math.sin(i)),
    },
  };
}

const WISH: CalmWish = {
  wanted: 0.03,
  baseNowDeg: 900,
  baseField: {
    key: 'rotation',
    label: 'Turn',
    min: 180,
    max: 1080,
    step: 10,
    neutral: 900,
    maps: { kind: 'degrees', of: 'rotation' },
  },
  linearity: {
    key: 'linearity',
    label: 'Bend',
    min: 0.5,
    max: 3,
    step: 0.1,
    neutral: 1,
    maps: { kind: 'gamma-direct' },
  },
  layers: [{ deadzone: 0, saturation: 1, curve: { kind: 'power', gamma: 1 } }],
  titleLayer: 0,
  isStretch: false,
  carDeg: 720,
  ratio: 14,
  hairpin: { radiusM: 9, wheelbaseM: 2.4 },
};

const HOME: Combination = {
  rigId: 'tern',
  titleId: 'causeway',
  carId: 'marl-850',
  driver: 'Late shift',
  branch: '',
};
const set = (
  id: string,
  by: Partial<Combination>,
  layer: (typeof LAYERS)[number],
  to: number | null,
): TrailEvent => ({
  id,
  atMs: 0,
  kind: 'set',
  scope: usualScope(layer, { ...HOME, ...by }),
  key: { ...keyOfText(KEY), layer },
  from: null,
  to,
});
const TRAIL: TrailEvent[] = [
  set('a', {}, 'title', 3),
  set('b', { driver: 'Dawn shift' }, 'title', 9),
  set('c', {}, 'car', 4),
  set('d', {}, 'title', 5),
  { id: 'e', atMs: 1, kind: 'put-back', undoes: 'c' },
  set('f', { carId: 'dray-55' }, 'car', 7),
  set('g', {}, 'base', 1),
  set('h', {}, 'title', null),
  { id: 'i', atMs: 2, kind: 'put-back', undoes: 'h' },
];

const RANGE = { key: KEY, min: 0, max: 20, step: 1 };
const CHOSEN: Chosen = {
  key: KEY,
  menu: { min: 0, max: 100, step: 1 },
  value: 7,
  sides: { a: 4, b: 12 },
  ranges: [RANGE, { ...RANGE, key: 'title/brake/saturation' }],
  way: 'here',
  pairs: 3,
  lapsPerRide: 2,
  stretch: null,
  named: 'lapTimeS',
  dimension: null,
  seed: 4,
};

/** A question driven as it asks: the first answer each time, one ride in five goes wrong. */
function asked(question: (typeof QUESTIONS)[number], way: Chosen['way']) {
  const rules = rulesOf(question);
  const plan = planOf(question, { ...CHOSEN, way, pairs: rules.isBlind ? 6 : 3 });
  let course: Course = { orders: randomizedOrders(12, seededCoin(3)), trials: [], answers: [] };
  const steps = [];
  for (let i = 0; i < (rules.isLed ? 9 : 40); i++) {
    const step = nextStep(plan, course);
    steps.push(step);
    if (step.kind === 'over') break;
    const atMs = 1000 * i;
    if (step.kind === 'ride') {
      const outcome = i % 5 === 3 ? ('crash' as const) : ('ridden' as const);
      const values = rules.isLed ? (step.values as Record<string, number>) : null;
      const trial = { place: step.place, atMs, outcome, rideId: null, values, software: '' };
      course = { ...course, trials: [...course.trials, trial] };
    } else {
      const said = (
        step.ask === 'feel'
          ? {
              kind: 'feel',
              better: step.isFirst ? null : 'this',
              wants: Object.fromEntries(rules.settings(plan).map((key) => [key, i % 2 ? 'more' : 'less'])),
            }
          : { kind: 'pair', answer: i % 3 ? 'first' : 'second', sure: null }
      ) as Course['answers'][number]['said'];
      course = { ...course, answers: [...course.answers, { place: step.place, atMs, said }] };
    }
  }
  const facts = {
    ...course,
    rides: new Map(),
    strayLogs: 1,
    isOpen: false,
    isLooked: true,
    isExtended: false,
    commitmentHolds: true,
  };
  return {
    plan: planSchema.safeParse(plan).success,
    steps,
    pair: pairedSides(plan, {
      ...course,
      trials: course.trials.slice(0, 2),
      answers: course.answers.slice(0, 1),
    }),
    sides: sidesOfPlan(plan),
    answer: rules.answer(facts, plan),
    known: rules.known(rules.answer(facts, plan), plan, KEY),
    kept: rules.kept(course, plan),
    broken: [0, 1, 3].map((ridden) =>
      rules.tellsWhenBroken({ ridden, answers: course.answers.slice(0, ridden) }),
    ),
    rest: [rules.rides(plan), rules.pairs(plan), rules.ends(plan), rules.settings(plan)],
  };
}

holdExamples('workedSettings.json', {
  'every axis of every rig, drawn and counted': () =>
    SIMULATED_RIGS.flatMap((rig) =>
      Object.entries(simulatedAxes(rig, 'Noon shift')).map(([name, simulated]) => {
        const axis = name as AxisName;
        const { base, shifter } = rig.spec;
        const recording = simulateGuidedCapture({
          axis,
          device: rig.name,
          simulated,
          steps: programmeFor(axis, { rotationDeg: base.rotationDeg, ...(shifter ? { shifter } : {}) }),
          rateHz: 125,
          seed: 9,
        });
        const read = analyseAxis(recording, axis);
        return read.ok
          ? [
              read.value,
              captureTrace(recording, axis, read.value),
              'calibration' in read.value && captureHistogram(recording, axis, read.value.calibration, 20),
            ]
          : read.problems;
      }),
    ),
  'curves, and their inverse': () =>
    CURVES.flatMap((curve) => [
      isLinear(curve),
      ...WAY.map((u) => [
        curveValue(curve, u),
        curveLocal(curve, u, 1),
        curveLocal(curve, u, -1),
        curveInverse(curve, u, 'upper'),
        curveInverse(curve, u, 'lower'),
      ]),
    ]),
  'layers, and their inverse': () =>
    CURVES.map((curve) => {
      const layer = { deadzone: 0.1, saturation: 0.6, curve };
      return WAY.map((x) => [
        layerValue(layer, x),
        layerLocal(layer, x, 1),
        layerInverse(layer, x, 'upper'),
        layerInverse(layer, x, 'lower'),
      ]);
    }),
  'a field probed': () =>
    FIELDS.flatMap((field) => {
      const at = gridValue(field, (field.min + field.max) / 3, 'atMost');
      const readings = [0.2, 0.4, 0.6, 0.8].map((input) => ({
        input,
        shown: Number((input ** 1.3).toFixed(2)),
      }));
      return (['deadzone', 'saturation', 'curve'] as const).map((parameter) =>
        probeField(field, parameter, at, readings),
      );
    }),
  'settings that a menu takes, and that it does not': () =>
    [0, 0.5, 4, 60, 101, -1].flatMap((value) => [
      checkChange(HERE, { 'title/brake/saturation': 5 }, keyOfText(KEY), value),
      checkSettings(HERE.title.brake!.dialect, { deadzone: value, saturation: 40 }),
    ]),
  'a trail folded, and led back': () => [
    valuesOf(effectiveSettings(TRAIL, HOME)),
    valuesOf(effectiveSettings(TRAIL, { ...HOME, carId: 'dray-55' })),
    valuesOf(effectiveSettings(TRAIL, { ...HOME, driver: 'Dawn shift' })),
    ...['a', 'c', 'd', 'g', 'h', 'x', 'e'].map((id) => checkPutBack(TRAIL, id)),
    ...['a', 'd', 'f', null].map((id) => wayBack(TRAIL, HOME, id)),
    TRAIL.map((event) => event.kind === 'set' && [narrowness(event.scope), holdsIn(event.scope, HOME)]),
  ],
  'every question, driven': () =>
    QUESTIONS.flatMap((question) => [asked(question, 'here'), asked(question, 'title')]),
  'which of four changes': () =>
    [
      [],
      [{ putBack: [0, 1], value: 90.1 }],
      [
        { putBack: [0, 1], value: 90.1 },
        { putBack: [0], value: 89.4 },
      ],
    ].map((rides) => tellApart(4, rides, { before: 90, after: 89.5, rideSd: 0.2 })),
  'the strongest under flips': () =>
    strongestUnderFlips([
      [0.3, 0.1, 0.5, 0.2, 0.4, -0.1, 0.3],
      [-0.3, 0.2, 0.1, 0, 0.1, 0.2, -0.2],
    ]),
  'the least force, stepped to': () => {
    const field = {
      ...FIELDS[0]!,
      min: 0,
      max: 100,
      step: 1,
      neutral: 0,
      maps: { kind: 'fraction', of: 'minForce', full: 400 },
    } as const;
    const tries: MinForceTry[] = [];
    const steps = [];
    for (let i = 0; i < 20; i++) {
      const step = minForceStep(field, { predicted: 0.05, upper: upperShare(CHAIN) }, tries);
      steps.push(step);
      if (step.kind !== 'try') break;
      tries.push({ value: step.value, rocks: step.value > 31 });
    }
    return [
      steps,
      minForceStep(field, { predicted: null, upper: 0.2 }, [
        { value: 0, rocks: true },
        { value: 0, rocks: true },
      ]),
    ];
  },
  'a gain probed by two rides': () => [
    gainProbe({ log: cornering(0.08), value: 50 }, { log: cornering(0.12), value: 75 }),
    gainProbe({ log: cornering(0.08), value: 50 }, { log: cornering(0.1), value: 100 }),
    gainProbe({ log: cornering(0.08), value: 50 }, { log: cornering(0.1), value: 50 }),
    gainProbe({ log: cornering(0.5), value: 50 }, { log: cornering(0.1), value: 75 }),
  ],
  'the full scale in a log': () =>
    CARS.map((car) => [
      fullScaleFromLog(cornering(0.07), car, 1),
      fullScaleFromLog(cornering(0.07), car, 0.5),
      fullScaleFromLog(cornering(0.07, 8), car, 1),
    ]),
  'clipping of a log': () => [
    analyseClipping(cornering(0.2), { gain: 1, step: 0.01 }),
    analyseClipping(cornering(0.05), { gain: 0.7, step: 0.05 }),
    analyseClipping({ notes: {}, columns: { t_s: Float64Array.of(0, 1, 2) } }, { gain: 1, step: 0.01 }),
  ],
  'a crash, and how it sounds': () => [
    crashSpike(CHAIN),
    crashSpike({ ...CHAIN, hardware: { ...CHAIN.hardware, inertiaKgM2: 0.4 } }),
    soundOf(
      Float64Array.from({ length: 500 }, (_, i) => Math.sin(i / 5)),
      1000,
    ),
  ],
  'a calm centre': () => [
    ...[0.02, 0.03, 0.05].map((wanted) => calmCentre({ ...WISH, wanted })),
    settingAt(WISH, 540, 1.4),
    calmCentre({ ...WISH, isStretch: true, carDeg: 1400 }),
    calmCentre({ ...WISH, hairpin: { radiusM: 3, wheelbaseM: 2.4 } }),
  ],
  'cars by the degree': () => [
    ...CARS.map((car) =>
      carAnswer(car, { baseDeg: 720, titleDeg: 900, isStretch: false }, SENSITIVITY_SPEEDS),
    ),
    consistency(
      CARS.map((car) => ({ name: car.name, lateral: lateralPerDegree(steeredCar(car), 1, COMPARED_AT_MPS) })),
    ),
    consistency([]),
  ],
  'what differs between two books': () =>
    differences({ a: [1, 2, { b: 'x' }], c: null, d: 1 }, { a: [1, 3, { b: 'y' }], c: 2, e: 1 }),
});
