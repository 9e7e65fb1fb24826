import { join } from 'node:path';
import { strToU8, zipSync, type Zippable } from 'fflate';
import { plainRig } from '@/core/rig/rigSpec';
import { usualScope } from '@/core/settings/scope';
import { bookArchive, bookDocument } from './backup';
import { saveCapture } from './captures';
import { addChanges, listChanges } from './changes';
import { chooseCombination, markTypedIn } from './combination';
import { openBook, type Book } from './openBook';
import { setTick, setTitleVersion } from './readiness';
import { readBackup, restoreBook } from './restore';
import { addRide, loadRide } from './rides';
import { addRig, listRigs } from './rigs';
import { loadCapture } from './captures';

const HERE = { rigId: 'r', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };
const MIGRATIONS = join(process.cwd(), 'drizzle');
const T = Float64Array.from({ length: 900 }, (_, i) => i / 250);
const wave = (k: number) => T.map((t) => Math.round(1000 + 900 * Math.sin(k * t)));
let book: Book;

async function filledBook(): Promise<Book> {
  const made = await openBook(null, MIGRATIONS);
  const { db } = made;
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
    id: 'a capture/with, odd name',
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
    trackId: 't',
    seed: 1,
    settings: { 'title/brake/deadzone': 4 },
    log,
  });
  return made;
}

async function archive(of: Book): Promise<Uint8Array> {
  return new Uint8Array(await new Response(bookArchive(of.db, 1)).arrayBuffer());
}

beforeAll(async () => {
  book = await filledBook();
}, 60_000);
afterAll(() => book.close());

it('a book that was wrecked is the same again after a restore, to the bit', async () => {
  const { db } = book;
  const saved = await archive(book);
  const before = await bookDocument(db, 1);
  const samples = [await loadCapture(db, 'a capture/with, odd name'), await loadRide(db, 'ride')];
  await addRig(db, { id: 'other', name: 'Wreck', spec: plainRig({ kind: 'simulated', rig: 'wren' }) });
  await addChanges(db, 'r', [{ id: 'c3', atMs: 8, kind: 'put-back', undoes: 'nothing', why: 'wrecked' }]);

  const read = await readBackup(saved);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  await restoreBook(db, read.value);
  expect(await bookDocument(db, 1)).toEqual(before);
  expect([await loadCapture(db, 'a capture/with, odd name'), await loadRide(db, 'ride')]).toEqual(samples);
  expect((await listChanges(db, 'r')).map((e) => e.id)).toEqual(['c1', 'c2']);
}, 30_000);

/** A sound archive with some of its files changed. */
async function altered(
  change: (files: Record<string, string>) => Record<string, string>,
): Promise<Uint8Array> {
  const { unzipSync, strFromU8 } = await import('fflate');
  const files = Object.fromEntries(
    Object.entries(unzipSync(await archive(book))).map(([name, bytes]) => [name, strFromU8(bytes)]),
  );
  const zipped = Object.entries(change(files)).map(([name, text]) => [name, strToU8(text)] as const);
  return zipSync(Object.fromEntries(zipped) as Zippable);
}
const inBook = (from: string, to: string) =>
  altered((files) => ({ ...files, 'book.json': files['book.json']!.replace(from, to) }));

it.each([
  ['no archive at all', () => Promise.resolve(strToU8('t_s,brake\n1,2\n')), /not a whole \.zip/],
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
  ['no book in it', () => altered(({ 'book.json': _, ...f }) => f), /no book\.json/],
  ['a newer version', () => inBook('"version": 1', '"version": 2'), /version 2; this program reads up to 1/],
  ['an unknown key', () => inBook('"madeAtMs"', '"extra": 1, "madeAtMs"'), /"extra" is not known/],
  [
    'a rig that is not there',
    () => inBook('"titleId": "causeway"', '"titleId": "causeway", "rigId": "ghost"'),
    /ghost|not known|rig/,
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
])('refuses %s and says so', async (_, make, said) => {
  const read = await readBackup(await make());
  expect(read.ok ? '' : read.problems.map((p) => p.message).join(' ')).toMatch(said);
  expect((await listRigs(book.db)).map((rig) => rig.id)).toEqual(['r']);
});
