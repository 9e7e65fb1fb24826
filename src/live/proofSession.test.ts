import type { AxisView } from '@/book/model/axisView';
import type { AxisName } from '@/core/axes/axes';
import type { ProofItem } from '@/core/axes/proof';
import { NEUTRAL_LAYER } from '@/core/response/layer';
import { listenerSet, type DeviceSource, type DeviceState } from '@/devices/source';
import { proofSession, provable, titleReading, type ProofStatus } from './proofSession';

const RATE_HZ = 100;
const RAW = { released: 1000, pressed: 5000 };

/** A pedal that was measured; its title swallows the first bit of its way. */
function pedal(axis: AxisName, deadzone = 0, isMeasured = true): AxisView {
  const analysis = { axis, calibration: { released: RAW.released, pressed: RAW.pressed } };
  const capture = isMeasured ? { id: axis, analysis } : null;
  return { axis, name: axis, capture, layers: [{ ...NEUTRAL_LAYER, deadzone }] } as unknown as AxisView;
}

/** A device that is told what to show. */
function device(axes: AxisName[]) {
  const listeners = listenerSet();
  let state: DeviceState = 'live';
  let at = 0;
  const range = { min: 0, max: 65535 };
  const source: DeviceSource = {
    info: {
      id: 'd',
      label: 'Pedals',
      kind: 'real',
      ranges: Object.fromEntries(axes.map((axis) => [axis, range])),
      rateHz: RATE_HZ,
      rawAxes: 0,
    },
    get state() {
      return state;
    },
    subscribe: listeners.subscribe,
    close: listeners.clear,
  };
  return {
    source,
    /** Holds axes at a share of their way for some seconds. */
    hold(seconds: number, shares: Partial<Record<AxisName, number>>) {
      for (let i = 0; i < seconds * RATE_HZ; i++) {
        at += 1 / RATE_HZ;
        const columns = Object.entries(shares).map(([axis, share]) => [
          axis,
          Float64Array.of(RAW.released + share * (RAW.pressed - RAW.released)),
        ]);
        listeners.tell('samples', { t: Float64Array.of(at), axes: Object.fromEntries(columns) });
      }
    },
    unplug() {
      state = 'gone';
      listeners.tell('state', state);
    },
    tellNothing: () => listeners.tell('samples', { t: new Float64Array(0), axes: {} }),
  };
}

function prove(axes: AxisView[], names: AxisName[] = axes.map(({ axis }) => axis)) {
  const rig = device(names);
  const told: ProofStatus[] = [];
  const asked: (ProofItem | null)[] = [];
  const session = proofSession(
    rig.source,
    axes,
    (status) => told.push(status),
    (item) => asked.push(item),
  );
  return { ...rig, session, told, asked, last: () => told.at(-1)! };
}

describe('the final check over a live device', () => {
  it('asks for rest and for full, one axis after the other, and is at its end when all came', () => {
    const { hold, last, asked } = prove([pedal('throttle'), pedal('brake')]);
    hold(2, { throttle: 0, brake: 0 });
    expect(last().current).toEqual({ axis: 'throttle', kind: 'full' });
    hold(0.5, { throttle: 1, brake: 0 });
    hold(2, { throttle: 0, brake: 0 });
    hold(0.5, { throttle: 0, brake: 1 });
    expect(last()).toMatchObject({ current: null, isGone: false });
    expect(last().results.map(({ item, passed }) => [item.axis, item.kind, passed])).toEqual([
      ['throttle', 'rest', true],
      ['throttle', 'full', true],
      ['brake', 'rest', true],
      ['brake', 'full', true],
    ]);
    expect(asked.map((item) => item && `${item.axis} ${item.kind}`)).toEqual([
      'throttle rest',
      'throttle full',
      'brake rest',
      'brake full',
      null,
    ]);
  });

  it('judges what the title sees: a foot that rests inside the dead zone is none', () => {
    const dragging = prove([pedal('brake')]);
    dragging.hold(4, { brake: 0.03 });
    expect(dragging.last().results[0]).toMatchObject({ passed: false });
    expect(dragging.last().results[0]!.shown).toBeCloseTo(0.03, 6);
    const hidden = prove([pedal('brake', 0.05)]);
    hidden.hold(4, { brake: 0.03 });
    expect(hidden.last().results[0]).toMatchObject({ passed: true, shown: 0 });
  });

  it('what moves beside the axis that is asked changes nothing', () => {
    const { hold, last } = prove([pedal('brake')], ['brake', 'clutch']);
    hold(2, { brake: 0, clutch: 0.7 });
    expect(last().results).toHaveLength(1);
    expect(last().results[0]!.passed).toBe(true);
  });

  it('an axis that was given up is noted as it stood, and the next is asked', () => {
    const { hold, last, session } = prove([pedal('throttle')]);
    hold(2, { throttle: 0 });
    hold(0.5, { throttle: 0.6 });
    session.giveUp();
    expect(last()).toMatchObject({ current: null });
    expect(last().results[1]).toMatchObject({ passed: false });
    expect(last().results[1]!.shown).toBeCloseTo(0.6, 6);
  });

  it('a full press that falls short is asked again, and says what it showed', () => {
    const { hold, last } = prove([pedal('brake')]);
    hold(2, { brake: 0 });
    hold(0.3, { brake: 0.9 });
    hold(0.5, { brake: 0 });
    expect(last().short).toBeCloseTo(0.9, 6);
    expect(last().current).toEqual({ axis: 'brake', kind: 'full' });
  });

  it('says that the device is gone, and tells nothing twice', () => {
    const { hold, unplug, told, last, tellNothing } = prove([pedal('brake')]);
    hold(0.3, { brake: 0.5 });
    const before = told.length;
    hold(0.2, { brake: 0.5 });
    tellNothing();
    expect(told).toHaveLength(before);
    unplug();
    expect(last().isGone).toBe(true);
  });

  it('hears nothing any more once it is closed', () => {
    const { hold, session, told } = prove([pedal('brake')]);
    session.close();
    const before = told.length;
    hold(3, { brake: 0 });
    expect(told).toHaveLength(before);
  });
});

describe('what can be proved', () => {
  it('is what was measured; the rest is named', () => {
    const { items, unmeasured } = provable([pedal('throttle'), pedal('clutch', 0, false), pedal('gear')]);
    expect(items.map(({ axis, kind }) => `${axis} ${kind}`)).toEqual(['throttle rest', 'throttle full']);
    expect(unmeasured.map(({ axis }) => axis)).toEqual(['clutch']);
  });

  it('an axis that was never measured, and a lever, read nothing', () => {
    expect(titleReading(pedal('brake', 0, false), 3000)).toBeNull();
    expect(titleReading(pedal('gear'), 1)).toBeNull();
    expect(titleReading(pedal('brake'), 3000)).toEqual({ value: 0.5 });
  });
});
