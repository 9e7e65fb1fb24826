import type { Recording } from '@/core/axes/recording';
import {
  beginReplay,
  endReplay,
  gives,
  latestRaw,
  movedAxes,
  openDevice,
  setPace,
  useLiveRig,
} from './liveRig';

const live = () => useLiveRig.getState();
const TERN = { kind: 'simulated', rig: 'tern' } as const;

const capture: Recording = {
  t: Float64Array.from({ length: 500 }, (_, i) => i / 100),
  runs: [{ label: 'sweep', from: 0, to: 500 }],
  axes: { brake: Float64Array.from({ length: 500 }, (_, i) => 1000 + 100 * i) },
  device: 'Attic pedals',
  rangeMin: 0,
  rangeMax: 65535,
  rateHz: 100,
};

describe('the live rig', () => {
  let close = () => {};
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => {
    close();
    jest.useRealTimers();
  });

  it('a simulated rig is live at once, and its newest counts are at hand', () => {
    close = openDevice(TERN, 'Late shift');
    jest.advanceTimersByTime(200);
    expect(live()).toMatchObject({ state: 'live', replay: null });
    expect(live().simulated).toBe(live().source);
    expect(gives(live().source, 'brake')).toBe(true);
    expect(gives(live().source, 'handbrake')).toBe(false);
    expect(latestRaw.brake).toBeGreaterThan(0);
  });

  it('knows which axes have moved over a tenth of their range, and no others', () => {
    close = openDevice(TERN, 'Late shift');
    live().simulated!.perform('throttle', 'press');
    jest.advanceTimersByTime(2000);
    expect([...movedAxes]).toContain('throttle');
    expect([...movedAxes]).not.toContain('clutch');
  });

  it('a capture plays in the place of the device, and the device is there again after it', () => {
    close = openDevice(TERN, 'Late shift');
    jest.advanceTimersByTime(100);
    const own = live().source;
    beginReplay(capture);
    expect(live().source!.info.label).toBe('Replay of Attic pedals');
    expect(live().simulated).toBeNull();
    // What the device had shown before is not the capture's.
    expect(latestRaw.throttle).toBeUndefined();
    jest.advanceTimersByTime(1000);
    expect(latestRaw.brake).toBeGreaterThan(1000);
    endReplay();
    expect(live()).toMatchObject({ source: own, simulated: own, replay: null, state: 'live' });
    jest.advanceTimersByTime(100);
    expect(latestRaw.throttle).toBeGreaterThan(0);
  });

  it('a second replay takes the place of the first', () => {
    close = openDevice(TERN, 'Late shift');
    const own = live().source;
    beginReplay(capture);
    const first = live().replay;
    beginReplay({ ...capture, device: 'Cellar pedals' });
    expect(live().replay).not.toBe(first);
    endReplay();
    expect(live().source).toBe(own);
    // Ending what is not played changes nothing.
    endReplay();
    expect(live().source).toBe(own);
  });

  it('closes with everything: nothing of it is left behind', () => {
    close = openDevice(TERN, 'Late shift');
    beginReplay(capture);
    jest.advanceTimersByTime(500);
    close();
    close = () => {};
    expect(live()).toMatchObject({ source: null, simulated: null, replay: null, state: 'waiting' });
    expect(latestRaw).toEqual({});
    expect(movedAxes.size).toBe(0);
    jest.advanceTimersByTime(500);
    expect(latestRaw).toEqual({});
  });

  it('lives faster when told so, also a rig that is opened later', () => {
    setPace(8);
    close = openDevice(TERN, 'Late shift');
    live().simulated!.perform('brake', 'press');
    jest.advanceTimersByTime(400);
    expect([...movedAxes]).toContain('brake');
    setPace(1);
    expect(live().pace).toBe(1);
  });

  it('a rig of real devices waits until one of them is seen', () => {
    Object.defineProperty(globalThis, 'navigator', {
      value: { getGamepads: () => [null] },
      configurable: true,
    });
    close = openDevice(
      { kind: 'real', axes: { brake: { device: 'Pedals', place: { kind: 'axis', index: 2 } } } },
      'Late shift',
    );
    jest.advanceTimersByTime(500);
    expect(live()).toMatchObject({ state: 'waiting', simulated: null });
  });
});
