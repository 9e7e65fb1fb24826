import { simulatedRigById } from '@/catalog/find';
import { bettingScore } from '@/core/experiment/bettingScore';
import { nextStep } from '@/core/experiment/questions';
import { searchedRides, type BestPlan } from '@/core/experiment/questions/best';
import { blindPairs } from '@/core/experiment/questions/blind';
import { findBest } from '@/core/experiment/finder/findBest';
import { measureRide } from '@/core/rides/measureRide';
import { changedBetween } from '@/core/settings/setting';
import { effectiveSettings, valuesOf } from '@/core/settings/trail';
import { bookDocument } from './backup';
import { listChanges } from './changes';
import { chooseCombination } from './combination';
import { addEveningChanges, EVENING, eveningProgress, fillEvening } from './demoEvening';
import { addDemoQuestions } from './demoQuestions';
import { newestExperiments } from './experiments';
import { judgeBook } from './judgeBook';
import type { Book } from './openBook';
import { loadRide, newestRides } from './rides';
import { addRig } from './rigs';
import { bookForTests, bookFrom } from './testing/bookForTests';
import { itLong } from '@/core/testing/longRun';

let book: Book;
beforeAll(async () => {
  book = await bookForTests();
  const { id, name, spec } = simulatedRigById('gannet');
  await addRig(book.db, { id, name, spec });
  await chooseCombination(book.db, EVENING);
});
afterAll(() => book.close());

it('a book of somebody’s own is given no evening', async () => {
  await fillEvening(book.db);
  expect(await newestRides(book.db, EVENING, 50)).toEqual([]);
});

itLong(
  'fourteen changes, two dozen rides, two of them confounded; cut off in the middle it goes on where it was',
  async () => {
    await addEveningChanges(book.db, Date.now());
    await addDemoQuestions(book.db, Date.now());
    let rides = 0;
    const cutOff = fillEvening(book.db, () => {
      expect(eveningProgress()?.of ?? 24).toBe(24);
      if (++rides === 3) throw new Error('killed');
    });
    await expect(cutOff).rejects.toThrow('killed');
    await fillEvening(book.db);
    expect(eveningProgress()).toBeNull();
    const rows = await newestRides(book.db, EVENING, 50);
    const events = await listChanges(book.db, EVENING.rigId);
    expect([rows.length, events.length]).toEqual([24, 14]);
    const confounded = rows.filter(
      (row, i) => i > 0 && changedBetween(rows[i - 1]!.settings, row.settings).length > 1,
    );
    expect(confounded.map(({ id }) => id)).toEqual(['demo-evening-ride-2', 'demo-evening-ride-4']);
    // What a ride says was set is what the trail says, but for rides of a question.
    for (const row of rows.slice(0, 8)) {
      const then = valuesOf(
        effectiveSettings(
          events.filter(({ atMs }) => atMs <= row.atMs),
          EVENING,
        ),
      );
      expect([row.id, row.settings]).toEqual([row.id, then]);
    }
    const log = (await loadRide(book.db, rows[0]!.id))!;
    expect(measureRide(log).laps.filter(({ counted }) => counted)).toHaveLength(3);
    expect(log.columns.torque_nm).toBeDefined();
    expect(judgeBook(await bookDocument(book.db, Date.now()), Date.now())).toEqual([]);
  },
);

it('what was asked came out as scenario and core have it: shown, not shown, an interval, no preference', async () => {
  const whole = await bookFrom('demo');
  const asked = await newestExperiments(whole.db, EVENING, 20);
  await whole.close();
  expect(asked.map(({ state }) => state)).toEqual(Array(6).fill('over'));
  const of = (id: string) => asked.find((one) => one.id === id)!;
  const courseOf = (id: string) => {
    const { plan, trials, answers } = of(id);
    return { plan: plan.asked, orders: plan.orders ?? [], trials, answers };
  };
  const scored = (id: string) => bettingScore('which', blindPairs(courseOf(id))).verdict;
  expect([scored('demo-tell-strength'), scored('demo-tell-damper')]).toEqual(['shown', 'not shown']);
  const searched = (id: string) => {
    const course = courseOf(id);
    const plan = course.plan as BestPlan;
    return findBest(plan.settings, searchedRides(course), plan.seed);
  };
  const damper = searched('demo-best-damper');
  expect(damper.state).toBe('found');
  expect(damper.best['base/steering/damper']!.low).toBeLessThanOrEqual(34);
  expect(damper.best['base/steering/damper']!.high).toBeGreaterThanOrEqual(34);
  expect(searched('demo-best-friction').state).toBe('no preference');
  for (const { id } of asked)
    expect([id, nextStep(courseOf(id).plan, courseOf(id)).kind]).toEqual([id, 'over']);
});
