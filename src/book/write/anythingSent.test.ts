import fc from 'fast-check';
import { AXIS_NAMES } from '@/core/axes/axes';
import { anyCapture, anyRide } from '@/core/testing/anyRecording';
import { packColumns } from '@/core/formats/packedColumns';
import { plainRig } from '@/core/rig/rigSpec';
import { RIDE_COLUMNS } from '@/core/rides/rideLog';
import { bookDocument } from '@/data/backup';
import { loadCapture } from '@/data/captures';
import { judgeBook } from '@/data/judgeBook';
import { expectRoundTrip } from '@/data/testing/roundTrip';
import { loadRide } from '@/data/rides';
import { addRig } from '@/data/rigs';
import { rideParts } from '@/data/schema';
import { acceptCapture } from './acceptCapture';
import { bookView } from '../read/readBook';
import { changeCombination } from './settings';
import { acceptRide } from './acceptRide';
import { bookInMemory } from '../testing/bookInMemory';
import { onServer } from '@/data/testing/bookForTests';
import { tries } from '@/core/testing/longRun';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const book = bookInMemory(async (db) => {
  await addRig(db, { id: 'rig', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }) });
  await changeCombination({ rigId: 'rig', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift' });
});

/** Refused in words, and then nothing may have changed; or taken, and then every page can still be shown. */
async function send(accept: (request: Request) => Promise<Response>, body: Uint8Array): Promise<number> {
  const before = await bookDocument(book.db, 1);
  const answer = await accept(new Request('http://here/', { method: 'POST', body: body as BodyInit }));
  const reply = (await answer.json()) as { ok: boolean; problems?: { message: string }[] };
  if (!reply.ok) expect(reply.problems?.every(({ message }) => message !== '')).toBe(true);
  // What does not stand up to analysis stays as a draft.
  if (!reply.ok && answer.status !== 422) expect(await bookDocument(book.db, 1)).toEqual(before);
  expect((await bookView())?.rig.name).toBe('Tern');
  expect(judgeBook(await bookDocument(book.db, 1), Date.now())).toEqual([]);
  return answer.status;
}

const number = fc.oneof(
  fc.double({ min: -10, max: 10, noNaN: true }),
  fc.constantFrom(0, 1, -1, NaN, Infinity, 1e300, 5e-324),
);
/** Columns of one length under names of which most are right, with a clock that mostly runs. */
const columnsOf = (names: readonly string[], clock: string) =>
  fc
    .record({
      length: fc.nat(40),
      runs: fc.boolean(),
      some: fc.subarray([...names]),
      odd: fc.nat(5).map((n) => n === 0),
    })
    .chain(({ length, runs, some, odd }) =>
      fc
        .tuple(...[...some, ...(odd ? ['odd'] : [])].map((name) => named(name, length)), named(clock, length))
        .map((all) => {
          const columns = Object.fromEntries(all);
          if (runs) columns[clock] = columns[clock]!.map((_, i) => i / 250);
          return columns;
        }),
    );
const named = (name: string, length: number) =>
  fc
    .oneof(
      { weight: 12, arbitrary: fc.array(fc.double({ min: -10, max: 10, noNaN: true }), exactly(length)) },
      fc.array(number, exactly(length)),
    )
    .map((values): [string, Float64Array] => [name, Float64Array.from(values)]);
const exactly = (length: number) => ({ minLength: length, maxLength: length });

const SOUND_RIDE = {
  t_s: Float64Array.from({ length: 40 }, (_, i) => i / 100),
  brake: new Float64Array(40),
};

it('a ride of any columns is taken or refused, and the book can be shown', async () => {
  const statuses = new Set<number>();
  const head = fc.record({
    trackId: fc.constantFrom('saltmarsh-loop', 'saltmarsh-loop', 'nowhere'),
    seed: fc.constantFrom(1, 1, 1, -1, 0.5),
    settings: fc.constantFrom({}, { 'title/brake/deadzone': 4 }, { nothing: 1 }, { 'a/b/c': [[0, 0]] }),
    notes: fc.constantFrom({}, { file: 'x.csv' }, { rate: 'many', laps: '-3' }),
  });
  await fc.assert(
    fc.asyncProperty(
      head,
      columnsOf(
        RIDE_COLUMNS.filter((name) => name !== 't_s'),
        't_s',
      ),
      async (h, columns) => {
        statuses.add(await send(acceptRide, packColumns({ head: h, columns })));
      },
    ),
    {
      numRuns: onServer(tries(40, 60)),
      // One that is sound, whatever is drawn.
      examples: [[{ trackId: 'saltmarsh-loop', seed: 1, settings: {}, notes: {} }, SOUND_RIDE]],
    },
  );
  expect(statuses).toContain(200);
  expect(statuses).toContain(400);
});

it('so is a part of a capture', async () => {
  const statuses = new Set<number>();
  const runs = fc.constantFrom(
    [],
    [{ label: 'rest', from: 0, to: 10 }],
    [{ label: 'sweep', from: 5, to: 2 }],
    [{ label: 'press', from: 0, to: 1e9 }],
  );
  const head = fc.record({
    id: fc.constantFrom('one', 'two', 'three', ''),
    axis: fc.constantFrom('brake' as const, 'brake' as const, ...AXIS_NAMES),
    status: fc.constantFrom('draft', 'kept'),
    origin: fc.constantFrom('guided', 'file'),
    fromRow: fc.constantFrom(0, 0, 0, 3, 1e6, -1),
    capture: fc.record({
      device: fc.constantFrom('Simulated Tern', ''),
      rangeMin: fc.constantFrom(0, -1, 65535),
      rangeMax: fc.constantFrom(65535, 0, -1),
      rateHz: fc.constantFrom(250, null, 1e-9),
      runs,
      guide: fc.constantFrom(null, 'odd', {}, { at: 99 }),
    }),
  });
  await fc.assert(
    fc.asyncProperty(head, columnsOf([...AXIS_NAMES, 'brake', 'brake'], 't'), async (h, columns) => {
      statuses.add(await send(acceptCapture, packColumns({ head: h, columns })));
    }),
    { numRuns: onServer(tries(20, 60)) },
  );
  // Sound ones, as many windows would send them on one draft or another.
  const sound = fc.record({
    id: fc.constantFrom('one', 'two', 'three'),
    capture: anyCapture,
    status: fc.constantFrom('draft', 'kept'),
  });
  await fc.assert(
    fc.asyncProperty(sound, async ({ id, capture: { axis, head: known, t, axes }, status }) => {
      const h = { id, axis, status, origin: 'guided', fromRow: 0, capture: known };
      statuses.add(await send(acceptCapture, packColumns({ head: h, columns: { t, ...axes } })));
    }),
    { numRuns: onServer(tries(15, 40)) },
  );
  for (const status of [200, 400, 422]) expect(statuses).toContain(status);
  await expectRoundTrip(book.book);
});

it('every ride that the schemas allow is taken, and what is taken can be saved and restored', async () => {
  await fc.assert(
    fc.asyncProperty(anyRide, fc.nat(2_147_483_647), async ({ columns, notes }, seed) => {
      const h = { trackId: 'saltmarsh-loop', seed, settings: {}, notes };
      const named = columns as Record<string, Float64Array>;
      expect(await send(acceptRide, packColumns({ head: h, columns: named }))).toBe(200);
    }),
    { numRuns: onServer(tries(6, 30)) },
  );
  await expectRoundTrip(book.book);
});

it('a long capture is taken piece by piece, and comes back whole; one with a fault near its end leaves nothing', async () => {
  const rows = 45_000;
  const t = Float64Array.from({ length: rows }, (_, i) => i / 1000);
  const brake = t.map((at) => Math.round(500 + 400 * Math.sin(at)));
  const runs = [
    { label: 'rest', from: 0, to: 100 },
    { label: 'idle', from: 100, to: 41_000 },
    { label: 'sweep', from: 41_000, to: rows },
  ];
  const capture = { device: 'x', rangeMin: 0, rangeMax: 1000, rateHz: 1000, runs, guide: null };
  const post = (id: string, values: Float64Array) => {
    const h = { id, axis: 'brake', status: 'draft', origin: 'file', fromRow: 0, capture };
    return send(acceptCapture, packColumns({ head: h, columns: { t, brake: values } }));
  };
  expect(await post('long', brake)).toBe(200);
  const { recording } = (await loadCapture(book.db, 'long'))!;
  expect(recording).toMatchObject({ t, axes: { brake }, runs });
  expect(await post('bad', brake.with(44_000, 1001))).toBe(400);
  expect(await loadCapture(book.db, 'bad')).toBeNull();
});

it('a long ride is judged beside and written piece by piece; one with a fault near its end leaves nothing', async () => {
  const rows = 100_000;
  const column = (size: number) =>
    Float64Array.from({ length: rows }, (_, i) => size * Math.sin(i / 777) ** 2);
  const columns = {
    t_s: Float64Array.from({ length: rows }, (_, i) => i / 250),
    speed_mps: column(40),
    throttle: column(1),
    brake: column(0.9),
    ffb: column(1),
  };
  const head = { trackId: 'saltmarsh-loop', seed: 1, settings: {}, notes: {} };
  const partsIn = () => book.db.$count(rideParts);
  const before = await partsIn();
  const spoilt = { ...columns, brake: columns.brake.with(99_000, 50) };
  expect(await send(acceptRide, packColumns({ head, columns: spoilt }))).toBe(400);
  expect(await send(acceptRide, packColumns({ head: { ...head, trackId: 'nowhere' }, columns }))).toBe(400);
  expect(await partsIn()).toBe(before);
  expect(await send(acceptRide, packColumns({ head, columns }))).toBe(200);
  const newest = (await bookView())!.newestRide!;
  expect((await loadRide(book.db, newest.id))!.columns).toEqual(columns);
  expect(newest.clipping).not.toBeNull();
});

it('a run to the end of all numbers is refused, and costs nothing', async () => {
  const capture = {
    device: 'x',
    rangeMin: 0,
    rangeMax: 1,
    rateHz: null,
    runs: [{ label: 'rest', from: 0, to: Number.MAX_SAFE_INTEGER }],
    guide: null,
  };
  const h = { id: 'long', axis: 'brake', status: 'kept', origin: 'file', fromRow: 0, capture };
  const columns = { t: Float64Array.of(0), brake: Float64Array.of(0) };
  expect(await send(acceptCapture, packColumns({ head: h, columns }))).toBe(400);
});

it('bytes that are no columns are refused', async () => {
  await fc.assert(
    fc.asyncProperty(fc.uint8Array({ maxLength: 200 }), async (bytes) => {
      expect(await send(acceptRide, bytes)).toBe(400);
      expect(await send(acceptCapture, bytes)).toBe(400);
    }),
    { numRuns: onServer(tries(8, 20)) },
  );
});
