import { carById, trackById } from '@/catalog/find';
import type { LiveFrame, LivePlan } from '@/core/driving/liveDrive';
import { driveWorkerClient } from './driveWorkerClient';
import type { ToDrive } from './drive.worker';
import { WorkerFailed } from './startedWorker';
import { BY_ITSELF } from '@/core/driving/shifting';

const plan: LivePlan = {
  ...{ car: carById('marl-850'), track: trackById('quarry-pan'), shifting: BY_ITSELF, laps: 1 },
  axes: { wheel: { centre: 0, countsPerDeg: 1, gain: 1, lockDeg: 900, layers: [] }, pedals: {} },
  ...{ standIn: null, stretch: null },
};

/** A worker whose words the test says. */
function fakeWorker() {
  const heard: ToDrive[] = [];
  const listeners: Record<string, (event: object) => void> = {};
  const worker = {
    postMessage: (message: ToDrive) => heard.push(message),
    addEventListener: (kind: string, listener: (event: object) => void) => (listeners[kind] = listener),
    terminate: jest.fn(),
  };
  const say = (data: object) => listeners['message']!({ data });
  return {
    worker: worker as unknown as Worker,
    heard,
    say,
    frame: (state = 'driving') => say({ kind: 'frame', frame: { state } as LiveFrame }),
    /** Puts rows aside, as the worker does: column after column. */
    aside: (t: number[], speed: number[]) =>
      say({
        ...{ kind: 'aside', names: ['t_s', 'speed_mps'], count: t.length },
        blob: new Blob([Float64Array.from(t), Float64Array.from(speed)]),
      }),
    breakDown: (message: string) => listeners['error']!({ message, preventDefault: jest.fn() }),
  };
}

const hidden = { hidden: false };
beforeEach(() => {
  jest.useFakeTimers();
  hidden.hidden = false;
  Object.assign(globalThis, { document: hidden });
});
afterEach(() => {
  jest.useRealTimers();
  delete (globalThis as { document?: unknown }).document;
});

function begin() {
  const fake = fakeWorker();
  const faults: string[] = [];
  const drive = driveWorkerClient(
    fake.worker,
    plan,
    null,
    { seed: 1 },
    () => undefined,
    (error) => faults.push(error.message),
  );
  return { ...fake, drive, faults };
}

it('a worker that is lost leaves what it put aside, in order; what was not is gone with it', async () => {
  const { frame, aside, drive, faults } = begin();
  frame();
  aside([0, 0.01], [1, 2]);
  aside([0.02], [3]);
  jest.advanceTimersByTime(10_000);
  expect(faults).toEqual(['the ride’s computation stopped (it no longer answers)']);
  const { log, drills } = await drive.log();
  expect([...log.columns.t_s]).toEqual([0, 0.01, 0.02]);
  expect([...log.columns.speed_mps!]).toEqual([1, 2, 3]);
  expect(log.notes).toEqual({ source: 'driven', car: 'marl-850', track: 'quarry-pan' });
  expect(drills).toEqual([]);
});

it('one that breaks down before anything was driven says why', async () => {
  const { breakDown, drive, faults } = begin();
  breakDown('out of memory');
  breakDown('again');
  expect(faults).toEqual(['the ride’s computation stopped (out of memory)']);
  await expect(drive.log()).rejects.toThrow(WorkerFailed);
});

it('one that still loads, is hidden, is over or works out what it was asked for is not lost', async () => {
  const { frame, say, drive, faults } = begin();
  jest.advanceTimersByTime(60_000);
  frame();
  hidden.hidden = true;
  jest.advanceTimersByTime(60_000);
  hidden.hidden = false;
  frame();
  const driven = drive.exchange({ axes: plan.axes, standIn: null }, null);
  jest.advanceTimersByTime(20_000);
  say({ kind: 'log', driven: { log: { columns: {}, notes: {} }, drills: [] } });
  await driven;
  frame('over');
  jest.advanceTimersByTime(60_000);
  expect(faults).toEqual([]);
  // One that never answers what it was asked is lost in the end.
  const never = drive.log().catch((error: Error) => error.message);
  jest.advanceTimersByTime(60_000);
  expect(await never).toMatch(/no longer answers/);
});

it('what a new part has put aside replaces what the part before it had', async () => {
  const { frame, aside, say, drive, heard } = begin();
  frame();
  aside([0], [1]);
  const part = drive.exchange({ axes: plan.axes, standIn: null }, null);
  say({ kind: 'log', driven: { log: { columns: { t_s: Float64Array.of(0) }, notes: {} }, drills: [] } });
  expect((await part).log.columns.t_s).toHaveLength(1);
  aside([0.01], [2]);
  jest.advanceTimersByTime(10_000);
  expect([...(await drive.log()).log.columns.t_s]).toEqual([0.01]);
  expect(heard.map(({ kind }) => kind)).toEqual(['begin', 'exchange']);
  drive.end();
});
