import { simulatedRigById } from '@/catalog/find';
import { simulatedAxes } from '@/catalog/simulatedRigs';
import type { Motion } from '@/core/axes/actor';
import { playAxis, rangeOf } from '@/core/axes/simulatedAxis';
import { baseByHand, massFor } from '@/core/identify/baseByHand';
import { listenerSet, type DeviceSource, type DeviceState } from '@/devices/source';
import { FLICKS, RELEASES, spinSession, type SpinStatus } from './spinSession';

const BATCH = 20;

/** A rig whose hand does what the session asks, in batches as a device sends them. */
function bench(id: string) {
  const rig = simulatedRigById(id);
  const axis = simulatedAxes(rig, 'Late shift').steering!;
  const played = playAxis(axis, 7, rig.rateHz);
  const { rangeMin, rangeMax } = rangeOf(axis);
  const listeners = listenerSet();
  let state: DeviceState = 'live';
  let t = 0;
  const source: DeviceSource = {
    info: {
      id: 'bench',
      label: rig.name,
      kind: 'real',
      ranges: { steering: { min: rangeMin, max: rangeMax } },
      rateHz: rig.rateHz,
      rawAxes: 0,
    },
    get state() {
      return state;
    },
    subscribe: listeners.subscribe,
    close: () => undefined,
  };
  const { left, right } = rig.wheel.hardware;
  let status: SpinStatus | null = null;
  let counted = 0;
  const session = spinSession(
    source,
    (left - right) / rig.wheel.habits.rotationDeg,
    (now) => (status = now),
    () => counted++,
  );
  const motionNow = (): Motion => {
    const step = status?.step;
    return step?.kind === 'pendulum' ? step.label : step?.kind === 'flick' ? 'flick' : 'off';
  };
  const run = (seconds: number, until: () => boolean = () => false) => {
    for (let sent = 0; sent < seconds * rig.rateHz && !until(); sent += BATCH) {
      played.intend(motionNow());
      const time = Float64Array.from({ length: BATCH }, () => (t += 1 / rig.rateHz));
      listeners.tell('samples', { t: time, axes: { steering: time.map((at) => played.sample(at)) } });
    }
  };
  const become = (next: DeviceState) => {
    state = next;
    listeners.tell('state', next);
  };
  return {
    rig,
    session,
    run,
    become,
    status: () => status!,
    counted: () => counted,
    skip: (s: number) => (t += s),
  };
}

it.each(['wren', 'tern', 'gannet'])('the %s is measured, spins first, then with a mass', (id) => {
  const { rig, session, run, status, counted } = bench(id);
  run(120, () => status().flicks >= FLICKS);
  expect(status()).toMatchObject({ step: null, flicks: FLICKS, releases: 0 });
  session.hang(massFor(0.2));
  run(120, () => status().releases >= RELEASES);
  expect(status()).toMatchObject({ step: null, releases: RELEASES });
  expect(counted()).toBe(FLICKS + RELEASES);
  const recording = session.recording();
  const out = baseByHand([{ recording, countsPerDegree: recording.countsPerDegree! }]);
  if (!out.ok) throw new Error(out.problems[0]!.message);
  const { frictionNm, inertiaKgM2 } = rig.wheel.habits.base!;
  expect(Math.abs(out.value.frictionNm!.value / frictionNm - 1)).toBeLessThan(0.04);
  expect(Math.abs(out.value.inertiaKgM2!.value / inertiaKgM2 - 1)).toBeLessThan(0.05);
});

it('a wheel that is unplugged in mid-spin loses that spin and no other', () => {
  const { run, become, skip, status } = bench('tern');
  run(120, () => status().flicks >= 3);
  run(10, () => status().motion === 'running');
  become('gone');
  expect(status()).toMatchObject({ isGone: true, motion: 'waiting', flicks: 3, remark: 'gap' });
  skip(5);
  become('live');
  run(120, () => status().flicks >= 5);
  expect(status()).toMatchObject({ isGone: false, flicks: 5 });
});

it('those that counted can be enough', () => {
  const { session, run, status } = bench('tern');
  run(120, () => status().flicks >= 7);
  session.enough();
  expect(status()).toMatchObject({ step: null, flicks: 7 });
  run(10);
  expect(status().flicks).toBe(7);
});
