import { plainRig } from '@/core/rig/rigSpec';
import { bookTime, forgetTimes } from './bookTime';
import {
  AlreadyKept,
  discardDraft,
  keepCapture,
  listCaptures,
  MissingParts,
  newestCapture,
  NoCapture,
  removeCapture,
  recordingOf,
  saveCapture,
  storedCapture,
  type NewCapture,
} from './captures';
import type { Book } from './openBook';
import { addRig } from './rigs';
import { bookForTests, isOnServer } from './testing/bookForTests';
import { write } from './write';

let book: Book;
beforeAll(async () => {
  book = await bookForTests();
  await addRig(book.db, { id: 'r', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }) });
});
afterAll(() => book.close());

const scope = { rigId: 'r', axis: 'brake' as const, driver: 'Late shift' };
const head = {
  device: 'x',
  rangeMin: -9,
  rangeMax: 99,
  rateHz: null,
  guide: { at: 1 },
};
const part = (fromRow: number, values: number[]) => ({
  fromRow,
  t: Float64Array.from(values, (_, i) => fromRow + i),
  axes: { brake: Float64Array.from(values), steering: Float64Array.from(values, (v) => -v) },
});
/** The phases always cover what there is. */
const capture = (more: Partial<NewCapture> & { writer?: string }): NewCapture => {
  const { writer, ...rest } = more;
  const sent = more.part ?? part(0, [1.5, -2, 1e-9]);
  const runs = [{ label: 'rest', from: 0, to: sent.fromRow + sent.t.length }];
  return {
    ...scope,
    id: 'd1',
    status: 'draft',
    origin: 'guided',
    head: { ...head, runs, ...(writer ? { writer } : {}) },
    part: sent,
    ...rest,
  };
};
const keep = async (id: string) => {
  const row = (await listCaptures(book.db, 'r')).find((one) => one.id === id)!;
  expect(await keepCapture(book.db, id, row.madeAtMs - 1)).toBe(false);
  expect(await keepCapture(book.db, id, row.madeAtMs)).toBe(true);
};

it('come in parts, each once, all axes beside each other; a missing part is asked for', async () => {
  await saveCapture(book.db, capture({}));
  await saveCapture(book.db, capture({ part: part(3, [4, 5]) }));
  await saveCapture(book.db, capture({ part: part(3, [4, 6, 7]) }));
  await expect(saveCapture(book.db, capture({ part: part(9, [1]) }))).rejects.toThrow(MissingParts);
  const draft = await newestCapture(book.db, scope, 'draft');
  expect(draft?.guide).toEqual({ at: 1 });
  expect([...draft!.recording.t]).toEqual([0, 1, 2, 3, 4, 5]);
  expect([...draft!.recording.axes.brake!]).toEqual([1.5, -2, 1e-9, 4, 6, 7]);
  expect([...draft!.recording.axes.steering!]).toEqual([-1.5, 2, -1e-9, -4, -6, -7]);
});

it('stay apart from drafts; a new one ends the draft, a kept one stays kept', async () => {
  expect(await newestCapture(book.db, scope, 'kept')).toBeNull();
  await keep('d1');
  await saveCapture(book.db, capture({ id: 'd2' }));
  await discardDraft(book.db, scope);
  const rows = await listCaptures(book.db, 'r');
  expect(rows.map((row) => [row.id, row.status, row.rows])).toEqual([['d1', 'kept', 6]]);
  expect((await newestCapture(book.db, scope, 'kept'))?.guide).toBeNull();
  await removeCapture(book.db, 'r', 'd1');
  expect(await listCaptures(book.db, 'r')).toEqual([]);
});

it('are of one window alone: another one, or one that no longer knows where it was, sends all of its own', async () => {
  const of = (writer: string, from: number, values: number[]) =>
    saveCapture(book.db, capture({ id: 'd0', writer, part: part(from, values) }));
  await of('left', 0, [1, 2, 3, 4]);
  await of('left', 4, [5, 6]);
  await expect(of('right', 6, [7])).rejects.toMatchObject({ knownRows: 0 });
  await of('right', 0, [10, 20, 30]);
  await expect(of('left', 6, [7])).rejects.toMatchObject({ knownRows: 0 });
  // Within what was sent in one part: that part comes again.
  await of('right', 3, [40, 50]);
  await expect(of('right', 4, [60])).rejects.toMatchObject({ knownRows: 3 });
  expect([...(await newestCapture(book.db, scope, 'draft'))!.recording.axes.brake!]).toEqual([
    10, 20, 30, 40, 50,
  ]);
  await keep('d0');
  await expect(of('right', 5, [60])).rejects.toThrow(AlreadyKept);
  await removeCapture(book.db, 'r', 'd0');
});

it('are read as one window sent them, even where another one begins anew meanwhile', async () => {
  const of = (writer: string, from: number, values: number[]) =>
    write(book.db, (inside) => saveCapture(inside, capture({ id: 'd4', writer, part: part(from, values) })));
  for (let from = 0; from < 14; from += 2) await of('left', from, [from, from + 1]);
  const reading = storedCapture(book.db, 'd4');
  await of('right', 0, [10, 20, 30]);
  for (let from = 3; from < 17; from += 2) await of('right', from, [from, from]);
  const { head: read, parts } = (await reading)!;
  const { t, axes, runs } = recordingOf(read, parts);
  expect(runs.at(-1)!.to).toBe(t.length);
  // A book in a folder gives the other one its turn meanwhile; a server may have read it whole before.
  expect(isOnServer ? [0, 10] : [10]).toContain(axes.brake![0]);
  expect(t).toHaveLength(axes.brake!.length);
  await discardDraft(book.db, scope);
  expect(await storedCapture(book.db, 'd4')).toBeNull();
});

it('are whole: a time that falls where two parts join, phases that end too early, a count out of range', async () => {
  const at = (from: number, t: number[], values: number[]) => ({
    fromRow: from,
    t: Float64Array.from(t),
    axes: { brake: Float64Array.from(values), steering: Float64Array.from(values) },
  });
  const refused = (more: Parameters<typeof capture>[0]) =>
    saveCapture(book.db, capture({ id: 'd3', writer: 'w', ...more })).then(
      () => 'taken',
      (error: unknown) => (error instanceof NoCapture ? error.problem.code : error),
    );
  expect(await refused({ part: at(0, [0, 1, 2], [1, 2, 3]) })).toBe('taken');
  expect(await refused({ part: at(3, [1.5, 3], [1, 2]) })).toBe('time-backwards');
  expect(await refused({ part: at(3, [4, 3], [1, 2]) })).toBe('time-backwards');
  expect(await refused({ part: at(3, [3, 4], [1, 100]) })).toBe('out-of-range');
  const runs = [{ label: 'rest', from: 0, to: 4 }];
  expect(await refused({ part: at(3, [3, 4], [1, 2]), head: { ...head, writer: 'w', runs } })).toBe(
    'runs-do-not-cover',
  );
  // The other axes have ranges of their own.
  const beside = at(3, [3, 4], [1, 2]);
  beside.axes.steering[1] = 65_535;
  expect(await refused({ part: beside })).toBe('taken');
  await discardDraft(book.db, scope);
});

it('stay in order when the clock is set back', async () => {
  await saveCapture(book.db, capture({ id: 'before', status: 'kept' }));
  const clock = jest.spyOn(Date, 'now').mockReturnValue(Date.now() - 3_600_000);
  try {
    await saveCapture(book.db, capture({ id: 'after', status: 'kept' }));
    const newest = await newestCapture(book.db, scope, 'kept');
    expect(newest?.id).toBe('after');
    // A program that was started anew knows it from the book.
    forgetTimes(book.db);
    expect(await bookTime(book.db)).toBeGreaterThan(newest!.madeAtMs);
  } finally {
    clock.mockRestore();
  }
  for (const id of ['before', 'after']) await removeCapture(book.db, 'r', id);
});
