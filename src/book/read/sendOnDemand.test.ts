import { plainRig } from '@/core/rig/rigSpec';
import { SMALL_PLAN } from '@/core/testing/smallWorld';
import { completeRide } from '@/core/vehicle/simulateRide';
import { addChanges } from '@/data/changes';
import { addRide, markRide } from '@/data/rides';
import { addRig } from '@/data/rigs';
import { write } from '@/data/write';
import { RIDES_SHOWN, type RideLine } from '../model/rideView';
import type { TrailView } from '../model/trailView';
import { HERE_COOKIE, hereText } from '../model/here';
import { bookInMemory } from '../testing/bookInMemory';
import { askedBy, Browser } from '../testing/browser';
import { changeCombination } from '../write/settings';
import { bookView } from './readBook';
import * as routes from './sendOnDemand';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const HERE = { rigId: 'r', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };
const OTHER = { ...HERE, driver: 'Noon shift' };
const log = completeRide(SMALL_PLAN);
const scope = { rigId: 'r', titleId: 'causeway', carId: null, driver: 'Late shift', branch: '' };
const key = { layer: 'title', axis: 'brake', field: 'deadzone' } as const;

/** Twenty rides, each after a change of its own; the second is marked. */
const RIDES = 20;
bookInMemory(async (db) => {
  await addRig(db, { id: 'r', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }) });
  for (const one of [OTHER, HERE]) await askedBy(new Browser(), () => changeCombination(one));
  for (let i = 0; i < RIDES; i++)
    await write(db, async (inside) => {
      const from = i === 0 ? null : i;
      const to = i + 1;
      const at = Date.now();
      await addChanges(inside, 'r', [
        { id: `c${i}`, atMs: at, kind: 'set', scope, key, from, to, why: `change ${i}` },
      ]);
      const settings = { 'title/brake/deadzone': to };
      await addRide(inside, { ...HERE, id: `ride${i}`, trackId: 'saltmarsh-loop', seed: i, settings, log });
    });
  await write(db, async (inside) => {
    await markRide(inside, HERE, 'ride1', 'A');
  });
});

const at = (combination: typeof HERE) => new Browser([[HERE_COOKIE, hereText(combination)]]);
async function get(route: keyof typeof routes, query: string, from = at(HERE)) {
  const answer = await askedBy(from, () => routes[route](new Request(`http://pebble/${route}?${query}`)));
  return { status: answer.status, json: (await answer.json()) as unknown };
}

it('a page brings the newest rides and the marked one; the rest comes piece by piece, each once', async () => {
  const view = (await askedBy(at(HERE), bookView))!;
  expect(view.rideCount).toBe(RIDES);
  expect(view.rides.map(({ id }) => id)).toEqual([
    'ride1',
    ...Array.from({ length: RIDES_SHOWN }, (_, i) => `ride${RIDES - RIDES_SHOWN + i}`),
  ]);
  const { json } = await get('sendEarlierRides', `skip=${RIDES_SHOWN}`);
  const earlier = RIDES - RIDES_SHOWN;
  expect((json as RideLine[]).map(({ id }) => id)).toEqual(
    Array.from({ length: earlier }, (_, i) => `ride${i}`),
  );
  // Before the first there is none, and what changed before a ride is told wherever it lies.
  expect((await get('sendEarlierRides', 'skip=20')).json).toEqual([]);
  expect((json as RideLine[]).map(({ changed }) => changed)).toEqual([
    [],
    ...Array.from({ length: earlier - 1 }, () => ['title/brake/deadzone']),
  ]);
});

it('the trail goes back mark by mark to its beginning', async () => {
  const { trail } = (await askedBy(at(HERE), bookView))!;
  expect([trail.items.length, trail.earlier]).toEqual([24, 2 * RIDES - 24]);
  expect(trail.lastLive).toMatchObject({ id: `c${RIDES - 1}` });
  const { json } = await get('sendTrail', 'skip=24');
  const { items, earlier } = json as TrailView;
  expect([items.length, earlier]).toEqual([2 * RIDES - 24, 0]);
  expect(new Set([...items, ...trail.items].map(({ kind, id }) => `${kind} ${id}`)).size).toBe(2 * RIDES);
});

it('a ride’s lap and settings come by its name, of its own combination alone', async () => {
  const { json } = await get('sendRideTrace', 'id=ride3');
  const { trace } = json as { trace: { stepM: number; brake: number[]; speed: number[] } };
  expect(trace.brake.length).toBe(trace.speed.length);
  // In m/s.
  expect(Math.max(...trace.speed)).toBeGreaterThan(20);
  expect(Math.max(...trace.speed)).toBeLessThan(50);
  expect((await get('sendRideSettings', 'id=ride3')).json).toEqual({ 'title/brake/deadzone': 4 });
  for (const route of ['sendRideTrace', 'sendRideSettings'] as const)
    expect((await get(route, 'id=ride3', at(OTHER))).status).toBe(404);
});

it.each(Object.keys(routes) as (keyof typeof routes)[])(
  '%s answers anything that is asked, with what there is or with a refusal in words',
  async (route) => {
    for (const query of [
      '',
      'id=',
      'id=nowhere',
      'id=%00',
      `id=${'x'.repeat(500)}`,
      'skip=-1',
      'skip=x',
      'skip=1e99',
    ]) {
      const { status, json } = await get(route, query);
      expect([200, 404]).toContain(status);
      if (status === 404) expect(json).toMatchObject({ ok: false, problems: [{ code: 'gone' }] });
    }
  },
);
