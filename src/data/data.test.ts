import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { usualScope } from '@/core/settings/scope';
import { effectiveSettings } from '@/core/settings/trail';
import { plainRig } from '@/core/rig/rigSpec';
import { bookTime, forgetTimes } from './bookTime';
import {
  AlreadyKept,
  discardDraft,
  keepCapture,
  listCaptures,
  MissingParts,
  newestCapture,
  removeCapture,
  saveCapture,
  type NewCapture,
} from './captures';
import { addChanges, listChanges } from './changes';
import { chooseCombination, openCombination } from './combination';
import { FolderInUse, lockFolder } from './folderLock';
import { NewerBook, openBook, type Book } from './openBook';
import {
  addProof,
  listTicks,
  newestProof,
  rotationReminder,
  setRotationReminder,
  setTick,
  setTitleVersion,
  titleVersion,
} from './readiness';
import { addRide, listRides, loadRide, markRide } from './rides';
import { addRig, listRigs } from './rigs';
import { loadColumns, storeColumns } from './samples';

const MIGRATIONS = join(process.cwd(), 'drizzle');
const SCOPE = { rigId: 'r', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };
const folder = mkdtempSync(join(tmpdir(), 'pebble-data-'));
let book: Book;

beforeAll(async () => {
  book = await openBook(folder, MIGRATIONS);
  await addRig(book.db, {
    id: 'r',
    name: 'Tern',
    spec: plainRig({ kind: 'simulated', rig: 'tern' }),
  });
}, 60_000);
afterAll(async () => {
  await book.close();
  rmSync(folder, { recursive: true });
});

it('gives back rigs, combination and changes as they were put in', async () => {
  expect((await listRigs(book.db))[0]).toEqual({
    id: 'r',
    name: 'Tern',
    spec: plainRig({ kind: 'simulated', rig: 'tern' }),
  });
  await chooseCombination(book.db, SCOPE);
  await chooseCombination(book.db, { ...SCOPE, driver: 'Dawn shift' });
  expect(await openCombination(book.db)).toEqual({ ...SCOPE, driver: 'Dawn shift' });
  const key = { layer: 'title', axis: 'brake', field: 'deadzone' } as const;
  const set = { kind: 'set', scope: usualScope('title', SCOPE), from: null, why: 'drags' } as const;
  const events = [
    { ...set, id: 'c1', atMs: 5, key, to: 5 },
    { id: 'c2', atMs: 6, kind: 'put-back' as const, undoes: 'c1', why: 'put back' },
    {
      ...set,
      id: 'c3',
      atMs: 7,
      key: { ...key, field: 'points' },
      to: [
        [0, 0],
        [0.4, 0.1],
        [1, 1],
      ] as [number, number][],
    },
    { ...set, id: 'c4', atMs: 8, scope: { ...set.scope, titleId: null, driver: null }, key, to: null },
  ];
  await addChanges(book.db, 'r', events);
  const read = await listChanges(book.db, 'r');
  expect(read).toEqual(events);
  expect([...effectiveSettings(read, SCOPE).keys()]).toEqual(['title/brake/points']);
});

describe('captures', () => {
  const scope = { rigId: 'r', axis: 'brake' as const, driver: 'Late shift' };
  const head = {
    device: 'x',
    rangeMin: 0,
    rangeMax: 9,
    rateHz: null,
    runs: [{ label: 'rest', from: 0, to: 3 }],
    guide: { at: 1 },
  };
  const part = (fromRow: number, values: number[]) => ({
    fromRow,
    t: Float64Array.from(values, (_, i) => fromRow + i),
    axes: { brake: Float64Array.from(values), steering: Float64Array.from(values, (v) => -v) },
  });
  const capture = (more: Partial<NewCapture>): NewCapture => ({
    ...scope,
    id: 'd1',
    status: 'draft',
    origin: 'guided',
    head,
    part: part(0, [1.5, -2, 1e-9]),
    ...more,
  });

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
    await keepCapture(book.db, 'd1');
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
      saveCapture(book.db, capture({ id: 'd0', head: { ...head, writer }, part: part(from, values) }));
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
    await keepCapture(book.db, 'd0');
    await expect(of('right', 5, [60])).rejects.toThrow(AlreadyKept);
    await removeCapture(book.db, 'r', 'd0');
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
});

it('keeps ticks, proofs, reminders and versions, each in its own scope', async () => {
  const stamp = { firmware: 'base 1', 'title-version': '2', cabling: '0' };
  await setTick(book.db, SCOPE, 'mode', stamp);
  await setTick(book.db, SCOPE, 'mode', { ...stamp, cabling: '1' });
  expect((await listTicks(book.db, SCOPE)).map((t) => [t.itemId, t.state.cabling])).toEqual([['mode', '1']]);
  expect(await listTicks(book.db, { ...SCOPE, titleId: 'millstone' })).toEqual([]);
  await setTick(book.db, SCOPE, 'mode', null);
  expect(await listTicks(book.db, SCOPE)).toEqual([]);

  const results = [{ item: { axis: 'brake' as const, kind: 'rest' as const }, passed: true, shown: 0 }];
  await addProof(book.db, SCOPE, { id: 'p1', atMs: 10, results, basis: 'a' });
  await addProof(book.db, SCOPE, { id: 'p2', atMs: 20, results, basis: 'b' });
  expect((await newestProof(book.db, SCOPE))?.basis).toBe('b');
  expect(await newestProof(book.db, { ...SCOPE, driver: 'Dawn shift' })).toBeNull();

  await setRotationReminder(book.db, 'r', { restoreDeg: 900, sinceMs: 1 });
  expect(await rotationReminder(book.db, 'r')).toEqual({ restoreDeg: 900, sinceMs: 1 });
  await setRotationReminder(book.db, 'r', null);
  expect(await rotationReminder(book.db, 'r')).toBeNull();
  expect(await titleVersion(book.db, 'causeway')).toBe('');
  await setTitleVersion(book.db, 'causeway', '1.4');
  expect(await titleVersion(book.db, 'causeway')).toBe('1.4');
});

it('gives a ride back to the bit, and has one A and one B', async () => {
  const log = {
    columns: {
      t_s: Float64Array.from({ length: 5000 }, (_, i) => i / 100),
      brake: Float64Array.from({ length: 5000 }, (_, i) => Math.sin(i)),
    },
    notes: { source: 'simulated' },
  };
  for (const id of ['one', 'two'])
    await addRide(book.db, { id, ...SCOPE, trackId: 't', seed: 1, settings: { deadzone: 5 }, log });
  expect(await loadRide(book.db, 'one')).toEqual(log);
  await markRide(book.db, SCOPE, 'one', 'A');
  await markRide(book.db, SCOPE, 'two', 'A');
  expect((await listRides(book.db, SCOPE)).map((r) => r.mark)).toEqual([null, 'A']);
});

it('stores columns smaller than they are, without loss', () => {
  const columns = {
    a: Float64Array.from({ length: 20000 }, (_, i) => Math.round(1000 + 30 * Math.sin(i / 50))),
  };
  const stored = storeColumns(columns);
  expect(stored.length).toBeLessThan(columns.a.byteLength / 3);
  expect(loadColumns(stored)).toEqual(columns);
});

it('a second process is told who owns the folder; a dead owner is taken over', () => {
  const place = join(folder, 'lock');
  const free = lockFolder(place);
  expect(() => lockFolder(place)).toThrow(FolderInUse);
  expect(() => lockFolder(place)).toThrow(/set PEBBLE_DATA to another folder/);
  free();
  writeFileSync(join(place, 'owner.lock'), '999999999');
  lockFolder(place)();
  expect(existsSync(join(place, 'owner.lock'))).toBe(false);
});

it('refuses a book that a newer program has written, and leaves it alone', async () => {
  await book.db.execute(
    sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 99999999999999)`,
  );
  await book.close();
  await expect(openBook(folder, MIGRATIONS)).rejects.toThrow(NewerBook);
  await expect(openBook(folder, MIGRATIONS)).rejects.toThrow(/newer Pebble Road/);
}, 60_000);
