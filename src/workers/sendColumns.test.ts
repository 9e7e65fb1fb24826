import type { PackedColumns } from '@/core/formats/packedColumns';
import { columnSender, sendColumns } from './sendColumns';
import { WorkerFailed } from './startedWorker';

/** What the worker does with the next columns; from the page itself `fetch` is asked. */
const inWorker = jest.fn();
const ended = jest.fn();
jest.mock('./startedWorker', () => ({
  ...jest.requireActual<object>('./startedWorker'),
  startedWorker: () => ({
    ask: (question: (worker: { post: unknown }) => unknown) => question({ post: inWorker }),
    end: ended,
  }),
}));
const fromPage = jest.fn();
jest.mock('./postColumns', () => ({ postColumns: (...args: unknown[]) => fromPage(...args) as unknown }));

const columns = (): PackedColumns => ({
  head: { id: 'a' },
  columns: { t: Float64Array.of(0, 1, 2), brake: Float64Array.of(7, 8, 9) },
});
const ANSWER = { ok: true };
const BROKEN = new WorkerFailed('a part of the program did not load');

beforeAll(() => {
  Object.assign(globalThis, { Worker: class {}, location: { href: 'http://here/axes/brake' } });
});
beforeEach(() => {
  for (const mock of [inWorker, fromPage, ended]) mock.mockReset();
  inWorker.mockResolvedValue(ANSWER);
  fromPage.mockResolvedValue(ANSWER);
});

describe('columns are posted', () => {
  it('by the worker, to an address of this page', async () => {
    expect(await columnSender('/api/captures').send(columns())).toBe(ANSWER);
    expect(inWorker).toHaveBeenCalledWith('http://here/api/captures', expect.anything());
    expect(fromPage).not.toHaveBeenCalled();
  });

  it('from the page itself once it is about to be left: a worker may not live to see that', async () => {
    const sender = columnSender('/api/captures');
    sender.leave();
    await sender.send(columns());
    expect(inWorker).not.toHaveBeenCalled();
    expect(fromPage).toHaveBeenCalledTimes(1);
  });

  it('from the page itself after the worker failed; whoever sent is told of the failure once', async () => {
    inWorker.mockRejectedValueOnce(BROKEN);
    const sender = columnSender('/api/captures');
    await expect(sender.send(columns())).rejects.toBe(BROKEN);
    expect(await sender.send(columns())).toBe(ANSWER);
    expect(inWorker).toHaveBeenCalledTimes(1);
  });

  it('by the worker again after a fault that was not the worker’s', async () => {
    inWorker.mockRejectedValueOnce(new Error('the book is full'));
    const sender = columnSender('/api/captures');
    await expect(sender.send(columns())).rejects.toThrow('the book is full');
    await sender.send(columns());
    expect(fromPage).not.toHaveBeenCalled();
  });
});

describe('columns that the caller keeps', () => {
  it('are the same afterwards, sent once or twice', async () => {
    const kept = columns();
    await sendColumns('/api/rides', kept);
    inWorker.mockRejectedValueOnce(BROKEN);
    await sendColumns('/api/rides', kept);
    expect(kept).toEqual(columns());
    // What was sent the second time is the whole of it, not what the first try left.
    expect(fromPage.mock.lastCall![1]).toEqual(columns());
  });

  it('a fault that is not the worker’s is handed on, and the worker is ended whatever came', async () => {
    inWorker.mockRejectedValueOnce(new Error('the book is full'));
    await expect(sendColumns('/api/rides', columns())).rejects.toThrow('the book is full');
    await sendColumns('/api/rides', columns());
    expect(ended).toHaveBeenCalledTimes(2);
    expect(fromPage).not.toHaveBeenCalled();
  });
});
