import type { PairPlan } from '@/core/experiment/questions/pairs';
import type { Said } from '@/core/experiment/trial';
import type { RideLog } from '@/core/rides/rideLog';
import { newestExperiments, openExperiment } from '@/data/experiments';
import { addRide } from '@/data/rides';
import { expectRoundTrip } from '@/data/testing/roundTrip';
import { contextIn } from '../read/requestContext';
import { bookView } from '../read/readBook';
import { readAlong } from '../read/readAlong';
import { readSidesForce } from '../read/readSidesForce';
import { askableSettings } from '../judge/askable';
import { noteTitleVersion } from './readiness';
import { keyOfText } from '@/core/settings/setting';
import { verdictView } from '../read/readExperiments';
import { askingBook, codeOf, HERE, isDone } from '../testing/askingBook';
import {
  askQuestion,
  bookTrial,
  decide,
  endEarly,
  lookNow,
  rate,
  rideOn,
  sayAnswer,
  takeLogs,
} from './experiments';
import { applyChange } from './settings';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const DEADZONE = 'title/brake/deadzone';

const { book, asked, shown } = askingBook();

const pairPlan = (more: Partial<PairPlan> = {}): PairPlan => ({
  question: 'change',
  way: 'title',
  a: { [DEADZONE]: 0 },
  b: { [DEADZONE]: 4 },
  pairs: 2,
  lapsPerRide: 2,
  named: 'lapTimeS',
  dimension: null,
  ...more,
});

/** Two laps that take so long. */
function laps(lapS: number): RideLog {
  const t_s = Float64Array.from({ length: Math.round(20 * lapS) }, (_, i) => i / 10);
  const since = (t: number) => t % lapS;
  return {
    columns: {
      t_s,
      distance_m: t_s.map((t) => (1000 * since(t)) / lapS),
      lap: t_s.map((t) => Math.floor(t / lapS)),
    },
    notes: {},
  };
}

interface Driven {
  atMs: number;
  file: string;
  settings: Record<string, number>;
  trackId: string;
}
let ridden = 0;
async function drive(
  lapS: number,
  { atMs, file, settings = {}, trackId = 'saltmarsh-loop' }: Partial<Driven> = {},
): Promise<string> {
  const id = `ride-${++ridden}`;
  const log = laps(lapS);
  if (file) log.notes = { file, source: 'imported', track: 'the lane' };
  await addRide(book.db, { id, ...HERE, trackId, seed: 1, settings, log, atMs });
  return id;
}

it('pairs are ridden in the order that was drawn; the last ride ends it, and what is kept lies on the trail', async () => {
  const { id, plan } = await asked(pairPlan());
  const sides = plan.orders!.join('');
  for (const [place, side] of [...sides].entries()) {
    expect((await shown(id)).step).toMatchObject({ kind: 'ride', place, of: 4, side });
    const rideId = await drive(side === 'A' ? 60 + 0.1 * (place % 2) : 58 + 0.1 * (place % 2));
    await isDone(bookTrial({ id, place, outcome: 'ridden', rideId }));
  }
  const view = await shown(id);
  expect(view).toMatchObject({ state: 'over', ridden: 4, step: { kind: 'over' } });
  expect(view.answer).toMatchObject({
    kind: 'change',
    isEarly: false,
    sides: { ridesA: 2, ridesB: 2 },
    leftOut: [],
  });
  const { measures } = (view.answer as Extract<typeof view.answer, { kind: 'change' }>).compared;
  expect(measures[0]).toMatchObject({ name: 'lapTimeS', isNamed: true, verdict: 'differs' });
  const { along, map, places } = (await readAlong((await contextIn(book.db, HERE))!, id))!;
  expect(along).toMatchObject({ pairs: 2, stepM: 10 });
  expect(along!.channels[0]!.difference.at(-1)).toBeCloseTo(-2, 0);
  expect({ map: map!.name, corners: places.length > 3 }).toEqual({ map: 'Saltmarsh Loop', corners: true });
  await isDone(decide(id, 'kept', 'It is quicker.'));
  expect((await bookView())!.settings[DEADZONE]).toBe(4);
  expect((await bookView())!.trail.items.at(-1)).toMatchObject({ kind: 'change', why: 'It is quicker.' });
  await isDone(decide(id, 'put back', 'Or not.'));
  expect((await bookView())!.settings[DEADZONE]).toBe(0);
  await expectRoundTrip(book.book);
});

it('more pairs after the planned end make every claim a look', async () => {
  const { id } = await asked(pairPlan({ pairs: 1 }));
  for (const place of [0, 1]) await isDone(bookTrial({ id, place, outcome: 'ridden' }));
  await isDone(rideOn(id, 2));
  const row = (await openExperiment(book.db, HERE))!;
  expect(row.plan).toMatchObject({ isExtended: true, asked: { pairs: 3 } });
  expect(row.plan.orders).toHaveLength(3);
  expect((await shown(id)).answer).toMatchObject({ isEarly: true });
  expect(codeOf(await rideOn(id, 2))).toBe('no-riding-on');
});

it('what goes wrong is booked and ridden again; what comes out of turn is not counted', async () => {
  const { id } = await asked(pairPlan());
  await isDone(bookTrial({ id, place: 0, outcome: 'crash' }));
  await isDone(bookTrial({ id, place: 0, outcome: 'wrong load' }));
  expect(await shown(id)).toMatchObject({ ridden: 0, lost: 2, step: { place: 0 } });
  const twoWindows = await Promise.all([0, 0, 0].map((place) => bookTrial({ id, place, outcome: 'ridden' })));
  expect(twoWindows.map(codeOf).sort()).toEqual(['done', 'out-of-turn', 'out-of-turn']);
  const said: Said = { kind: 'pair', answer: 'first', sure: null, noticed: false };
  expect(codeOf(await sayAnswer({ id, place: 0, said }))).toBe('out-of-turn');
  expect(codeOf(await bookTrial({ id, place: 3, outcome: 'ridden' }))).toBe('out-of-turn');
  expect(codeOf(await bookTrial({ id, place: 1, outcome: 'ridden', rideId: 'nowhere' }))).toBe('no-ride');
  expect(codeOf(await bookTrial({ id: 'nothing', place: 1, outcome: 'ridden' }))).toBe('no-such-question');
});

it('nothing is counted while something else is set otherwise, and the driver is told what', async () => {
  const { id } = await asked(pairPlan());
  await isDone(applyChange({ axis: 'brake', field: 'saturation', to: 10, why: 'tried' }));
  expect((await shown(id)).elsewhere).toEqual(['title/brake/saturation']);
  expect(codeOf(await bookTrial({ id, place: 0, outcome: 'ridden' }))).toBe('changed-meanwhile');
  await isDone(applyChange({ axis: 'brake', field: 'saturation', to: 0, why: 'back' }));
  // Set to its neutral is another value than never set: what was there before has to be back.
  const { elsewhere } = await shown(id);
  expect(elsewhere).toEqual(['title/brake/saturation']);
  await isDone(applyChange({ axis: 'brake', field: 'saturation', to: null, why: 'taken away' }));
  await isDone(bookTrial({ id, place: 0, outcome: 'ridden' }));
});

it('one question at a time, of values that the menus take', async () => {
  await asked(pairPlan());
  expect(codeOf(await askQuestion(pairPlan()))).toBe('question-open');
  await endEarly((await openExperiment(book.db, HERE))!.id);
  expect(codeOf(await askQuestion(pairPlan({ b: { [DEADZONE]: 400 } })))).toBe('out-of-range');
  expect(codeOf(await askQuestion(pairPlan({ b: { [DEADZONE]: 0 } })))).not.toBe('done');
  expect(
    codeOf(await askQuestion(pairPlan({ a: { 'title/brake/nothing': 0 }, b: { 'title/brake/nothing': 1 } }))),
  ).toBe('unknown-field');
  expect(codeOf(await askQuestion(pairPlan({ question: 'discriminate', way: 'title' })))).not.toBe('done');
});

it('logs find their ride by when they were driven, in another order of taking in as well', async () => {
  const { id, atMs } = await asked(pairPlan({ pairs: 1 }));
  for (const place of [0, 1]) await isDone(bookTrial({ id, place, outcome: 'ridden' }));
  expect(codeOf(await takeLogs(id))).toBe('no-logs');
  const [first, second] = (await newestExperiments(book.db, HERE, 1))[0]!.trials;
  const later = await drive(59, { atMs: second!.atMs - 1, file: 'second.csv' });
  const earlier = await drive(60, { atMs: first!.atMs - 1, file: 'first.csv' });
  await drive(60, { atMs: atMs - 1000, file: 'before.csv' });
  await isDone(takeLogs(id));
  const row = (await newestExperiments(book.db, HERE, 1))[0]!;
  expect(row.trials.map(({ rideId }) => rideId)).toEqual([earlier, later]);
  expect((await shown(id)).answer).toMatchObject({ leftOut: [] });
});

it('a simulated ride counts once, and only with what was to be loaded and nothing else', async () => {
  const { id, plan } = await asked(pairPlan({ way: 'simulated' }));
  const { values } = (await shown(id)).step as { values: Record<string, number> };
  const settings = { ...(plan.basis as Record<string, number>), ...values };
  const book = async (driven: Record<string, number>, place = 0) =>
    codeOf(await bookTrial({ id, place, outcome: 'ridden', rideId: await drive(60, { settings: driven }) }));
  expect(await book({ ...settings, [DEADZONE]: 9 })).toBe('other-ride');
  expect(await book({ ...settings, 'title/brake/saturation': 3 })).toBe('other-ride');
  expect(await shown(id)).toMatchObject({ ridden: 0 });
  const rideId = await drive(60, { settings });
  await isDone(bookTrial({ id, place: 0, outcome: 'ridden', rideId }));
  expect(codeOf(await bookTrial({ id, place: 1, outcome: 'ridden', rideId }))).toBe('other-ride');
});

it('a comparison under way tells nothing until somebody looks, and then claims at a stricter level to its end', async () => {
  const { id, plan } = await asked(pairPlan({ pairs: 3 }));
  const sides = plan.orders!.join('');
  const ride = async (place: number, trackId = 'saltmarsh-loop') => {
    const rideId = await drive(sides[place] === 'A' ? 60 + 0.1 * place : 58 + 0.1 * place, { trackId });
    await isDone(bookTrial({ id, place, outcome: 'ridden', rideId }));
  };
  const along = async () => (await readAlong((await contextIn(book.db, HERE))!, id))!.along;
  for (const place of [0, 1, 2]) await ride(place);
  expect(await shown(id)).toMatchObject({ ridden: 3, answer: null, rated: [] });
  expect(await along()).toBeNull();
  await isDone(lookNow(id));
  // The first ride of a pair waits for its second.
  expect(await shown(id)).toMatchObject({ answer: { isEarly: true, sides: { ridesA: 1, ridesB: 1 } } });
  await ride(3, 'quarry-pan');
  expect(await shown(id)).toMatchObject({ answer: { leftOut: [{ ride: 4, why: 'other road' }] } });
  expect((await along())!.pairs).toBe(1);
  await ride(4);
  await ride(5);
  expect(await shown(id)).toMatchObject({ state: 'over', answer: { isEarly: true } });
  const search = { key: DEADZONE, min: 0, max: 60, step: 1 };
  const best = await asked({ question: 'best', way: 'title', settings: [search], seed: 5, lapsPerRide: 1 });
  expect(codeOf(await lookNow(best.id))).toBe('nothing-to-look-at');
});

it('a pair in the middle of which the firmware changed is not counted, and it is said where that was', async () => {
  const { id, plan } = await asked(pairPlan({ pairs: 3 }));
  const sides = plan.orders!.join('');
  for (const place of [0, 1, 2, 3, 4, 5]) {
    // Taken up next day on another version: once within a pair, once between two.
    if (place === 3 || place === 4) await isDone(noteTitleVersion(`1.${place}`));
    const rideId = await drive((sides[place] === 'A' ? 60 : 58) + 0.1 * place);
    await isDone(bookTrial({ id, place, outcome: 'ridden', rideId }));
  }
  expect(await shown(id)).toMatchObject({
    softwareChanged: [4, 5],
    answer: {
      sides: { ridesA: 2, ridesB: 2 },
      leftOut: [
        { ride: 3, why: 'other software' },
        { ride: 4, why: 'other software' },
      ],
    },
  });
  expect((await readAlong((await contextIn(book.db, HERE))!, id))!.along!.pairs).toBe(2);
});

it('the force of both sides is computed of their own logs once it may be told, and not where it was not asked about', async () => {
  const view = (await bookView())!;
  const force = async (id: string) =>
    (await readSidesForce((await contextIn(book.db, HERE))!, (await bookView())!, id))!.force;
  const { key, field } = askableSettings(view).find((one) => keyOfText(one.key).field === 'strength')!;
  const share = (of: number) =>
    field.min + Math.round((of * (field.max - field.min)) / field.step) * field.step;
  const [a, b] = [share(0.4), share(1)];
  const { id, plan } = await asked(pairPlan({ a: { [key]: a }, b: { [key]: b }, pairs: 1 }));
  for (const [place, side] of [...plan.orders!.join('')].entries()) {
    const log = laps(60);
    const { t_s } = log.columns;
    Object.assign(log.columns, {
      speed_mps: t_s.map(() => 30),
      steer_deg: t_s.map(() => 0),
      ay_mps2: t_s.map((t) => (t % 10 < 5 ? 0 : 9)),
      ffb: t_s.map((t) => (t % 10 < 5 ? 0 : side === 'A' ? 0.5 : 0.4)),
    });
    expect(await force(id)).toBeNull();
    const ride = `forced-${place}`;
    await addRide(book.db, { id: ride, ...HERE, trackId: 'saltmarsh-loop', seed: 1, settings: {}, log });
    await isDone(bookTrial({ id, place, outcome: 'ridden', rideId: ride }));
  }
  const told = (await force(id))!;
  expect(told).toMatchObject({ rides: 2, a: { clipShare: 0, sustainedShare: 0 } });
  expect(told.rateHz).toBeCloseTo(10, 6);
  // All laps go through both settings: torque differs as the strength does, whatever the laps were.
  expect(told).toMatchObject({ isSameLaps: true });
  expect(told.b.cornerNm! / told.a.cornerNm!).toBeCloseTo(b / a, 6);
  const pedal = await asked(pairPlan());
  await isDone(endEarly(pedal.id));
  expect(await force(pedal.id)).toBeNull();
});

it('a search goes where it is led and ends in a value that can be kept', async () => {
  const setting = { key: DEADZONE, min: 0, max: 60, step: 1 };
  const { id } = await asked({
    question: 'best',
    way: 'title',
    settings: [setting],
    seed: 5,
    lapsPerRide: 1,
  });
  let last: number | null = null;
  for (let ride = 0; ride < 24; ride++) {
    const { step, state } = await shown(id);
    if (state !== 'open') break;
    const value = (step as { values: Record<string, number> }).values[DEADZONE]!;
    await isDone(bookTrial({ id, place: ride, outcome: 'ridden' }));
    expect((await shown(id)).step).toEqual({ kind: 'answer', ask: 'feel', place: ride, isFirst: ride === 0 });
    const better = last === null ? null : Math.abs(value - 30) < Math.abs(last - 30) ? 'this' : 'before';
    const said: Said = { kind: 'feel', better, wants: { [DEADZONE]: value < 30 ? 'more' : 'less' } };
    await isDone(sayAnswer({ id, place: ride, said }));
    last = value;
  }
  const view = await shown(id);
  expect(view).toMatchObject({ state: 'over', answer: { kind: 'best', found: { state: 'found' } } });
  await isDone(decide(id, 'kept', 'It feels best.'));
  expect(Math.abs(((await bookView())!.settings[DEADZONE] as number) - 30)).toBeLessThan(7);
  await isDone(applyChange({ axis: 'brake', field: 'deadzone', to: null, why: 'away' }));
});

it('what a setting does: least, most and back, each rated; Verdict lists what was asked', async () => {
  const setting = { key: DEADZONE, min: 0, max: 60, step: 1 };
  const { id } = await asked({ question: 'explore', way: 'simulated', setting, back: 7, lapsPerRide: 1 });
  const values: number[] = [];
  for (const place of [0, 1, 2]) {
    const { values: settings } = (await shown(id)).step as { values: Record<string, number> };
    values.push(settings[DEADZONE]!);
    const rideId = await drive(60 - place, { settings });
    await isDone(bookTrial({ id, place, outcome: 'ridden', rideId }));
  }
  expect(values).toEqual([0, 60, 7]);
  await isDone(rate({ id, place: 1, ratings: { weight: 6 } }));
  expect(codeOf(await rate({ id, place: 9, ratings: { weight: 6 } }))).toBe('not-ridden');
  expect((await newestExperiments(book.db, HERE, 1))[0]!.ratings).toEqual([{ place: 1, of: { weight: 6 } }]);
  const { past, open, spread } = await verdictView((await contextIn(book.db, HERE))!, (await bookView())!);
  expect(open).toBeNull();
  expect(past[0]).toMatchObject({ id, question: 'explore', settings: ['Brake ebb'] });
  expect(spread.rides).toBeGreaterThan(0);
  await expectRoundTrip(book.book);
});
