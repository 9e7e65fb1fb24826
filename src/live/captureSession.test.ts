import { analyseAxis } from '@/core/axes/analyseAxis';
import { obedientMotion } from '@/core/axes/actor';
import { programmeFor, type CaptureStep } from '@/core/axes/programme';
import { simulatedFoot } from '@/core/axes/foot';
import type { PackedColumns } from '@/core/formats/packedColumns';
import { seededRandom } from '@/core/numeric/random';
import { listenerSet, type DeviceSource, type DeviceState } from '@/devices/source';
import { captureSession, type CaptureStatus } from './captureSession';

const RATE = 200;
const HABITS = { restTravel: 0.03, restWander: 0.002, pressTravel: 0.87, pressSpread: 0.01 };

/** A device that plays an obedient foot as fast as it is asked to. */
function stage(answer: () => { ok: boolean; problems?: object[] }, most = 10_000) {
  const listeners = listenerSet();
  const foot = simulatedFoot(HABITS, seededRandom(3));
  let state: DeviceState = 'live';
  let t = 0;
  const source: DeviceSource = {
    info: {
      id: 'x',
      label: 'Played',
      kind: 'simulated',
      ranges: { brake: { min: 0, max: most }, throttle: { min: 0, max: 10_000 } },
      rateHz: RATE,
      rawAxes: 0,
    },
    get state() {
      return state;
    },
    subscribe: listeners.subscribe,
    close: () => listeners.clear(),
  };
  const sent: { id: string; status: string; from: number; to: number }[] = [];
  const ranges: [number, number][] = [];
  const post = async (packed: PackedColumns) => {
    const head = packed.head as {
      id: string;
      status: string;
      fromRow: number;
      capture: { rangeMin: number; rangeMax: number };
    };
    ranges.push([head.capture.rangeMin, head.capture.rangeMax]);
    const to = head.fromRow + packed.columns['t']!.length;
    sent.push({ id: head.id, status: head.status, from: head.fromRow, to });
    return { status: 200, reply: answer() };
  };
  const statuses: CaptureStatus[] = [];
  const start = { axis: 'brake' as const, steps: programmeFor('brake') };
  const listener = {
    onStatus: (status: CaptureStatus) => statuses.push(status),
    onStep: (step: CaptureStep | null) => foot.intend(obedientMotion(step)),
  };
  const session = captureSession(source, start, listener, post);
  let throttle = 0;
  const play = (seconds: number, until = (_: CaptureStatus) => false) => {
    for (let i = 0; i < seconds * RATE && !until(statuses.at(-1)!); i++) {
      t += 1 / RATE;
      listeners.tell('samples', {
        t: Float64Array.of(t),
        axes: {
          brake: Float64Array.of(Math.round(200 + 9000 * foot.step(1 / RATE))),
          throttle: Float64Array.of(throttle),
        },
      });
    }
  };
  const become = (next: DeviceState) => {
    state = next;
    listeners.tell('state', next);
  };
  const settle = async () => {
    for (let i = 0; i < 200; i++) await Promise.resolve();
  };
  const sleep = (seconds: number) => (t += seconds);
  const moveThrottle = (to: number) => (throttle = to);
  return { session, statuses, sent, ranges, play, become, settle, sleep, moveThrottle };
}

it('a device that says less of its range than it sends is taken by what it sends', async () => {
  const { play, ranges, statuses, settle } = stage(() => ({ ok: true }), 5000);
  play(60, (status) => status.step === null);
  await settle();
  expect(statuses.at(-1)?.saving).toBe('kept');
  const [least, most] = ranges.at(-1)!;
  expect([least, most > 7000]).toEqual([0, true]);
});

it('sends a draft after every accepted step and keeps the whole at the end', async () => {
  const { play, sent, statuses, settle } = stage(() => ({ ok: true }));
  play(60, (status) => status.step === null);
  await settle();
  expect(sent.map((s) => s.status)).toEqual([...new Array<string>(10).fill('draft'), 'kept']);
  // Every part begins where the one before ended: nothing is sent twice, nothing is left out.
  expect(sent.every((s, i) => s.from === (i === 0 ? 0 : sent[i - 1]!.to) && s.to >= s.from)).toBe(true);
  expect(statuses.at(-1)!.saving).toBe('kept');
});

it('tells the screen little: news, not samples', () => {
  const { play, statuses } = stage(() => ({ ok: true }));
  play(3);
  expect(statuses.length).toBeLessThan(60);
});

it('an unplugged device keeps what was accepted, as a draft', async () => {
  const { play, become, sent, statuses, settle } = stage(() => ({ ok: true }));
  play(60, (status) => status.step?.kind === 'sweep' && status.done === 1);
  become('gone');
  await settle();
  expect(statuses.at(-1)).toMatchObject({
    isGone: true,
    step: { kind: 'sweep' },
    done: 1,
    remark: { kind: 'unplugged' },
  });
  expect(sent.at(-1)!.status).toBe('draft');
  become('live');
  play(60, (status) => status.step === null);
  expect(statuses.at(-1)!.step).toBeNull();
});

it.each(['rest', 'cover', 'sweep', 'press'] as const)(
  'unplugged in the middle of %s, or asleep for an hour, it goes on and loses nothing that was accepted',
  async (kind) => {
    const { play, become, sleep, statuses, settle, session } = stage(() => ({ ok: true }));
    play(60, (status) => status.step?.kind === kind && (status.progress > 0.3 || status.done > 0));
    const before = [...session.state.peaks];
    play(0.4);
    become('gone');
    become('live');
    expect(session.state.peaks.length).toBeGreaterThanOrEqual(before.length);
    play(1);
    sleep(3600);
    play(90, (status) => status.step === null);
    await settle();
    expect(statuses.at(-1)).toMatchObject({ step: null, saving: 'kept' });
    const { axes, t } = session.recorder.rows(0);
    const analysis = analyseAxis(
      { t, axes, runs: session.state.runs, device: '', rangeMin: 0, rangeMax: 10_000, rateHz: RATE },
      'brake',
    );
    expect(analysis.ok ? analysis.value.warnings.join(' ') : analysis.problems).toMatch(
      /Nothing was recorded between/,
    );
  },
);

it('says why the server refused, and loses nothing when the server is away', async () => {
  const refused = stage(() => ({
    ok: false,
    problems: [{ code: 'too-few-sweeps', message: 'm', place: {}, remedy: 'r' }],
  }));
  refused.play(60, (status) => status.step === null);
  await refused.settle();
  expect(refused.statuses.at(-1)).toMatchObject({
    saving: 'refused',
    problems: [{ code: 'too-few-sweeps' }],
  });

  let isAway = true;
  const away = stage(() => {
    if (isAway) throw new Error('away');
    return { ok: true };
  });
  away.play(60, (status) => status.step === null);
  await away.settle();
  expect(away.statuses.at(-1)).toMatchObject({ saving: 'refused', problems: [{ code: 'server-away' }] });
  isAway = false;
  away.session.keep();
  await away.settle();
  expect(away.statuses.at(-1)!.saving).toBe('kept');
});

it('sends again from where the server lost count', async () => {
  let isFirst = true;
  const { play, sent, settle } = stage(() => {
    if (!isFirst) return { ok: true };
    isFirst = false;
    return { ok: false, knownRows: 100 };
  });
  play(60, (status) => status.step?.kind === 'cover');
  await settle();
  expect(sent.map((s) => s.from)).toEqual([0, 100]);
  expect(sent[1]!.to).toBe(sent[0]!.to);
});

it('what another window has kept meanwhile is left alone: all that was recorded here becomes another capture', async () => {
  let isKept = false;
  const { play, sent, settle } = stage(() => {
    if (!isKept) return { ok: true };
    isKept = false;
    return { ok: false, isKept: true };
  });
  play(60, (status) => status.step?.kind === 'sweep');
  await settle();
  const before = sent.length;
  isKept = true;
  play(60, (status) => status.step === null);
  await settle();
  const [told, again, ...later] = sent.slice(before);
  expect(told!.id).toBe(sent[0]!.id);
  expect(again).toMatchObject({ from: 0, to: told!.to });
  expect(again!.id).not.toBe(told!.id);
  expect(new Set(later.map(({ id }) => id))).toEqual(new Set([again!.id]));
  expect(sent.at(-1)!.status).toBe('kept');
});

it('says which other axis moves while this one lies still', () => {
  const { play, statuses, moveThrottle } = stage(() => ({ ok: true }));
  play(1);
  moveThrottle(9000);
  play(1);
  expect(statuses.at(-1)!.otherMoves).toBe('throttle');
});
