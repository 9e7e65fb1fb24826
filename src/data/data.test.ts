import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
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
  NoCapture,
  removeCapture,
  recordingOf,
  saveCapture,
  storedCapture,
  type NewCapture,
} from './captures';
import { addChanges, listChanges } from './changes';
import { chooseCombination, openCombination } from './combination';
import { NewerBook, openBook, type Book } from './openBook';
import { emptyDatabase, MIGRATIONS } from './testing/bookForTests';
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
import {
  addRide,
  addRidePart,
  addRideRow,
  listRides,
  loadRide,
  markRide,
  packRide,
  RidePartsGone,
} from './rides';
import { addRig, listRigs } from './rigs';
import { loadColumns, storeColumns } from './samples';
import { rideParts, rigs } from './schema';
import { write } from './write';

const SCOPE = { rigId: 'r', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };
const folder = mkdtempSync(join(tmpdir(), 'pebble-data-'));
let book: Book;

beforeAll(async () => {
  book = await openBook(folder, MIGRATIONS, { from: emptyDatabase() });
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
      write(book.db, (inside) =>
        saveCapture(inside, capture({ id: 'd4', writer, part: part(from, values) })),
      );
    for (let from = 0; from < 14; from += 2) await of('left', from, [from, from + 1]);
    const reading = storedCapture(book.db, 'd4');
    await of('right', 0, [10, 20, 30]);
    for (let from = 3; from < 17; from += 2) await of('right', from, [from, from]);
    const { head: read, parts } = (await reading)!;
    const { t, axes, runs } = recordingOf(read, parts);
    expect(runs.at(-1)!.to).toBe(t.length);
    expect(axes.brake![0]).toBe(10);
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
      brake: Float64Array.from({ length: 5000 }, (_, i) => Math.sin(i) ** 2),
    },
    notes: { source: 'simulated' },
  };
  for (const id of ['one', 'two'])
    await addRide(book.db, {
      id,
      ...SCOPE,
      trackId: 't',
      seed: 1,
      settings: { 'title/brake/deadzone': 5 },
      log,
    });
  expect(await loadRide(book.db, 'one')).toEqual(log);
  await markRide(book.db, SCOPE, 'one', 'A');
  await markRide(book.db, SCOPE, 'two', 'A');
  expect((await listRides(book.db, SCOPE)).map((r) => r.mark)).toEqual([null, 'A']);
});

it('stores columns smaller than they are, in parts that are written in a moment, without loss', async () => {
  const columns = {
    a: Float64Array.from({ length: 300_000 }, (_, i) => Math.round(1000 + 30 * Math.sin(i / 50))),
    b: Float64Array.from({ length: 300_000 }, (_, i) => i / 7),
  };
  const parts = await storeColumns(columns);
  expect(parts.length).toBeGreaterThan(2);
  expect(parts.map(({ fromRow, rows }) => fromRow + rows)).toEqual([
    ...parts.slice(1).map(({ fromRow }) => fromRow),
    300_000,
  ]);
  const stored = parts.map(({ samples }) => samples);
  expect(stored.reduce((sum, { length }) => sum + length, 0)).toBeLessThan(columns.a.byteLength);
  expect(loadColumns(stored)).toEqual(columns);
});

it('a ride is there whole or not at all: samples without a ride show nowhere, and are swept out at the next start', async () => {
  const log = { columns: { t_s: Float64Array.of(0, 1), brake: Float64Array.of(0, 1) }, notes: {} };
  const parts = await packRide(log);
  await addRidePart(book.db, 'cut-off', 0, parts[0]!);
  expect(await loadRide(book.db, 'cut-off')).toBeNull();
  const row = { id: 'cut-off', ...SCOPE, trackId: 't', seed: 1, settings: {}, notes: {} };
  await expect(addRideRow(book.db, row, 2)).rejects.toThrow(RidePartsGone);
  const kept = (await book.db.select().from(rideParts)).length - 1;
  await book.close();
  book = await openBook(folder, MIGRATIONS);
  expect(await book.db.select().from(rideParts)).toHaveLength(kept);
  expect(await loadRide(book.db, 'one')).not.toBeNull();
}, 60_000);

it('brings a book of every earlier version up to date, with what is in it', async () => {
  const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta', '_journal.json'), 'utf8')) as {
    entries: object[];
  };
  for (let known = 1; known < journal.entries.length; known++) {
    const place = mkdtempSync(join(tmpdir(), 'pebble-earlier-'));
    const earlier = join(place, 'migrations');
    cpSync(MIGRATIONS, earlier, { recursive: true });
    const entries = journal.entries.slice(0, known);
    writeFileSync(join(earlier, 'meta', '_journal.json'), JSON.stringify({ ...journal, entries }));
    mkdirSync(join(place, 'data'));
    const client = await PGlite.create({
      dataDir: join(place, 'data', 'book'),
      loadDataDir: emptyDatabase(),
    });
    const old = drizzle({ client });
    await migrate(old, { migrationsFolder: earlier });
    const spec = plainRig({ kind: 'simulated', rig: 'tern' });
    await old.insert(rigs).values({ id: 'r', name: 'Tern', spec, createdAt: new Date() });
    await client.close();
    const now = await openBook(join(place, 'data'), MIGRATIONS);
    expect((await listRigs(now.db)).map(({ name }) => name)).toEqual(['Tern']);
    const log = { columns: { t_s: Float64Array.of(0), brake: Float64Array.of(0) }, notes: {} };
    await addRide(now.db, { id: 'new', ...SCOPE, trackId: 't', seed: 1, settings: {}, log });
    expect(await loadRide(now.db, 'new')).toEqual(log);
    await now.close();
    rmSync(place, { recursive: true });
  }
}, 60_000);

it('refuses a book that a newer program has written, and leaves it alone', async () => {
  await book.db.execute(
    sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 99999999999999)`,
  );
  await book.close();
  await expect(openBook(folder, MIGRATIONS)).rejects.toThrow(NewerBook);
  await expect(openBook(folder, MIGRATIONS)).rejects.toThrow(/newer Pebble Road/);
}, 60_000);
