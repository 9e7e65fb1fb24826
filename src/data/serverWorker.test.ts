import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { Worker } from 'node:worker_threads';
import { transfer } from 'comlink';
import { packColumns } from '@/core/formats/packedColumns';
import { askWorker, CalledOff } from './serverWorker';

setFlagsFromString('--expose-gc');
const clearMemory = runInNewContext('gc') as () => void;

const ROWS = 20_000;
function packedRide(): Uint8Array {
  return packColumns({
    head: { trackId: 'holt', seed: 1, settings: {}, notes: {} },
    columns: {
      t_s: Float64Array.from({ length: ROWS }, (_, i) => i / 200),
      throttle: new Float64Array(ROWS),
    },
  });
}

const post = jest.spyOn(Worker.prototype, 'postMessage');
const letGo = () => post.mock.calls.filter(([message]) => (message as { type: string }).type === 'RELEASE');
/** Takes a ride in, and says which thread did. */
async function takeIn(): Promise<Worker> {
  const packed = packedRide();
  const before = post.mock.contexts.length;
  const taken = await askWorker<unknown>((worker) => worker.takeRide(transfer(packed, [packed.buffer])));
  expect(taken).toMatchObject({ ok: true, value: { trackId: 'holt' } });
  return post.mock.contexts[before]!;
}

it('keeps its thread until it answered, though memory is cleared meanwhile', async () => {
  const clearing = setInterval(clearMemory, 1);
  await takeIn();
  clearInterval(clearing);
  expect(letGo()).toHaveLength(0);
});

it('a thread that answered is there for the next question, and goes when none comes', async () => {
  const first = await takeIn();
  jest.useFakeTimers({ doNotFake: ['nextTick', 'setImmediate', 'queueMicrotask', 'performance'] });
  try {
    expect(await takeIn()).toBe(first);
    const before = letGo().length;
    jest.advanceTimersByTime(3_900);
    expect(letGo()).toHaveLength(before);
    jest.advanceTimersByTime(200);
    expect(letGo().length).toBeGreaterThan(before);
  } finally {
    jest.useRealTimers();
  }
  expect(await takeIn()).not.toBe(first);
});

it('two questions at once have a thread each, and a third one does not wait either', async () => {
  const threads = await Promise.all([takeIn(), takeIn(), takeIn()]);
  expect(new Set(threads).size).toBe(3);
  // So many are kept and no more.
  expect(threads).toContain(await takeIn());
});

it('a thread whose work failed is asked nothing more', async () => {
  const before = post.mock.contexts.length;
  await expect(askWorker((worker) => worker.rideFigures(null as never))).rejects.toThrow();
  const failed = post.mock.contexts[before];
  expect(await takeIn()).not.toBe(failed);
});

it('says what the work failed of, and ends with it', async () => {
  await expect(askWorker((worker) => worker.rideFigures(null as never))).rejects.toThrow(/null/);
});

it('is called off at any time, before it began too', async () => {
  const calling = new AbortController();
  const work = askWorker<unknown>((worker) => worker.takeRide(packedRide()), calling.signal);
  calling.abort();
  await expect(work).rejects.toBeInstanceOf(CalledOff);
  await expect(
    askWorker<unknown>((worker) => worker.takeRide(packedRide()), calling.signal),
  ).rejects.toBeInstanceOf(CalledOff);
});
