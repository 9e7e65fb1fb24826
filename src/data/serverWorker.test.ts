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

it('keeps its thread until it answered, though memory is cleared meanwhile', async () => {
  const post = jest.spyOn(Worker.prototype, 'postMessage');
  const letGo = () => post.mock.calls.filter(([message]) => (message as { type: string }).type === 'RELEASE');
  const clearing = setInterval(clearMemory, 1);
  const packed = packedRide();
  let beforeTheAnswer = -1;
  const taken = await askWorker((worker) =>
    worker.takeRide(transfer(packed, [packed.buffer])).then((answer) => {
      beforeTheAnswer = letGo().length;
      return answer;
    }),
  );
  clearInterval(clearing);
  expect(taken).toMatchObject({ ok: true, value: { trackId: 'holt' } });
  expect(beforeTheAnswer).toBe(0);
  expect(letGo()).toHaveLength(1);
  post.mockRestore();
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
