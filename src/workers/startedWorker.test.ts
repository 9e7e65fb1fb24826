import { MessageChannel } from 'node:worker_threads';
import { expose } from 'comlink';
import { startedWorker, WorkerFailed } from './startedWorker';

const api = {
  double: (value: number) => 2 * value,
  refuse: () => {
    throw new Error('not of this log');
  },
  never: () => new Promise<number>(() => undefined),
};

const open: { close(): void }[] = [];
afterEach(() => open.splice(0).forEach((port) => port.close()));

/** A worker as the browser gives it; what it answers stands at the other end of its wire. */
function fakeWorker() {
  const { port1, port2 } = new MessageChannel();
  open.push(port1, port2);
  expose(api, port2 as unknown as Parameters<typeof expose>[1]);
  const errors: ((event: ErrorEvent) => void)[] = [];
  const terminate = jest.fn();
  const worker = {
    postMessage: port1.postMessage.bind(port1),
    addEventListener(kind: string, listener: (event: ErrorEvent) => void) {
      if (kind === 'error') errors.push(listener);
      else port1.addEventListener('message', listener as unknown as EventListener);
    },
    removeEventListener: port1.removeEventListener.bind(port1),
    start: () => port1.start(),
    terminate,
  };
  port1.start();
  const preventDefault = jest.fn();
  const fail = (message?: string) => {
    for (const tell of errors) tell({ message, preventDefault } as unknown as ErrorEvent);
  };
  return { worker: worker as unknown as Worker, fail, preventDefault, terminate };
}

const started = () => {
  const { worker, ...rest } = fakeWorker();
  return { ...startedWorker<typeof api>(worker), ...rest };
};

it('asks, and hands on what is answered or refused', async () => {
  const { ask } = started();
  expect(await ask((worker) => worker.double(21))).toBe(42);
  await expect(ask((worker) => worker.refuse())).rejects.toThrow('not of this log');
  // A question that was refused spoils no other.
  expect(await ask((worker) => worker.double(2))).toBe(4);
});

it('whoever waits for a worker that breaks down is told, and so is whoever asks it later', async () => {
  const { ask, fail } = started();
  const waiting = ask((worker) => worker.never());
  fail('out of memory');
  await expect(waiting).rejects.toThrow(new WorkerFailed('its computation stopped (out of memory)'));
  await expect(ask((worker) => worker.never())).rejects.toBeInstanceOf(WorkerFailed);
});

it.each([undefined, '', 'Failed to load worker script', 'NetworkError when loading', 'importScripts failed'])(
  'a worker that never came (%j) is told from one that broke down',
  async (message) => {
    const { ask, fail } = started();
    fail(message);
    await expect(ask((worker) => worker.never())).rejects.toThrow('a part of the program did not load');
  },
);

it('a worker that fails while nobody asks is no fault of the page', async () => {
  const { fail, preventDefault } = started();
  fail('late');
  expect(preventDefault).toHaveBeenCalled();
  // An unhandled rejection would end the test run.
  await new Promise(setImmediate);
});

it('ends what it is doing', () => {
  const { end, terminate } = started();
  end();
  expect(terminate).toHaveBeenCalledTimes(1);
});
