import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { carForce, carGains } from '../force/carGains';
import type { ChainFacts } from '../force/chainOf';
import { addsForce, isCalm } from '../force/forceAdvice';
import { deadControls, doubledSettings } from '../force/coupling';
import { KERB_LEVEL } from '../force/effects';
import { driveForForce } from '../force/forceQuestions';
import { forceField } from '../force/forceParameters';
import { forceParts, type DrivenRide } from '../force/forceParts';
import { FAST_MPS, restDeg, ROLL_MPS, unrest } from '../force/handsOff';
import { effectiveResponse, respond } from '../response/compose';
import { menuField, responseLayers } from '../settings/menus';
import { keyOfText, keyText, type SettingValues } from '../settings/setting';
import { SMALL_PLAN } from '../testing/smallWorld';
import type { FeelChange, FeelFacts } from './cause';
import { answerTo, COMPLAINTS } from './complaints';
import { feelFactsOf } from './feelFacts';
import { itLong, tries } from '../testing/longRun';

const title = titleById('causeway');
const RIGS = ['wren', 'tern', 'gannet'] as const;
const OTHER = 'spindrift-h4';

const rides = new Map<string, DrivenRide>();
/** A lap of four corners, driven once by each car. */
function lapOf(carId: string): DrivenRide {
  if (!rides.has(carId))
    rides.set(carId, driveForForce({ ...SMALL_PLAN, car: carById(carId) }, title.forceHz));
  return rides.get(carId)!;
}

function factsOf(rig: string, values: SettingValues, carId = 'marl-850'): ChainFacts {
  const { spec } = simulatedRigById(rig);
  const car = carById(carId);
  const menus = menusFor(spec, title, car);
  return { car, rig: spec, rateHz: title.forceHz, menus, values, rotationDeg: null };
}

const known = new Map<string, FeelFacts>();
function measured(rig: string, values: SettingValues, otherCar: SettingValues = {}): FeelFacts {
  const key = JSON.stringify([rig, Object.entries(values).sort(), otherCar]);
  const facts = factsOf(rig, values);
  const shared = Object.fromEntries(Object.entries(values).filter(([name]) => !name.startsWith('car/')));
  const other = factsOf(rig, { ...shared, ...otherCar }, OTHER);
  const row = (of: ChainFacts) => ({ facts: of, force: carForce(lapOf(of.car.id).inputs, of, 3) });
  const cars = () => carGains([facts, other].map(row), 0, 'peak');
  if (!known.has(key)) known.set(key, feelFactsOf(forceParts(lapOf('marl-850'), facts), cars, 'trade'));
  return known.get(key)!;
}

const road = (f: FeelFacts, effect: 'road' | 'slip') =>
  Math.max(
    0,
    ...f.balance
      .filter(({ stretch }) => stretch !== 'kerb' && stretch !== 'off-track')
      .map(({ mask }) => mask[effect] ?? 0),
  );
const kerbNm = ({ chain: { title: t, base, hardware } }: FeelFacts) =>
  t.gain * t.effects.kerb * KERB_LEVEL * base.strength * hardware.ratedNm;
const drag = ({ chain: { base, title: t } }: FeelFacts) =>
  base.damperNms + 0.3 * t.damper * base.damperChannel + base.frictionNm + 2 * base.inertiaKgM2;
const jump = (f: FeelFacts) => f.centre.minForceStepNm / f.chain.hardware.frictionNm;
const moves = ({ chain }: FeelFacts) => unrest(chain, ROLL_MPS) + unrest(chain, FAST_MPS);
const lost = (f: FeelFacts) => 1 - (f.smooth.detail ?? 1);
const clips = ({ judged: { judgement: j } }: FeelFacts) => 5 * j.clipShare + 20 * j.sustainedShare;
const numbness = (f: FeelFacts) => {
  const layers = responseLayers(f.facts.menus, f.facts.values, 'steering');
  const { deadzone } = effectiveResponse(layers);
  // What friction swallows, what the steering does not pass on, what smoothing and drag take away, what gain leaves unused.
  return (
    f.centre.deadBandG / 0.4 +
    20 * deadzone +
    (1 - respond(layers, 0.2) / 0.2) +
    lost(f) +
    drag(f) -
    0.1 * f.chain.title.gain
  );
};
const nothings = ({ facts: { menus, values } }: FeelFacts) => {
  const read = (at: Parameters<Parameters<typeof deadControls>[0]>[0]) =>
    forceField(menus, values, at.layer, at.parameter)?.canonical ?? null;
  // What does the same twice over does something.
  return deadControls(read).length + 0.5 * doubledSettings(read).length;
};

/** What a driver who complains would measure: the less the better. Physical figures, none of them an evidence. */
const OWN_MEASURE: Record<string, (f: FeelFacts) => number> = {
  numb: numbness,
  saws: moves,
  robotic: (f) => f.smooth.roughness + clips(f) + 0.2 * jump(f) + road(f, 'road'),
  water: (f) => drag(f) + lost(f),
  gravel: (f) => road(f, 'road') + 0.2 * jump(f) + 0.5 * f.smooth.roughness,
  stays: (f) => restDeg(f.chain, ROLL_MPS) + drag(f) - f.chain.title.gain + nothings(f),
  kerbs: (f) => kerbNm(f) + 0.2 * f.judged.judgement.peakNm,
  slides: (f) => clips(f) + road(f, 'slip') + lost(f) + drag(f) - f.cue.drop,
  'dead-slider': (f) => nothings(f) + clips(f) + lost(f),
  weak: (f) => f.centre.deadBandG - f.judged.judgement.cornerNm,
  strong: (f) => f.judged.judgement.cornerNm + 0.2 * f.judged.judgement.peakNm + drag(f),
  cars: (f) => Math.max(...f.cars.map(({ ratio }) => Math.abs(Math.log(ratio || 1)))) + clips(f),
  chatters: (f) => 0.2 * jump(f) + moves(f) + road(f, 'road') + 0.5 * f.smooth.roughness,
};

/** What is set wrong on purpose; each where the rig's own menus have it. */
const PLANTS: Record<string, SettingValues[]> = {
  numb: [
    { 'title/steering/deadzone': 4 },
    { 'title/steering/linearity': 60 },
    { 'base/steering/smoothing': 10 },
  ],
  saws: [
    { 'title/steering/minForce': 80 },
    { 'base/steering/strength': 100, 'base/steering/damper': 0, 'base/steering/protection': 0 },
    { 'title/steering/titleSpring': 100, 'base/steering/springChannel': 100 },
  ],
  robotic: [
    { 'title/steering/gain': 100 },
    { 'base/steering/smoothing': 0 },
    { 'title/steering/minForce': 60 },
  ],
  water: [{ 'base/steering/damper': 90 }, { 'base/steering/friction': 80 }, { 'base/steering/inertia': 90 }],
  gravel: [{ 'title/steering/roadEffect': 100 }, { 'title/steering/minForce': 60 }],
  stays: [{}, { 'base/steering/friction': 80 }, { 'title/steering/gain': 15 }],
  kerbs: [
    { 'title/steering/kerbEffect': 50 },
    { 'title/steering/kerbEffect': 100, 'base/steering/strength': 100 },
    { 'title/steering/kerbEffect': 0 },
  ],
  slides: [
    { 'title/steering/gain': 100 },
    { 'title/steering/slipEffect': 100 },
    { 'base/steering/smoothing': 10 },
  ],
  'dead-slider': [
    { 'title/steering/titleDamper': 30, 'base/steering/damperChannel': 0 },
    { 'title/steering/titleDamper': 30, 'base/steering/damper': 50, 'base/steering/damperChannel': 100 },
  ],
  weak: [{ 'title/steering/gain': 15 }, { 'base/steering/strength': 20 }, {}],
  strong: [{ 'base/steering/strength': 100 }, { 'base/steering/damper': 90 }, {}],
  cars: [{ 'car/steering/gain': 60 }, { 'title/steering/gain': 100 }],
  chatters: [{ 'title/steering/minForce': 60 }, { 'title/steering/roadEffect': 100 }],
};

/** Only what the menus of the rig have. */
function planted(rig: string, values: SettingValues): SettingValues {
  const { menus } = factsOf(rig, {});
  return Object.fromEntries(
    Object.entries(values).filter(([key]) => menuField(menus, keyOfText(key)) !== null),
  );
}

/** What calms each rig, in its own menus. */
const CALMED: Record<(typeof RIGS)[number], SettingValues> = {
  wren: { 'title/steering/titleDamper': 15 },
  tern: { 'base/steering/strength': 60, 'base/steering/damper': 100 },
  gannet: { 'base/steering/strength': 60, 'base/steering/damper': 60 },
};

/** How often a change may be the answer; else it is what to measure next, or first how the rim is calmed. */
const answered = { change: 0, next: 0, calmFirst: 0 };

describe.each(RIGS)('on the %s', (rig) => {
  // A third of them on each rig, all on one or another.
  const asked = COMPLAINTS.filter((_, i) => i % tries(3, 1) === RIGS.indexOf(rig) % tries(3, 1));
  it.each(asked.map(({ id, words }) => [id, words]))(
    '%s: the one change that is advised makes “%s” less, or it is said what to measure next',
    (id) => {
      const complaint = COMPLAINTS.find((one) => one.id === id)!;
      // Where force is withheld from a rim that moves, the same is asked again of one that was calmed.
      const cases = PLANTS[id]!.slice(0, tries(1, Infinity)).map((plant) => planted(rig, plant));
      for (const values of cases) {
        const withChange = ({ key, to, carId }: FeelChange) =>
          carId
            ? measured(rig, values, { [keyText(key)]: to })
            : measured(rig, { ...values, [keyText(key)]: to });
        const before = measured(rig, values);
        const { advised, next, causes } = answerTo(complaint, before, withChange);
        expect(causes.length).toBeGreaterThan(0);
        if (!advised && next.where === 'stability') {
          expect(moves(before)).toBeGreaterThan(0);
          answered.calmFirst++;
          const calmed = { ...CALMED[rig], ...values };
          if (moves(measured(rig, calmed)) < moves(before)) cases.push(calmed);
          continue;
        }
        if (!advised) {
          answered.next++;
          expect(next.measure).toMatch(/\w/);
          continue;
        }
        answered.change++;
        const own = OWN_MEASURE[id]!;
        const [was, then] = [own(before), own(withChange(advised.change))];
        if (!(then < was))
          throw new Error(
            `${rig} ${id} ${JSON.stringify(values)}: ${advised.change.label} ${advised.change.from} → ${advised.change.to} (${advised.cause.name}): ${was} → ${then}`,
          );
        // A rim that moves by itself gets no more force.
        if (!isCalm(before.calm)) expect(addsForce(advised.change)).toBe(false);
        // Whoever feels too much never gets a rim that moves by itself instead.
        expect(moves(withChange(advised.change))).toBeLessThan(moves(before) + 0.5);
      }
    },
  );
});

itLong('most planted causes have a change for an answer', () => {
  // Where a rig has no such menu nothing is planted, and to measure is the right answer.
  expect(answered.change).toBeGreaterThan(1.5 * answered.next);
});
