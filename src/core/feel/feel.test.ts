import { footOf } from '@/catalog/drivers';
import { carById, simulatedRigById, titleById, trackById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { carForce, carGains } from '../force/carGains';
import type { ChainFacts } from '../force/chainOf';
import { forceRecorder } from '../force/forceInputs';
import { forceParts, type DrivenRide } from '../force/forceParts';
import { isForceField } from '../force/forceParameters';
import { seededRandom } from '../numeric/random';
import { gridCount, gridPoint } from '../response/menuSchema';
import { NEUTRAL_LAYER } from '../response/layer';
import { checkChange } from '../settings/menus';
import { keyText, LAYERS, type SettingValues } from '../settings/setting';
import { simulateRide } from '../vehicle/simulateRide';
import { rankCauses, ramp, type Cause, type FeelFacts } from './cause';
import { feelFactsOf } from './feelFacts';
import { causesOf, COMPLAINTS } from './complaints';
import { CAUSES } from './causes';
import { tries } from '../testing/longRun';

const title = titleById('causeway');
const driven = new Map<string, DrivenRide>();

/** One lap of a car, driven once for all tests. */
function lapOf(carId: string): DrivenRide {
  const known = driven.get(carId);
  if (known) return known;
  const { throttle, brake } = simulatedRigById('tern').pedals;
  const asMade = (hardware: NonNullable<typeof brake>) => ({
    hardware,
    calibration: { released: hardware.released, pressed: hardware.pressed },
    layers: [NEUTRAL_LAYER],
  });
  const recorder = forceRecorder(title.forceHz);
  const steps = simulateRide(
    {
      car: carById(carId),
      track: trackById('saltmarsh-loop'),
      throttle: asMade(throttle!),
      brake: asMade(brake!),
      foot: { ...footOf('Late shift'), restTravel: 0 },
      laps: 1,
      seed: 11,
    },
    recorder,
  );
  for (let next = steps.next(); !next.done; next = steps.next());
  const ride = { inputs: recorder.finish(), seed: 11 };
  driven.set(carId, ride);
  return ride;
}

function factsOf(rig: string, values: SettingValues, carId = 'marl-850'): ChainFacts {
  const { spec } = simulatedRigById(rig);
  const car = carById(carId);
  return {
    car,
    rig: spec,
    rateHz: title.forceHz,
    menus: menusFor(spec, title, car),
    values,
    rotationDeg: null,
  };
}

function measured(rig: string, values: SettingValues): FeelFacts {
  const facts = factsOf(rig, values);
  const shared = Object.fromEntries(Object.entries(values).filter(([key]) => !key.startsWith('car/')));
  const other = factsOf(rig, shared, 'spindrift-h4');
  const ride = (of: ChainFacts) => ({ facts: of, force: carForce(lapOf(of.car.id).inputs, of, 11) });
  const cars = () => carGains([facts, other].map(ride), 0, 'peak');
  return feelFactsOf(forceParts(lapOf('marl-850'), facts), cars, 'trade');
}

const found = (id: string, facts: FeelFacts) =>
  causesOf(
    COMPLAINTS.find((c) => c.id === id)!,
    facts,
  );
/** What calms the Tern, so that only what is planted is found. */
const CALM = {
  'base/steering/strength': 60,
  'base/steering/damper': 100,
  'base/steering/smoothing': 2,
};
const at = (title: Record<string, number>, base: Record<string, number> = {}): SettingValues => ({
  ...CALM,
  ...Object.fromEntries(Object.entries(title).map(([key, value]) => [`title/steering/${key}`, value])),
  ...Object.fromEntries(Object.entries(base).map(([key, value]) => [`base/steering/${key}`, value])),
});

describe('a planted cause is named first, with the change that takes it away', () => {
  it.each([
    ['numb', 'tern', at({ deadzone: 4 }), CAUSES.deadZone.name, { from: 4, to: 0 }],
    ['numb', 'tern', at({ linearity: 60 }), CAUSES.calmCurve.name, { from: 60, to: 0 }],
    ['numb', 'wren', {}, CAUSES.frictionSwallows.name, { label: 'Stir', from: 0 }],
    ['saws', 'tern', at({ minForce: 80 }, { damper: 0 }), CAUSES.rocks.name, { label: 'Stir' }],
    ['robotic', 'tern', at({}, { smoothing: 0 }), CAUSES.comesInSteps.name, { label: 'Polish', from: 0 }],
    ['water', 'tern', at({}, { smoothing: 10, damper: 0 }), CAUSES.smoothingNumbs.name, { label: 'Polish' }],
    [
      'water',
      'gannet',
      { 'base/steering/damper': 90, 'base/steering/strength': 20 },
      CAUSES.dragHeavy.name,
      { label: 'Oil', from: 90 },
    ],
    ['robotic', 'tern', at({ minForce: 60 }), CAUSES.jumps.name, { label: 'Stir', from: 60 }],
    ['gravel', 'tern', at({ roadEffect: 100 }), CAUSES.roadTooLoud.name, { label: 'Cobbles', from: 100 }],
    ['slides', 'tern', at({ gain: 100 }), CAUSES.clips.name, { label: 'Car heft', from: 100 }],
    [
      'dead-slider',
      'tern',
      at({ titleDamper: 30 }),
      CAUSES.deadControl.name,
      { label: 'Calming', from: 30, to: 0 },
    ],
    ['weak', 'tern', at({ gain: 15 }), CAUSES.gainUnused.name, { label: 'Car heft' }],
    [
      'kerbs',
      'gannet',
      { 'title/steering/kerbEffect': 100, 'base/steering/strength': 100 },
      CAUSES.kerbTooLoud.name,
      { label: 'Kerbstones', from: 100 },
    ],
    ['stays', 'wren', {}, CAUSES.frictionHolds.name, { label: 'Stir', from: 0 }],
    [
      'chatters',
      'tern',
      at({ minForce: 60 }, { damper: 100 }),
      CAUSES.rocks.name,
      { label: 'Stir', from: 60 },
    ],
    [
      'strong',
      'gannet',
      { 'base/steering/strength': 100 },
      CAUSES.cornersHeavy.name,
      { label: 'Might', from: 100 },
    ],
  ])('%s on the %s', (complaint, rig, values, name, change) => {
    const [first] = found(complaint, measured(rig, values as SettingValues));
    expect(first).toMatchObject({ name, verdict: expect.stringMatching(/likely|possible/) });
    expect(first!.change).toMatchObject(change);
  });

  it('another car’s gain is changed on that car', () => {
    const values = at({}, {});
    const [first] = found('cars', measured('tern', { ...values, 'car/steering/gain': 60 }));
    expect(first).toMatchObject({ name: CAUSES.carsDiffer.name, change: { carId: 'spindrift-h4' } });
  });
});

describe('ranking', () => {
  const cause = (name: string, evidence: number, takesAway = false): Cause => ({
    name,
    takesAway,
    judge: () => ({ evidence, says: name }),
  });

  it('takes away before it adds where both are as likely, and lets stronger evidence go first', () => {
    const names = (causes: Cause[]) => rankCauses(causes, {} as FeelFacts).map(({ name }) => name);
    expect(names([cause('adds', 0.8), cause('takes', 0.8, true)])).toEqual(['takes', 'adds']);
    expect(names([cause('takes', 0.3, true), cause('adds', 0.9)])).toEqual(['adds', 'takes']);
  });

  it('proposes nothing for a cause that is ruled out', () => {
    const change = {
      key: { layer: 'title', axis: 'steering', field: 'gain' },
      label: 'Force',
      from: 1,
      to: 2,
    };
    const [only] = rankCauses(
      [{ name: 'no', takesAway: true, judge: () => ({ evidence: 0, says: '', change: change as never }) }],
      {} as FeelFacts,
    );
    expect(only).toMatchObject({ verdict: 'ruled out', change: null });
  });

  it('a ramp stays within 0 and 1', () => {
    expect([ramp(-1, 0, 2), ramp(1, 0, 2), ramp(9, 0, 2)]).toEqual([0, 0.5, 1]);
  });
});

it('on a rig that is set well, nothing is likely', () => {
  const well = measured('tern', at({ gain: 60, minForce: 23 }));
  // Weight is a matter of taste: no belt gives what the car's own column would.
  const likely = COMPLAINTS.filter(({ id }) => id !== 'weak').flatMap(({ id }) =>
    found(id, well).filter(({ verdict, change }) => verdict === 'likely' && change !== null),
  );
  expect(likely).toEqual([]);
});

it('minimum force is not blamed where the rim moves without any', () => {
  const { facts, chain } = measured('gannet', { 'title/steering/minForce': 4 });
  const judge = (stillMinForce: number | null) =>
    CAUSES.rocks.judge({ facts, chain, calm: { stillMinForce } } as FeelFacts);
  expect(judge(null)).toMatchObject({ evidence: 0 });
  expect(judge(0.005)).toMatchObject({ evidence: 1, change: { from: 4, to: 2 } });
});

describe('whatever is set', () => {
  /** Any number of each menu's own grid, on every layer. */
  function anything(rig: string, seed: number): SettingValues {
    const random = seededRandom(seed);
    const { menus } = factsOf(rig, {});
    return Object.fromEntries(
      LAYERS.flatMap((layer) =>
        (menus[layer].steering?.dialect.fields ?? [])
          .filter(({ maps }) => 'of' in maps && isForceField(maps.of))
          .map((field) => {
            const value = gridPoint(field, Math.floor(random.uniform() * gridCount(field)));
            return [keyText({ layer, axis: 'steering', field: field.key }), value];
          }),
      ),
    );
  }

  it.each(
    [
      ['wren', 1],
      ['tern', 2],
      ['tern', 3],
      ['gannet', 4],
    ].slice(0, tries(1, 4)) as [string, number][],
  )('on the %s, every cause keeps to its measure, and every change to its menu (%i)', (rig, seed) => {
    const values = anything(rig, seed);
    const facts = measured(rig, values);
    const { menus } = facts.facts;
    for (const complaint of COMPLAINTS) {
      const causes = causesOf(complaint, facts);
      expect(causes).toHaveLength(complaint.causes.length);
      for (const { evidence, says, change } of causes) {
        expect(evidence).toBeGreaterThanOrEqual(0);
        expect(evidence).toBeLessThanOrEqual(1);
        expect(says).not.toMatch(/NaN|undefined|Infinity/);
        if (!change) continue;
        expect(change.to).not.toBe(change.from);
        if (!change.carId)
          expect(checkChange(menus, values, change.key, change.to)).toMatchObject({ ok: true });
      }
    }
  });
});
