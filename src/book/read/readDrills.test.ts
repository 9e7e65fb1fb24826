import type { RideLog } from '@/core/rides/rideLog';
import { isAttempt } from '@/core/rides/road';
import { addRide, countRides, drillAttempts, newestRides, rideMoments } from '@/data/rides';
import { askingBook, HERE } from '../testing/askingBook';
import { readDrills } from './readDrills';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const { book, here, view } = askingBook();

/** A weave of ten periods, as evenly as its number is small. */
function weave(uneven: number): RideLog['columns'] {
  const t_s = Float64Array.from({ length: 2000 }, (_, i) => i / 100);
  const phase = (t: number) => Math.PI * t;
  return {
    t_s,
    steer_deg: t_s.map((t) => 40 * Math.sin(phase(t))),
    x_m: t_s.map((t) => 12 * t),
    y_m: t_s.map((t) => (1 + uneven * (Math.floor(t / 2) % 3)) * Math.sin(phase(t))),
  };
}

let number = 0;
const drive = (notes: RideLog['notes'], uneven = 0.05) =>
  addRide(book.db, {
    ...HERE,
    ...{ id: `ride-${++number}`, trackId: 'quarry-pan', seed: 1, settings: {}, atMs: 1000 * number },
    log: { columns: weave(uneven), notes },
  });

it('attempts are kept apart from laps, in the book as in the heart; a log from elsewhere is a ride whatever it says', async () => {
  const notes = [
    { source: 'driven', drill: 'weave' },
    { source: 'simulated', drill: 'weave' },
    { source: 'driven' },
    { source: 'imported', file: 'weave.csv', drill: 'weave' },
    { drill: 'nobody knows' },
  ];
  for (const one of notes) await drive(one);
  const ids = async (of: Promise<{ id: string }[]>) => (await of).map(({ id }) => id).sort();
  const attempts = notes.flatMap((one, i) => (isAttempt(one) ? [`ride-${i + 1}`] : []));
  expect(attempts).toEqual(['ride-1', 'ride-2', 'ride-5']);
  expect(await ids(drillAttempts(book.db, HERE, 10))).toEqual(attempts);
  const laps = ['ride-3', 'ride-4'];
  expect(await ids(newestRides(book.db, HERE, 10))).toEqual(laps);
  expect(await ids(rideMoments(book.db, HERE, 10))).toEqual(laps);
  expect(await countRides(book.db, HERE)).toBe(2);

  for (const uneven of [0.06, 0.04, 0.05]) await drive({ source: 'driven', drill: 'weave' }, uneven);
  await drive({ source: 'driven', drill: 'weave' }, 0.6);
  const { lines, hasPlace } = await readDrills(await here(), await view());
  expect(hasPlace).toBe(true);
  const line = lines.find(({ name }) => name === 'weave')!;
  // Five attempts that are alike, and one that is not; what no drill is called is none.
  expect(line).toMatchObject({ attempts: 6, last: { judged: 'worse', expected: { n: 5 } } });
  expect(line.expected!.n).toBe(6);
});
