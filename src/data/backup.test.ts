import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { TITLES } from '@/catalog/titles';
import { gridCount, gridPoint } from '@/core/response/menuSchema';
import { plainRig } from '@/core/rig/rigSpec';
import { usualScope } from '@/core/settings/scope';
import { oneLine } from '@/core/text/line';
import { anyCapture, anyId, anyRide, anyText } from '@/core/testing/anyRecording';
import { bookDocument, samplesIn } from './backup';
import { saveCapture } from './captures';
import { addChanges, listChanges } from './changes';
import { chooseCombination, markTypedIn } from './combination';
import type { Book } from './openBook';
import { readBackup } from './readBackup';
import { setTick, setTitleVersion } from './readiness';
import { addRide } from './rides';
import { addRig, listRigs } from './rigs';
import { saveBackup } from './saveBackup';
import { captures, changes, combinations, facts, rideParts, rides, rigs, ticks } from './schema';
import { bookForTests, onServer } from './testing/bookForTests';
import { expectRoundTrip } from './testing/roundTrip';
import { tries } from '@/core/testing/longRun';

const HERE = { rigId: 'r', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };
const T = Float64Array.from({ length: 900 }, (_, i) => i / 250);
const wave = (k: number) => T.map((t) => Math.round(1000 + 900 * Math.sin(k * t)));
const folder = mkdtempSync(join(tmpdir(), 'pebble-backup-'));
let book: Book;
let other: Book;

async function fill({ db }: Book): Promise<void> {
  await addRig(db, { id: 'r', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }) });
  await chooseCombination(db, HERE);
  await markTypedIn(db, HERE, { atMs: 7, version: '1.4', values: { 'title/brake/deadzone': 4 } });
  await setTitleVersion(db, 'causeway', '1.4');
  await setTick(db, HERE, 'clamp', { firmware: 'a', 'title-version': '1.4', cabling: '0' });
  const set = { kind: 'set', scope: usualScope('title', HERE), from: null, why: 'drags' } as const;
  await addChanges(db, 'r', [
    { ...set, id: 'c1', atMs: 5, key: { layer: 'title', axis: 'brake', field: 'deadzone' }, to: 4 },
    { id: 'c2', atMs: 6, kind: 'put-back', undoes: 'c1', why: 'put back' },
  ]);
  await saveCapture(db, {
    id: 'capture',
    rigId: 'r',
    axis: 'brake',
    driver: 'Late shift',
    status: 'kept',
    origin: 'guided',
    head: {
      device: 'x',
      rangeMin: 0,
      rangeMax: 4095,
      rateHz: 250,
      runs: [{ label: 'rest', from: 0, to: 900 }],
      guide: null,
    },
    part: { fromRow: 0, t: T, axes: { brake: wave(2), throttle: wave(3) } },
    madeAtMs: 99,
  });
  const log = {
    columns: { t_s: T, brake: T.map((t) => Math.sin(t) ** 2 / 3) },
    notes: { source: 'simulated' },
  };
  await addRide(db, {
    id: 'ride',
    ...HERE,
    trackId: 'saltmarsh-loop',
    seed: 1,
    settings: { 'title/brake/deadzone': 4 },
    log,
  });
}

beforeAll(async () => {
  book = await bookForTests();
  other = await bookForTests();
  await fill(book);
});
afterAll(async () => {
  await book.close();
  await other.close();
  rmSync(folder, { recursive: true });
});

async function archive(): Promise<Uint8Array> {
  const path = join(folder, 'saved.zip');
  const document = await bookDocument(book.db, Date.now());
  const saved = await saveBackup(path, document, samplesIn(book.db), () => undefined);
  expect(saved).toEqual({ ok: true, value: true });
  return readFileSync(path);
}
const read = (bytes: Uint8Array) =>
  readBackup(Buffer.from(bytes), Date.now(), {
    book: () => undefined,
    recording: () => undefined,
    progress: () => undefined,
  });

it('what is called good reads back as it is in the book; what was changed on the way is not called good', async () => {
  const document = await bookDocument(book.db, Date.now());
  const outcome = await saveBackup(
    join(folder, 'other.zip'),
    document,
    async (kind, id) => {
      // As if the disk gave other samples than the book has rows for.
      return kind === 'ride' ? samplesIn(book.db)(kind, id) : [];
    },
    () => undefined,
  );
  expect(outcome).toMatchObject({ ok: false });
});

it('a book beside the book takes its place as a whole, to the bit, or leaves no trace', async () => {
  await expectRoundTrip(book);
  const before = await bookDocument(book.db, 1);
  const bytes = Buffer.from(await archive());
  const incoming = await book.incoming();
  await addRig(incoming.db, {
    id: 'other',
    name: 'Wreck',
    spec: plainRig({ kind: 'simulated', rig: 'wren' }),
  });
  expect(await bookDocument(book.db, 1)).toEqual(before);
  await incoming.drop();
  expect(await bookDocument(book.db, 1)).toEqual(before);

  await addChanges(book.db, 'r', [{ ...(await listChanges(book.db, 'r'))[0]!, id: 'c3', atMs: 8 } as never]);
  expect((await listChanges(book.db, 'r')).length).toBe(3);
  const again = await book.incoming();
  const { restoreRecording, restoreRows } = await import('./restore');
  await readBackup(bytes, Date.now(), {
    book: (found) => restoreRows(again.db, found),
    recording: async (found) => restoreRecording(again.db, await found.stored()),
    progress: () => undefined,
  });
  await again.take();
  expect(await bookDocument(book.db, 1)).toEqual(before);
  expect((await listChanges(book.db, 'r')).map((e) => e.id)).toEqual(['c1', 'c2']);
  // It is a book like any other: what comes next is written into it.
  await addChanges(book.db, 'r', [{ id: 'c4', atMs: 9, kind: 'put-back', undoes: 'nothing', why: 'x' }]);
  expect((await listChanges(book.db, 'r')).map((e) => e.id)).toEqual(['c1', 'c2', 'c4']);
  await book.db.delete(changes);
});

/** A sound archive with some of its files changed. */
async function altered(
  change: (files: Record<string, string>) => Record<string, string>,
): Promise<Uint8Array> {
  const files = Object.fromEntries(
    Object.entries(unzipSync(await archive())).map(([name, bytes]) => [name, strFromU8(bytes)]),
  );
  const zipped = Object.entries(change(files)).map(([name, text]) => [name, strToU8(text)] as const);
  return zipSync(Object.fromEntries(zipped) as Zippable);
}
const inBook = (from: RegExp | string, to: string) =>
  altered((files) => ({ ...files, 'book.json': files['book.json']!.replace(from, to) }));

/** The list of a zip says that its largest file is a hundredth of what it is. */
async function lying(): Promise<Uint8Array> {
  const bytes = Buffer.from(
    zipSync({ 'book.json': strToU8('{}'), 'rides/big.ride.csv': strToU8('0'.repeat(30_000_000)) }),
  );
  for (let at = bytes.indexOf('PK\u0001\u0002'); at >= 0; at = bytes.indexOf('PK\u0001\u0002', at + 4))
    if (bytes.readUInt32LE(at + 24) === 30_000_000) bytes.writeUInt32LE(300_000, at + 24);
  return new Uint8Array(bytes);
}

it.each<[string, () => Promise<Uint8Array>, RegExp]>([
  ['no archive at all', () => Promise.resolve(strToU8('t_s,brake\n1,2\n')), /not a whole \.zip/],
  ['half an archive', async () => (await archive()).slice(0, 900), /not a whole \.zip/],
  [
    'a path that leads outside',
    () => altered((f) => ({ ...f, '../../notes.txt': 'x' })),
    /outside the archive/,
  ],
  ['a file that is none of ours', () => altered((f) => ({ ...f, 'run.exe': 'x' })), /does not belong/],
  [
    'an archive that explodes',
    () => altered((f) => ({ ...f, 'rides/big.ride.csv': '0'.repeat(30_000_000) })),
    /would unpack to/,
  ],
  ['an archive that lies about its sizes', lying, /.*/],
  ['no book in it', () => altered(({ 'book.json': _, ...f }) => f), /no book\.json/],
  ['a newer version', () => inBook('"version": 3', '"version": 4'), /version 4; this program reads up to 3/],
  ['an unknown key', () => inBook('"madeAtMs"', '"extra": 1, "madeAtMs"'), /"extra" is not known/],
  ['a key that stands twice', () => inBook('"madeAtMs"', '"format": "x", "madeAtMs"'), /stands twice/],
  ['a rig that is not there', () => inBook(/"rigId": "r"/, '"rigId": "ghost"'), /no rig "ghost"/],
  [
    'a title that nobody has',
    () => inBook(/"titleId": "causeway"/, '"titleId": "comet"'),
    /no title "comet"/,
  ],
  [
    'a field that nobody has',
    () => inBook(/"field": "deadzone"/, '"field": "gloss"'),
    /no field "gloss"|gloss/,
  ],
  ['a value beyond its menu', () => inBook(/"toValue": 4/, '"toValue": 400'), /400 is not what|outside/],
  ['a value beyond everything', () => inBook(/"toValue": 4/, '"toValue": 1e308'), /at most 1000000/],
  ['a put-back of nothing', () => inBook(/"undoes": "c1"/, '"undoes": "c9"'), /does not stand/],
  [
    'a time in 9999',
    () => inBook(/"createdAtMs": \d+/, `"createdAtMs": ${Date.UTC(9999, 0)}`),
    /9999-01-01 lies in the future/,
  ],
  [
    'a file without a row',
    () => altered((f) => ({ ...f, 'rides/more.ride.csv': f['rides/ride.ride.csv']! })),
    /belongs to nothing/,
  ],
  ['a recording that is missing', () => altered((f) => ({ 'book.json': f['book.json']! })), /is missing/],
  [
    'a row that is no number',
    () =>
      altered((f) => ({
        ...f,
        'rides/ride.ride.csv': f['rides/ride.ride.csv']!.replace(/\n0\.4,/, '\nmany,'),
      })),
    /rides\/ride\.ride\.csv, row \d+, column "t_s"/,
  ],
  [
    'other phases than the book says',
    () =>
      altered((f) => ({
        ...f,
        'captures/capture.capture.csv': f['captures/capture.capture.csv']!.replaceAll(',rest,', ',idle,'),
      })),
    /phases are not those/,
  ],
])('refuses %s and says so', async (_, make, said) => {
  if ((await bookDocument(book.db, 1)).changes.length === 0)
    await addChanges(book.db, 'r', [
      {
        id: 'c1',
        atMs: 5,
        kind: 'set',
        scope: usualScope('title', HERE),
        from: null,
        why: 'drags',
        key: { layer: 'title', axis: 'brake', field: 'deadzone' },
        to: 4,
      },
      { id: 'c2', atMs: 6, kind: 'put-back', undoes: 'c1', why: 'put back' },
    ]);
  const answer = await read(await make());
  expect(answer.ok ? 'taken' : answer.problems.map((p) => p.message).join(' ')).toMatch(said);
  expect(answer.ok).toBe(false);
  expect((await listRigs(book.db)).map((rig) => rig.id)).toEqual(['r']);
});

/** A value that some menu of the catalogue takes, somewhere on its grid. */
const anySet = fc.constantFrom(...TITLES).chain((title) =>
  fc.constantFrom(...Object.entries(title.dialects)).chain(([axis, dialect]) =>
    fc.constantFrom(...dialect.fields).chain((field) =>
      fc.nat(gridCount(field) - 1).map((i) => ({
        titleId: title.id,
        key: { layer: 'title' as const, axis: axis as 'brake', field: field.key },
        to: gridPoint(field, i),
      })),
    ),
  ),
);

it('whatever the schemas allow is saved and restored to an equal book', async () => {
  const { db } = other;
  const anything = fc.record({
    name: anyText().filter((text) => oneLine(text) !== ''),
    words: anyText(100),
    captures: fc.array(fc.record({ id: anyId, capture: anyCapture, kept: fc.boolean() }), { maxLength: 3 }),
    rides: fc.array(fc.record({ id: anyId, log: anyRide, seed: fc.nat(2_147_483_647) }), { maxLength: 2 }),
    sets: fc.array(fc.record({ id: anyId, set: anySet, back: fc.boolean(), why: anyText(80) }), {
      maxLength: 4,
    }),
  });
  await fc.assert(
    fc.asyncProperty(anything, async (made) => {
      for (const table of [rides, rideParts, captures, changes, ticks, combinations, facts, rigs])
        await db.delete(table);
      const spec = plainRig({ kind: 'simulated', rig: 'tern' });
      await addRig(db, { id: 'r', name: made.name.slice(0, 30), spec: { ...spec, mounting: made.words } });
      const driver = oneLine(made.name).slice(0, 30).trim() || 'x';
      await chooseCombination(db, { ...HERE, driver });
      for (const { id, capture, kept } of once(made.captures)) {
        const { axis, head, t, axes } = capture;
        const status = kept ? ('kept' as const) : ('draft' as const);
        await saveCapture(db, {
          id,
          rigId: 'r',
          axis,
          driver,
          status,
          origin: 'file',
          head,
          part: { fromRow: 0, t, axes },
        });
      }
      for (const { id, log, seed } of once(made.rides))
        await addRide(db, { id, ...HERE, driver, trackId: 'saltmarsh-loop', seed, settings: {}, log });
      for (const { id, set, back, why } of once(made.sets)) {
        const scope = { ...usualScope('title', { ...HERE, driver }), titleId: set.titleId };
        await addChanges(db, 'r', [
          { id, atMs: 1, kind: 'set', scope, key: set.key, from: null, to: set.to, why },
        ]);
        if (back)
          await addChanges(db, 'r', [
            { id: `${id.slice(0, 70)}-b`, atMs: 2, kind: 'put-back', undoes: id, why },
          ]);
      }
      await expectRoundTrip(other);
    }),
    { numRuns: onServer(tries(8, 40)) },
  );
});

/** Ids are told apart also where a file system does not. */
const once = <T extends { id: string }>(rows: T[]): T[] =>
  rows.filter(({ id }, i) => rows.findIndex((row) => row.id.toLowerCase() === id.toLowerCase()) === i);
