import { NOT_FOUND_FAULTS, NOT_FOUND_QUESTIONS } from '@/catalog/faults';
import { titleById } from '@/catalog/find';
import { PREFLIGHT } from '@/catalog/preflight';
import { SIMULATED_RIGS } from '@/catalog/simulatedRigs';
import { findFault, MOST_QUESTIONS, type Fault, type FaultAnswer } from './finder';
import { preflight, preflightStamp, seePreflight, type Sights, type Tick } from './preflight';

const rig = (id: string) => SIMULATED_RIGS.find((r) => r.id === id)!.spec;
const BLIND = seePreflight({
  isLive: false,
  axes: [],
  moved: new Set(),
  travel: {},
  steeringDeg: null,
  rotation: null,
});

describe('pre-flight', () => {
  const items = (
    rigId: string,
    titleId: string,
    ticks: Tick[] = [],
    stamp = preflightStamp(rig(rigId), ''),
    sights: Sights = BLIND,
  ) => preflight(PREFLIGHT, rig(rigId), titleById(titleId), ticks, stamp, sights);
  const ids = (rigId: string, titleId: string) => items(rigId, titleId).map(({ item }) => item.id);

  it('asks only what rig and title need, in the order that works', () => {
    expect(ids('wren', 'causeway')).not.toContain('torque-limit');
    expect(ids('gannet', 'causeway').slice(0, 4)).toEqual([
      'torque-limit',
      'thumbs-outside',
      'stop-button',
      'bystanders',
    ]);
    expect(ids('wren', 'causeway')).not.toContain('load-cell-untouched');
    expect(ids('wren', 'millstone')).toContain('quick-sweep');
    expect(ids('wren', 'hill-and-hollow')).toEqual(expect.arrayContaining(['program-shut', 'own-preset']));
    const order = ids('tern', 'causeway');
    expect(order.indexOf('plugs-first')).toBeLessThan(order.indexOf('power-last'));
    expect(order.indexOf('power-last')).toBeLessThan(order.indexOf('title-last'));
    expect(items('tern', 'causeway').find(({ item }) => item.id === 'mode')!.text).toMatch(
      /“wide” mode, as Causeway/,
    );
  });

  it('what can be seen only on a measured rig is not asked before', () => {
    expect(ids('tern', 'causeway')).not.toContain('all-at-rest');
    expect(ids('tern', 'causeway')).toContain('device-present');
  });

  it('a tick is void after what it depends on has changed, and only then', () => {
    const before = preflightStamp(rig('tern'), '1.0');
    const ticks: Tick[] = ['mode', 'fixings'].map((itemId) => ({ itemId, atMs: 1, state: before }));
    const stateOf = (id: string, stamp: typeof before) =>
      items('tern', 'causeway', ticks, stamp).find(({ item }) => item.id === id)!;
    expect(stateOf('mode', before).state).toBe('ticked');
    expect(stateOf('mode', { ...before, 'title-version': '1.1' })).toMatchObject({
      state: 'void',
      why: 'the title was updated since',
    });
    expect(stateOf('fixings', { ...before, 'title-version': '1.1' }).state).toBe('ticked');
    expect(stateOf('fixings', { ...before, cabling: '1' }).state).toBe('void');
  });

  it('ticks itself what the live device shows, and names what it does not', () => {
    const live = {
      isLive: true,
      axes: ['steering', 'brake'] as const,
      moved: new Set(['steering'] as const),
      travel: { brake: 0.03 },
      steeringDeg: -12,
      rotation: { measuredDeg: 898, sigmaDeg: 2.6, expectedDeg: 900 },
    };
    const seen = seePreflight({ ...live, axes: [...live.axes], moved: new Set(live.moved) });
    expect(seen['device-present']).toMatchObject({ ok: true });
    expect(seen['axes-alive']).toEqual({ ok: false, waits: true, says: 'not moved yet: brake' });
    expect(seen['all-at-rest']).toEqual({ ok: false, says: 'brake reads 3 %' });
    expect(seen['steering-centred']).toEqual({ ok: false, says: 'it stands at −12°' });
    expect(seen['rotation-as-expected']!.ok).toBe(true);
    const off = seePreflight({
      ...live,
      axes: [],
      moved: new Set(),
      rotation: { measuredDeg: 720, sigmaDeg: 3, expectedDeg: 900 },
    });
    expect(off['rotation-as-expected']!.ok).toBe(false);
  });
});

describe('the "not found" helper', () => {
  /** Somebody whose rig has the fault, and who can tell only what the fault decides. */
  const ask = (fault: Fault, whenOpen: FaultAnswer) => {
    const answers: Record<string, FaultAnswer> = {};
    for (;;) {
      const { left, next } = findFault(NOT_FOUND_FAULTS, NOT_FOUND_QUESTIONS, answers);
      if (!next) return { left, asked: Object.keys(answers).length };
      answers[next.id] = fault.expects[next.id] ?? whenOpen;
    }
  };

  it.each(NOT_FOUND_FAULTS.map((fault) => [fault.name, fault] as const))('ends in: %s', (_, fault) => {
    const { left, asked } = ask(fault, 'unsure');
    expect(left[0]!.id).toBe(fault.id);
    expect(asked).toBeLessThanOrEqual(MOST_QUESTIONS);
  });

  it('asks nothing that tells nothing, and says so when no cause fits', () => {
    for (const fault of NOT_FOUND_FAULTS) expect(Object.keys(fault.expects).length).toBeGreaterThan(1);
    const none = findFault(NOT_FOUND_FAULTS, NOT_FOUND_QUESTIONS, {
      light: 'no',
      'seen-here': 'yes',
      'pedals-move': 'no',
      'rim-buttons': 'no',
    });
    expect(none.left).toEqual([]);
    expect(none.next).toBeNull();
  });
});
