import { RIDES_SHOWN } from '../model/rideView';
import { sql } from 'drizzle-orm';
import { COMBINATIONS } from '@/data/demoCaptures';
import { forgetChanges } from '@/data/changes';
import { bookInMemory } from '../testing/bookInMemory';
import { contextIn } from './requestContext';
import { readBook } from './readBook';
import { earlierRides } from './readRides';
import { readTrail } from './readTrail';
import { tries } from '@/core/testing/longRun';

/** What every page of a combination carries; its station adds at most a quarter of it. */
const MOST_BYTES = 31_000;
const HERE = COMBINATIONS.find(({ rigId }) => rigId === 'tern')!;

const book = bookInMemory('begun');
const viewOf = async (combination = HERE) => readBook((await contextIn(book.db, combination))!);
/** As a page carries it: what stands in several places is written once. */
function size(value: unknown): number {
  const seen = new Set<unknown>();
  return JSON.stringify(value, (_key, part: unknown) => {
    if (typeof part !== 'object' || part === null) return part;
    if (seen.has(part)) return '$0:to:where:it:stands';
    seen.add(part);
    return part;
  }).length;
}

/** As many changes and rides of the open combination as years of evenings leave behind, like those that are there. */
async function grow(changes: number, rides: number) {
  await book.db.execute(sql`
    insert into changes (id, at, kind, rig_id, title_id, car_id, driver, branch, layer, axis, field, from_value, to_value, why)
    select 'grown-' || ${changes} || '-' || n, at - interval '1 day' - n * interval '1 minute', kind, rig_id, title_id, car_id, driver,
      branch, layer, axis, field, from_value, to_value, why
    from (select * from changes where rig_id = 'tern' and field = 'gain' limit 1) one, generate_series(1, ${changes}) n`);
  await book.db.execute(sql`
    insert into rides (id, at, rig_id, title_id, car_id, driver, branch, track_id, seed, settings, mark, head)
    select id || '-' || n || '-' || ${rides}, at - ${rides}::int * interval '1 day' - n * interval '1 minute', rig_id, title_id, car_id, driver,
      branch, track_id, seed, settings, null, head
    from rides, generate_series(1, ${rides}) n where id = 'demo-first-ride'`);
  // The first piece of a ride is a ride: how long each was makes no difference here.
  await book.db.execute(sql`
    insert into ride_parts (ride_id, part, samples)
    select 'demo-first-ride-' || n || '-' || ${rides}, part, samples from ride_parts, generate_series(1, ${rides}) n
    where ride_id = 'demo-first-ride' and part = 0`);
  forgetChanges(book.db);
}

it('every combination of the demo is shown in little, without any samples', async () => {
  for (const combination of COMBINATIONS) {
    const view = await viewOf(combination);
    expect(size(view)).toBeLessThan(MOST_BYTES);
    expect(/"(trace|ridden|past)"/.test(JSON.stringify(view))).toBe(false);
  }
});

it('what a page carries does not grow with old changes and rides, and what is further back is there when asked for', async () => {
  const few = await viewOf();
  expect(few.rideCount).toBe(1);
  await grow(tries(200, 400), 30);
  const some = await viewOf();
  expect(some.rideCount).toBe(31);
  expect(some.trail.items).toHaveLength(24);
  // The marked ride is there, wherever it lies.
  expect(some.rides.filter(({ mark }) => mark === 'A')).toHaveLength(1);
  await grow(tries(800, 9600), tries(40, 90));
  const many = await viewOf();
  expect(many.rideCount).toBe(tries(71, 121));
  expect(Math.abs(size(many) - size(some))).toBeLessThan(200);
  expect(size(many)).toBeLessThan(MOST_BYTES);

  const here = (await contextIn(book.db, HERE))!;
  const rides = await earlierRides(here, RIDES_SHOWN);
  const shown = new Set(many.rides.map(({ id }) => id));
  expect(rides).toHaveLength(RIDES_SHOWN);
  expect(rides.some(({ id }) => shown.has(id))).toBe(false);
  expect(Math.max(...rides.map(({ atMs }) => atMs))).toBeLessThan(many.rides[0]!.atMs);
});

it('the trail is the same whether it is read at once or piece by piece', async () => {
  const { book: db, combination } = (await contextIn(book.db, HERE))!;
  const { menus } = await viewOf();
  const { listChanges } = await import('@/data/changes');
  const place = { book: db, combination, menus, events: await listChanges(db, 'tern') };
  const whole = await readTrail(place, 60);
  const pieces = [];
  for (let skip = 0; skip < 60; skip += 20) pieces.unshift((await readTrail(place, 20, skip)).items);
  expect(pieces.flat()).toEqual(whole.items);
  expect((await readTrail(place, 20, 40)).earlier).toBe(whole.earlier);
  // Past its beginning there is nothing.
  const total = whole.earlier + 60;
  expect(await readTrail(place, 24, total)).toMatchObject({ items: [], earlier: 0 });
});
