import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { usualScope } from '@/core/settings/scope';
import { effectiveSettings } from '@/core/settings/trail';
import { plainRig } from '@/core/rig/rigSpec';
import { addChanges, listChanges } from './changes';
import { chooseCombination, lastOpened } from './combination';
import { openBook, type Book } from './openBook';
import { emptyBook, MIGRATIONS } from './testing/bookForTests';
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
  loadRide,
  markRide,
  newestRides,
  packRide,
  RidePartsGone,
} from './rides';
import { addRig, listRigs } from './rigs';
import { loadColumns, storeColumns } from './samples';
import { rideParts } from './schema';

const SCOPE = { rigId: 'r', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };
const folder = mkdtempSync(join(tmpdir(), 'pebble-data-'));
let book: Book;

beforeAll(async () => {
  book = await openBook(folder, MIGRATIONS, { from: emptyBook() });
  await addRig(book.db, {
    id: 'r',
    name: 'Tern',
    spec: plainRig({ kind: 'simulated', rig: 'tern' }),
  });
});
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
  expect(await lastOpened(book.db)).toEqual({ ...SCOPE, driver: 'Dawn shift' });
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
  expect((await newestRides(book.db, SCOPE, 9)).map((r) => r.mark)).toEqual([null, 'A']);
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
});
