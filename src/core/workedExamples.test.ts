import { CARS } from '@/catalog/cars';
import { footOf } from '@/catalog/drivers';
import { menusFor } from '@/catalog/menusFor';
import { SIMULATED_RIGS, simulatedAxes } from '@/catalog/simulatedRigs';
import { TITLES } from '@/catalog/titles';
import { TRACKS } from '@/catalog/tracks';
import { analyseAxis, type AxisAnalysis } from './axes/analyseAxis';
import { axisHistory } from './axes/axisHistory';
import { isPedalAxis, type AxisName } from './axes/axes';
import { programmeFor } from './axes/programme';
import { proofReason } from './axes/proof';
import { recommendPedal } from './axes/recommend';
import type { Recording } from './axes/recording';
import { simulateGuidedCapture } from './axes/simulateCapture';
import { alongPairs } from './experiment/alongPairs';
import { bettingScore, type BlindPair } from './experiment/bettingScore';
import { compareRides } from './experiment/compareRides';
import type { FinderRide } from './experiment/finder/answers';
import { findBest } from './experiment/finder/findBest';
import { justNoticeable } from './experiment/justNoticeable';
import { loadFirst } from './experiment/loadFirst';
import { outlook, spreadOf } from './experiment/planRides';
import { brakeLimit } from './force/brakeLimit';
import { catchTrade } from './force/catchTrade';
import { chainOf, type ChainFacts } from './force/chainOf';
import { adviceInOrder } from './force/forceAdvice';
import { forceFields, isForceDescribed, otherFields } from './force/forceParameters';
import { driveForForce, forceQuestions } from './force/forceQuestions';
import { halfTurn } from './force/halfTurn';
import { judgeLog } from './force/judgeForce';
import { logParts } from './force/logParts';
import { onCentre } from './force/onCentre';
import { readCaptureCsv, writeCaptureCsv } from './formats/captureCsv';
import { readRideCsv, writeRideCsv } from './formats/rideCsv';
import { toCanonical } from './response/menuSchema';
import { responseNotes } from './response/notes';
import { translate } from './response/translate';
import { weaningPlan } from './response/weaning';
import { seededRandom } from './numeric/random';
import { alongRoad } from './rides/alongRoad';
import { splitLaps } from './rides/laps';
import { measureRide } from './rides/measureRide';
import { lockAdvice } from './rotation/lockAdvice';
import { hairpinHand, matchRotation } from './rotation/matchRotation';
import { USUAL_SCHOOLS } from './settings/schools';
import { setAxesOf, transferSettings } from './settings/transferSettings';
import { READERS } from './testing/damage';
import { holdExamples } from './testing/holdExamples';
import { completeRide, type RidePlan } from './vehicle/simulateRide';

const [tern, wren, gannet] = [SIMULATED_RIGS[0]!, SIMULATED_RIGS[1]!, SIMULATED_RIGS[2]!];
const HERE = menusFor(tern.spec, TITLES[0]!, CARS[0]!);
const THERE = menusFor(wren.spec, TITLES[1]!, CARS[1]!);
const SET = {
  'title/brake/deadzone': 4,
  'title/brake/saturation': 90,
  'title/throttle/linearity': 60,
  'title/steering/deadzone': 3,
};

const captures = new Map<string, Recording>();
function captureOf(rig: (typeof SIMULATED_RIGS)[number], axis: AxisName, seed: number): Recording {
  const key = `${rig.id}/${axis}/${seed}`;
  const { base, shifter } = rig.spec;
  const known =
    captures.get(key) ??
    simulateGuidedCapture({
      axis,
      device: rig.name,
      simulated: simulatedAxes(rig, 'Late shift')[axis]!,
      steps: programmeFor(axis, { rotationDeg: base.rotationDeg, ...(shifter ? { shifter } : {}) }),
      rateHz: 250,
      seed,
    });
  captures.set(key, known);
  return known;
}
function analysed(rig: (typeof SIMULATED_RIGS)[number], axis: AxisName, seed = 1): AxisAnalysis {
  const read = analyseAxis(captureOf(rig, axis, seed), axis);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
}

const { released, pressed } = tern.pedals.brake!;
const pedal = { hardware: tern.pedals.brake!, calibration: { released, pressed }, layers: [] };
const PLAN: RidePlan = {
  car: CARS[0]!,
  track: TRACKS[0]!,
  throttle: pedal,
  brake: pedal,
  foot: footOf('Late shift'),
  laps: 3,
  seed: 3,
};
let ride: ReturnType<typeof completeRide> | null = null;
const driven = () => (ride ??= completeRide(PLAN));

const FACTS: ChainFacts = {
  car: CARS[0]!,
  rig: tern.spec,
  rateHz: 100,
  menus: HERE,
  values: { 'title/steering/gain': 80 },
  rotationDeg: 900,
};
let questions: ReturnType<typeof forceQuestions> | null = null;
const asked = () => (questions ??= forceQuestions(driveForForce({ ...PLAN, laps: 2 }, FACTS.rateHz)));

/** Somebody who feels a best value of each, and answers by it. */
function searched(best: readonly number[], rides: number) {
  const settings = best.map((_, k) => ({ key: `s${k}`, min: 0, max: 100, step: 1 }));
  const random = seededRandom(5);
  const so: FinderRide[] = [];
  const told = [];
  const off = (ride: FinderRide) =>
    settings.reduce((sum, { key }, k) => sum + (ride.values[key]! - best[k]!) ** 2, 0) +
    200 * random.uniform();
  for (let i = 0; i < rides; i++) {
    const answer = findBest(settings, so, 11);
    told.push(answer);
    if (!answer.next) break;
    const next: FinderRide = { values: answer.next, better: null, wants: {} };
    const before = so.at(-1);
    if (before) next.better = off(next) < off(before) ? 'this' : 'before';
    settings.forEach(({ key }, k) => (next.wants[key] = next.values[key]! < best[k]! ? 'more' : 'less'));
    so.push(next);
  }
  return told;
}

const PEDALS = ['throttle', 'brake', 'clutch'] as const;
const cut = (text: string, share: number) => text.slice(0, Math.floor(share * text.length));

const EXAMPLES: Record<string, () => unknown> = {
  'pedals of the Tern': () => PEDALS.map((axis) => analysed(tern, axis)),
  'pedals of the Wren': () => (['throttle', 'brake'] as const).map((axis) => analysed(wren, axis)),
  'steering of three rigs': () => SIMULATED_RIGS.map((rig) => analysed(rig, 'steering')),
  'levers and paddles of the Gannet': () =>
    Object.keys(simulatedAxes(gannet, 'Late shift'))
      .filter((axis) => axis !== 'steering')
      .map((axis) => analysed(gannet, axis as AxisName)),
  'what to change of a pedal': () =>
    PEDALS.map((axis) => {
      const found = analysed(tern, axis);
      return isPedalAxis(found.axis) && 'presses' in found
        ? recommendPedal(found, HERE.title[axis]!.dialect, {})
        : null;
    }),
  'a brake over eight captures': () =>
    axisHistory(
      Array.from({ length: 8 }, (_, i) => ({ atMs: i * 6.5e8, analysis: analysed(tern, 'brake', i + 1) })),
      0.031,
    ),
  'why an item of the check did not come': () =>
    (['rest', 'full', 'left-lock', 'right-lock', 'centre'] as const).map((kind) =>
      proofReason({
        item: { axis: kind === 'rest' || kind === 'full' ? 'brake' : 'steering', kind },
        passed: false,
        shown: -0.8123,
      }),
    ),
  'a capture written, read, cut off': () => {
    const text = writeCaptureCsv(captureOf(tern, 'brake', 1));
    return [readCaptureCsv(text), readCaptureCsv(cut(text, 0.31)), readCaptureCsv(cut(text, 0.001))];
  },
  'a ride written, read, cut off': () => {
    const { notes, columns } = driven();
    const begun = Object.entries(columns).map(([name, values]) => [name, values.slice(0, 1500)]);
    const text = writeRideCsv({ notes, columns: Object.fromEntries(begun) as typeof columns });
    return [readRideCsv(text), readRideCsv(cut(text, 0.2)), readRideCsv(cut(text, 0.001))];
  },
  'what every reader says to three files that are none': () =>
    Object.values(READERS).map((read) =>
      ['', '{"format":"pebble-road/car","version":1}', '{"format":'].map((text) => read(text)),
    ),
  'laps, and what they measure': () => [splitLaps(driven()), measureRide(driven())],
  'two rides along the road': () => {
    const [a, b] = [driven(), completeRide({ ...PLAN, seed: 4, laps: 2 })].map((log) => alongRoad(log));
    return (
      a &&
      b &&
      alongPairs([
        { a, b },
        { a: b, b: a },
        { a, b },
      ])
    );
  },
  'where the brake stops helping': () => brakeLimit(driven()),
  'rides of two sides': () => {
    const random = seededRandom(8);
    const { laps } = measureRide(driven());
    const rides = (['A', 'B', 'B', 'A', 'A', 'B', 'B', 'A'] as const).map((side) => {
      const faster = side === 'B' ? 0.4 : 0;
      const so = laps.map((lap) => ({
        ...lap,
        timeS: lap.timeS === null ? null : lap.timeS - faster + 0.2 * random.normal(),
      }));
      return { side, laps: so };
    });
    return [true, false].map((isOrderKnown) => compareRides(rides, { isOrderKnown }));
  },
  'a search of one setting': () => searched([37], 12),
  'a search of two settings': () => searched([22, 71], 9),
  'pairs, and what is just noticed': () => {
    const pairs = [0.4, 0.1, 0.3, 0.2, 0.05, 0.25, 0.15].map((apart, i) => ({ apart, isRight: i % 3 !== 1 }));
    return pairs.map((_, i) => justNoticeable(pairs.slice(0, i + 1), [0.02, 0.05, 0.1, 0.2, 0.4]));
  },
  'a bet on pairs': () => {
    const pairs: BlindPair[] = ['first', 'second', 'none', 'first', 'first', 'second', 'first'].map(
      (answer, i) => ({
        order: i % 2 === 0 ? 'BA' : 'AB',
        answer: answer as BlindPair['answer'],
        sure: (['guess', 'think', 'sure', null] as const)[i % 4]!,
      }),
    );
    return (['which', 'better'] as const).flatMap((question) =>
      pairs.map((_, i) => bettingScore(question, pairs.slice(0, i + 1))),
    );
  },
  'what a plan will show': () => {
    const spread = spreadOf([
      [90.1, 90.4],
      [89.8, 90.2],
      [90.9, 90.3],
    ])!;
    return [1, 4, 9].map((pairs) => outlook({ pairs, lapsPerRide: 2 }, spread, 3, 90));
  },
  'what is loaded before a ride': () =>
    HERE.title.steering!.dialect.fields.flatMap((field) =>
      (
        [
          [field.min, field.max],
          [field.neutral, field.max],
          [field.min, field.neutral],
        ] as const
      ).map((sides) => loadFirst(field, sides)),
    ),
  'a response in other menus': () =>
    PEDALS.map((axis) =>
      translate(
        HERE.title[axis]!.dialect,
        { deadzone: 4, saturation: 90, linearity: 60 },
        THERE.title[axis]!.dialect,
      ),
    ),
  'a combination on other hardware': () => transferSettings(setAxesOf(HERE, SET), THERE, {}),
  'notes of a response': () =>
    [0, 0.02, 0.2].flatMap((deadzone) =>
      [null, 0.99, 1, 3].map((centringErrorDeg) =>
        responseNotes({
          axis: 'steering',
          layers: [
            { name: 'base', layer: { deadzone, saturation: 0.4, curve: { kind: 'power', gamma: 1 } } },
            { name: 'title', layer: { deadzone, saturation: 1, curve: { kind: 'power', gamma: 2 } } },
          ],
          steps: 300,
          centringErrorDeg,
          fullAtDeg: 450,
        }),
      ),
    ),
  'back to neutral in weeks': () =>
    HERE.title.brake!.dialect.fields.flatMap((field) =>
      [field.min, field.max].map((value) => weaningPlan(field, { [field.key]: value }, 0)),
    ),
  'a rotation in three places': () =>
    [
      { baseDeg: 900, titleDeg: 540, carDeg: 720, isStretch: false },
      { baseDeg: 540, titleDeg: 540, carDeg: 900, isStretch: true },
    ].flatMap((rotation) => [
      matchRotation(rotation),
      ...(['own', 'one'] as const).map((school) =>
        lockAdvice({
          rotation: { ...rotation, carOwnDeg: 720 },
          school,
          base: { minDeg: 90, maxDeg: 900, stepDeg: 10 },
          title: { minDeg: 90, maxDeg: 1080, stepDeg: 10 },
          car: { minDeg: 180, maxDeg: 900, stepDeg: 20 },
          measured: { deg: 894, sigmaDeg: 1 },
        }),
      ),
      hairpinHand({ radiusM: 9, wheelbaseM: 2.4, ratio: 14, carDeg: rotation.carDeg }),
    ]),
  'fields of the force': () =>
    (['base', 'title', 'car'] as const).map((layer) => [
      forceFields(HERE, SET, layer),
      otherFields(HERE, SET, layer),
      isForceDescribed(HERE),
    ]),
  'the force of a ride': () => asked().judge(FACTS, USUAL_SCHOOLS),
  'a rim let go': () => asked().calm(FACTS, USUAL_SCHOOLS),
  'detail and roughness': () => asked().smooth(FACTS, USUAL_SCHOOLS),
  'advice in order': () =>
    adviceInOrder({
      ride: asked().judge(FACTS, USUAL_SCHOOLS),
      stability: asked().calm(FACTS, USUAL_SCHOOLS),
      smooth: asked().smooth(FACTS, USUAL_SCHOOLS),
    }),
  'a slide caught, a half turn, the centre': () => {
    const chain = chainOf(FACTS);
    return [catchTrade(chain, 0.05, 0.4), halfTurn(chain), onCentre(chain)];
  },
  'a logged force': () => {
    const rows = driven();
    const n = rows.columns.t_s.length;
    const ffb = Float64Array.from({ length: n }, (_, i) => 1.2 * Math.sin(i / 40) + 0.2 * Math.sin(i / 3));
    const log = { ...rows, columns: { ...rows.columns, ffb } };
    const judged = judgeLog(log, 0.8, 1.1);
    return [judged && judged.judgement, logParts(log), judgeLog(rows, 0.8, 1)];
  },
  'the scale of every field': () =>
    [HERE, THERE].flatMap((menus) =>
      Object.values(menus.title).flatMap((menu) =>
        (menu?.dialect.fields ?? []).flatMap((field) =>
          [field.min, field.neutral, field.max].map((value) => toCanonical(field, value)),
        ),
      ),
    ),
};

holdExamples('workedExamples.json', EXAMPLES);
