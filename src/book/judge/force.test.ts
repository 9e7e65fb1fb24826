import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import type { ForceReport, StabilityReport } from '@/core/force/forceReport';
import type { RigSpec } from '@/core/rig/rigSpec';
import type { SettingValues } from '@/core/settings/setting';
import type { BookView } from '../model/bookView';
import type { CarSide } from '../model/carSide';
import {
  clipsTooMuch,
  crashCaution,
  deadNames,
  forceFactsOf,
  forceFinding,
  heavierCaution,
  simulatedFinding,
  type ForceFacts,
} from './force';
import { otherCarsOf } from './otherCars';

const [title, car] = [titleById('causeway'), carById('marl-850')];
const { spec } = simulatedRigById('tern');
const viewOf = (settings: SettingValues = {}): BookView =>
  ({
    car,
    rig: { id: 'tern', name: 'Tern', spec },
    title,
    menus: menusFor(spec, title, car),
    settings,
    rotation: { baseDeg: 900 },
    names: { car: car.name, rig: 'Tern' },
    axes: [],
    combination: { rigId: 'tern', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' },
    trackId: 'saltmarsh-loop',
    ownTrack: null,
  }) as unknown as BookView;
const report = (clipShare: number, sustainedShare = 0, headroomDb: number | null = 0) =>
  ({ judgement: { clipShare, sustainedShare, headroomDb } }) as ForceReport;
const moves = (verdict: string, fromDeg = 5) =>
  ({
    calm: { fast: { verdict, fromDeg }, roll: { verdict: 'settles', fromDeg: 5 } },
  }) as unknown as StabilityReport;

/** A title's damper that the base's channel lets nothing through of. */
const DEAD = { 'title/steering/titleDamper': 30, 'base/steering/damperChannel': 0 };

describe('a title or a car of which not all is known', () => {
  const saws = {
    roll: { verdict: 'saws', fromDeg: 5 },
    fast: { verdict: 'saws', fromDeg: 5 },
  } as const;
  const ride = (importedFrom: string | null) => ({
    importedFrom,
    settings: {},
    clipping: {
      clipShare: 0.3,
      sustainedShare: 0.1,
      headroomDb: -2,
      gainKeepEveryPeak: 1,
      gainTradeBiggestHits: 1,
    },
  });
  const found = (facts: Partial<ForceFacts>) =>
    forceFinding({ ...viewOf(), motion: saws, newestRide: null, ...facts });

  it('says nothing of a force that nobody described, whatever is simulated', () => {
    const { title: own, ...menus } = viewOf().menus;
    const silent = { ...menus, title: { brake: own.brake! } };
    expect(found({ menus: silent, newestRide: ride(null) })).toEqual({
      health: 'untouched',
      reason: 'Force not described',
      heading: 'Nothing is known yet of the force of this title',
    });
  });

  it('alarms of no rim and no clipping on a full scale that is taken as usual; a log counts', () => {
    const car = { ...viewOf().car, scaleIsAssumed: true };
    const still = {
      roll: { verdict: 'settles', fromDeg: 5 },
      fast: { verdict: 'settles', fromDeg: 5 },
    } as const;
    expect(found({ car })).toMatchObject({
      health: 'under-way',
      heading: 'Let go, the rim saws by itself, if the car’s full scale is as usual',
    });
    expect(found({ car, motion: still, newestRide: ride(null) }).health).toBe('under-way');
    expect(found({ car, motion: still, newestRide: ride('a log') })).toMatchObject({
      health: 'look',
      reason: '30.0 % of the last ride clipped',
    });
    expect(found({ motion: still, newestRide: ride(null) }).health).toBe('look');
  });
});

describe('what is said of the force', () => {
  it('a dead control before anything that was measured, by what its menu calls it', () => {
    expect(deadNames(viewOf(DEAD))).toEqual(['Calming']);
    expect(deadNames(viewOf({ ...DEAD, 'base/steering/damperChannel': 50 }))).toEqual([]);
    expect(simulatedFinding(viewOf(DEAD), report(0.5), null)).toMatch(/^Calming does nothing/);
  });

  it('of what is tried: a rim that moves, then much clipping, then force that lies unused', () => {
    const said = (of: ForceReport | null, calm: StabilityReport | null = null) =>
      simulatedFinding(viewOf(), of, calm);
    expect(said(null)).toBe('The force of the Marl 850 on the Tern');
    expect(said(report(0.031), moves('saws'))).toBe('Let go, the rim saws by itself');
    expect(said(report(0.031), moves('saws', 15))).toBe('Let go far off centre, the rim saws by itself');
    expect(said(report(0.001), moves('rings'))).toBe('Let go, the rim rings');
    expect(said(report(0.031), moves('settles'))).toBe('Simulated, 3.1 % of the ride is clipped');
    expect(said(report(0, 0, 2.44), moves('settles'))).toBe(
      'Simulated, nothing clips, and 2.4 dB lie unused',
    );
    expect(said(report(0.001))).toBe('Simulated, only the biggest hits clip: 0.1 % of the ride');
    expect(said(report(0))).toBe('Simulated, nothing clips');
  });

  const kept = (facts: Partial<ForceFacts> & { clipShare?: number; headroomDb?: number } = {}) => {
    const { clipShare = 0, headroomDb = 0, ...more } = facts;
    const ride = {
      importedFrom: null,
      settings: {},
      clipping: { clipShare, sustainedShare: 0, headroomDb, gainKeepEveryPeak: 1, gainTradeBiggestHits: 1 },
    };
    const { health, reason } = forceFinding({ ...viewOf(), motion: still, newestRide: ride, ...more });
    return `${health}: ${reason}`;
  };
  const still = {
    roll: { verdict: 'settles', fromDeg: 5 },
    fast: { verdict: 'sticks', fromDeg: 2 },
  } as const;
  const saws = { ...still, fast: { verdict: 'saws', fromDeg: 5 } } as const;

  it('of what is kept: danger before everything else, whatever the last ride says', () => {
    expect(kept({ motion: saws })).toBe('look: Let go, the rim saws');
    expect(kept({ motion: saws, settings: DEAD, clipShare: 0.5 })).toBe(
      'look: Rim saws; Calming does nothing',
    );
    expect(kept({ motion: { ...still, fast: { verdict: 'saws', fromDeg: 15 } } })).toBe(
      'look: Let go far off centre, the rim saws',
    );
    expect(kept({ settings: DEAD, clipShare: 0.5 })).toBe('look: Calming does nothing');
    expect(kept({ clipShare: 0.05, motion: { ...still, roll: { verdict: 'rings', fromDeg: 2 } } })).toBe(
      'look: 5.0 % of the last ride clipped',
    );
    expect(kept({ motion: { ...still, roll: { verdict: 'rings', fromDeg: 2 } } })).toBe(
      'look: Let go, the rim rings',
    );
  });

  it('of a base that is not written down: what holds only if it is as usual, and no alarm', () => {
    const rigOf = (base: Partial<RigSpec['base']>) => ({
      rig: {
        id: 'tern',
        name: 'Tern',
        spec: { ...spec, base: { ...spec.base, ...base } },
      } as BookView['rig'],
    });
    const said = (facts: Partial<ForceFacts>) =>
      forceFinding({ ...viewOf(), motion: still, newestRide: null, ...facts });
    const unknown = rigOf({ torqueNm: null, frictionNm: null });
    expect(said({ ...unknown, motion: saws })).toEqual({
      health: 'under-way',
      reason: 'Base not written down; a usual one saws',
      heading: 'Let go, the rim saws by itself, if the base is as usual',
    });
    expect(simulatedFinding({ ...viewOf(), ...unknown }, report(0), moves('rings'))).toBe(
      'Let go, the rim rings, if the base is as usual',
    );
    // What no base can change is said as it is.
    expect(said({ ...unknown, motion: saws, settings: DEAD })).toMatchObject({
      health: 'look',
      reason: 'Calming does nothing',
    });
    expect(said({ ...rigOf({ frictionNm: null }), motion: saws })).toMatchObject({
      health: 'look',
      heading: 'Let go, the rim saws by itself, if its friction is as usual',
    });
  });

  it('a ride that was driven with another force says nothing of this one', () => {
    expect(kept({ newestRide: null })).toBe('untouched: No ride judged yet');
    expect(kept({ settings: { 'base/steering/strength': 50 }, clipShare: 0.5 })).toBe(
      'under-way: Changed since the last ride',
    );
    // A dead zone is none of the force.
    expect(kept({ settings: { 'title/brake/deadzone': 4 }, clipShare: 0.5 })).toMatch(/^look: 50\.0 %/);
  });

  it('what is open or assumed is never settled', () => {
    expect(kept({ headroomDb: 2.4 })).toBe('under-way: 2.4 dB of headroom lie unused');
    expect(kept({ clipShare: 0.001 })).toBe('under-way: 0.1 % clipped; base not measured');
    expect(kept()).toBe('under-way: Nothing clipped; base not measured');
  });

  it('what is held at the limit counts tenfold', () => {
    expect(clipsTooMuch({ clipShare: 0.02, sustainedShare: 0.002 })).toBe(false);
    expect(clipsTooMuch({ clipShare: 0.021, sustainedShare: 0 })).toBe(true);
    expect(clipsTooMuch({ clipShare: 0.003, sustainedShare: 0.003 })).toBe(true);
  });
});

describe('cautions', () => {
  const gain = (to: number) => ({ 'title/steering/gain': to });

  it('a rim that gets much heavier asks first, and says how much; a lighter one does not', () => {
    expect(heavierCaution(viewOf(gain(30)), gain(90))).toMatch(/3\.0 times as strong.*both hands on/);
    expect(heavierCaution(viewOf(gain(90)), gain(30))).toBeNull();
    expect(heavierCaution(viewOf(gain(50)), gain(51))).toBeNull();
  });

  it('a crash says torque, pull at the rim and how soon it turns, within what the base can do', () => {
    const text = crashCaution(forceFactsOf(viewOf(gain(100))))!;
    const torque = Number(/up to ([\d.]+) N·m/.exec(text)![1]);
    expect(torque).toBeGreaterThan(0);
    expect(torque).toBeLessThanOrEqual(5.5);
    // At a rim of 300 mm: twice the torque over the diameter.
    expect(Number(/\((\d+) N\)/.exec(text)![1])).toBeCloseTo(torque / 0.15, -1);
    expect(text).toMatch(/let go, it/);
  });
});

describe('other cars of the title', () => {
  const other = carById('fenwick-six');
  const side: CarSide = {
    car: other,
    menus: menusFor(spec, title, other),
    settings: { 'title/steering/gain': 40, 'car/steering/gain': 90 },
    rotationDeg: 720,
  };

  it('get what is tried on base and title, and keep their own of what is not', () => {
    const view = viewOf({ 'title/steering/gain': 60 });
    const of = (tried: SettingValues) => otherCarsOf(view, [side], tried)[0]!.facts.values;
    // Nothing tried: what is kept for the open car is not theirs.
    expect(of(view.settings)).toEqual(side.settings);
    expect(of({ 'title/steering/gain': 80 })).toEqual({ ...side.settings, 'title/steering/gain': 80 });
    // The open car's own menu says nothing of another's.
    expect(of({ ...view.settings, 'car/steering/gain': 120 })).toEqual(side.settings);
    // What is taken away is taken away there too.
    expect(of({})).toEqual({ 'car/steering/gain': 90 });
  });

  it('are driven on the same road by the same driver', () => {
    const [{ plan, facts }] = otherCarsOf(viewOf(), [side], {}) as [ReturnType<typeof otherCarsOf>[number]];
    expect(plan.car).toBe(other);
    expect(plan.track.id).toBe('saltmarsh-loop');
    expect(facts.rotationDeg).toBe(720);
  });
});
