import { carFromOwn } from '@/catalog/ownCar';
import { roadFromOwn } from '@/catalog/ownRoad';
import { menusFor } from '@/catalog/menusFor';
import { Titles } from '@/catalog/ownTitle';
import { SIMULATED_RIGS } from '@/catalog/simulatedRigs';
import { AXIS_NAMES } from '@/core/axes/axes';
import { captureFile, rideFile, type BookDocument } from '@/core/formats/bookJson';
import { factKind } from '@/core/formats/factKinds';
import { readTitleDocument } from '@/core/formats/titleJson';
import { trackFaults } from '@/core/formats/trackJson';
import type { Problem } from '@/core/problem';
import { plainRig, type RigSpec } from '@/core/rig/rigSpec';
import { wrongTogether, wrongValue, type Menus } from '@/core/settings/menus';
import { combinationSchema, combinationText, type Combination } from '@/core/settings/scope';
import { keyText, LAYERS } from '@/core/settings/setting';
import { effectiveSettings, fieldValues, valuesOf } from '@/core/settings/trail';
import { quoted } from '@/core/text/line';
import { eventOf } from './changes';

const DAY_MS = 24 * 3600 * 1000;
/** More would tell nobody more. */
const MOST_PROBLEMS = 5;

type Say = (code: string, message: string, where: string, remedy?: string) => void;

/**
 * Whether a book can be what it says: every reference leads somewhere, nothing stands twice, every value is one that its
 * menu takes, nothing lies in the future. Its shape was checked before ({@link BookDocument}).
 * @returns what is wrong, the first few; empty for a book that may be put in place of another
 */
export function judgeBook(book: BookDocument, nowMs: number): Problem[] {
  const problems: Problem[] = [];
  const say: Say = (code, message, where, remedy = 'Choose an unchanged backup.') => {
    if (problems.length < MOST_PROBLEMS) problems.push({ code, message, place: { column: where }, remedy });
  };
  for (const judge of [
    judgeTimes,
    judgeNames,
    judgePlaces,
    judgeExperiments,
    judgeTrail,
    judgeCombinations,
  ]) {
    judge(book, say, nowMs);
    if (problems.length > 0) return problems;
  }
  return problems;
}

/** Times are those of the past; a day of grace for clocks and time zones. */
function judgeTimes(book: BookDocument, say: Say, nowMs: number): void {
  const latest = nowMs + DAY_MS;
  const look = (atMs: number, where: string) => {
    if (atMs > latest)
      say(
        'beyond-tomorrow',
        `${new Date(atMs).toISOString().slice(0, 10)} lies in the future.`,
        where,
        'If this computer’s clock is wrong, set it; else the one that wrote this was, or the file was changed.',
      );
  };
  look(book.madeAtMs, 'madeAtMs');
  book.rigs.forEach((row, i) => look(row.createdAtMs, `rigs[${i}].createdAtMs`));
  book.captures.forEach((row, i) => look(row.madeAtMs, `captures[${i}].madeAtMs`));
  book.combinations.forEach((row, i) => {
    look(row.openedAtMs, `combinations[${i}].openedAtMs`);
    if (row.typedIn) look(row.typedIn.atMs, `combinations[${i}].typedIn.atMs`);
  });
  for (const table of [
    'ticks',
    'proofs',
    'changes',
    'ownDialects',
    'rides',
    'experiments',
    'trials',
    'answers',
  ] as const)
    book[table].forEach((row, i) => look(row.atMs, `${table}[${i}].atMs`));
}

/** What is told apart by a name has one of its own, and a recording lies in the file that is named after it. */
function judgeNames(book: BookDocument, say: Say): void {
  const once = (where: string, names: string[]) => {
    const seen = new Set<string>();
    names.forEach((name, i) => {
      if (seen.has(name)) say('twice', `${quoted(name)} stands twice.`, `${where}[${i}]`);
      seen.add(name);
    });
  };
  for (const table of [
    'rigs',
    'captures',
    'rides',
    'changes',
    'proofs',
    'ownDialects',
    'experiments',
    'trials',
  ] as const)
    once(
      table,
      book[table].map((row) => row.id),
    );
  once(
    'facts',
    book.facts.map(({ key }) => key),
  );
  once('combinations', book.combinations.map(combinationText));
  once(
    'ticks',
    book.ticks.map(({ rigId, titleId, itemId }) => `${rigId}/${titleId}/${itemId}`),
  );
  once(
    'rides',
    book.rides.flatMap((ride) => (ride.mark ? [`${ride.mark} of ${combinationText(ride)}`] : [])),
  );
  book.captures.forEach(({ id, file, rows, head }, i) => {
    if (file !== captureFile(id))
      say('other-file', `The capture ${id} lies in ${quoted(file)}.`, `captures[${i}].file`);
    const covered = head.runs.at(-1)?.to ?? 0;
    if (covered !== rows)
      say('runs-do-not-cover', `The phases cover ${covered} of ${rows} samples.`, `captures[${i}].head.runs`);
  });
  book.rides.forEach(({ id, file }, i) => {
    if (file !== rideFile(id))
      say('other-file', `The ride ${id} lies in ${quoted(file)}.`, `rides[${i}].file`);
  });
}

/** Rigs, titles, cars and roads that are spoken of are there. */
function judgePlaces(book: BookDocument, say: Say): void {
  const rigs = new Set(book.rigs.map(({ id }) => id));
  const titles = titlesOf(book);
  book.ownDialects.forEach(({ kind, document }, i) => {
    const where = `ownDialects[${i}]`;
    if (kind === 'track') for (const { message } of trackFaults(document)) say('bad-road', message, where);
    if (kind !== 'title') return;
    const read = readTitleDocument(document);
    if (!read.ok) say('bad-title', read.problems[0]!.message, where);
  });
  book.rigs.forEach(({ spec }, i) => {
    const { device } = spec;
    if (device.kind === 'simulated' && !SIMULATED_RIGS.some(({ id }) => id === device.rig))
      say('no-such-rig', `There is no simulated rig ${quoted(device.rig)}.`, `rigs[${i}].spec.device.rig`);
  });
  const look = (
    { rigId, titleId, carId }: { rigId: string; titleId?: string | null; carId?: string | null },
    where: string,
  ) => {
    if (!rigs.has(rigId))
      say('no-such-rig', `There is no rig ${quoted(rigId)} in the backup.`, `${where}.rigId`);
    if (titleId === undefined || titleId === null) return;
    const title = titles.all.find(({ id }) => id === titleId);
    if (!title) say('no-such-title', `There is no title ${quoted(titleId)}.`, `${where}.titleId`);
    else if (carId !== undefined && carId !== null && !title.carIds.includes(carId))
      say('no-such-car', `${title.name} has no car ${quoted(carId)}.`, `${where}.carId`);
  };
  for (const table of [
    'captures',
    'combinations',
    'ticks',
    'proofs',
    'changes',
    'rides',
    'experiments',
  ] as const)
    book[table].forEach((row, i) => look(row, `${table}[${i}]`));
  for (const table of ['rides', 'experiments'] as const)
    book[table].forEach(({ titleId, trackId }, i) => {
      const title = titles.all.find(({ id }) => id === titleId);
      if (title && !title.trackIds.includes(trackId))
        say('no-such-road', `${title.name} has no road ${quoted(trackId)}.`, `${table}[${i}].trackId`);
    });
  book.facts.forEach(({ key, value }, i) => {
    const kind = factKind(key);
    if (kind === 'combination' || kind === 'combination/')
      look(combinationSchema.parse(value), `facts[${i}].value`);
  });
}

/** Rides, answers and ratings belong to a question that was asked, each place is answered once, and logs are there. */
function judgeExperiments(book: BookDocument, say: Say): void {
  const asked = new Set(book.experiments.map(({ id }) => id));
  const rides = new Set(book.rides.map(({ id }) => id));
  for (const table of ['trials', 'answers', 'ratings'] as const) {
    const seen = new Set<string>();
    book[table].forEach((row, i) => {
      const { experimentId, place } = row;
      if (!asked.has(experimentId))
        say(
          'no-such-question',
          `There is no question ${quoted(experimentId)}.`,
          `${table}[${i}].experimentId`,
        );
      const counts = !('outcome' in row) || row.outcome === 'ridden';
      const name = `${experimentId}/${place}${'dimension' in row ? `/${row.dimension}` : ''}`;
      if (counts && seen.has(name)) say('twice', `Place ${place} stands twice.`, `${table}[${i}].place`);
      if (counts) seen.add(name);
    });
  }
  book.trials.forEach(({ rideId }, i) => {
    if (rideId !== null && !rides.has(rideId))
      say('no-such-ride', `There is no ride ${quoted(rideId)}.`, `trials[${i}].rideId`);
  });
}

const titlesOf = ({ ownDialects }: BookDocument) =>
  new Titles(
    ownDialects.flatMap((one) => (one.kind === 'title' ? [{ id: one.id, ...one.document }] : [])),
    ownDialects.flatMap((one) => (one.kind === 'car' ? [carFromOwn({ id: one.id, ...one.document })] : [])),
    ownDialects.flatMap((one) =>
      one.kind === 'track' ? [roadFromOwn({ id: one.id, ...one.document })] : [],
    ),
  );

/** A rig with every axis: what a title's menus are, whatever the rig at hand has. */
const EVERY_AXIS: RigSpec = {
  ...plainRig({ kind: 'real', axes: {} }),
  pedals: { throttle: 'unknown', brake: 'unknown', clutch: 'unknown' },
  shifter: { kind: 'sequential', gears: 6 },
  handbrake: 'analogue',
  paddles: true,
};

/**
 * Every change set something that its title's menu takes, and what is put back was set before and was not put back yet. A
 * base can be described anew, so that what was set on an earlier one need not fit any more.
 */
function judgeTrail(book: BookDocument, say: Say): void {
  const titles = titlesOf(book);
  const menus = new Map<string, Menus>();
  const menusOf = (titleId: string, carId: string | null): Menus => {
    const title = titles.byId(titleId);
    const car = titles.car(carId ?? title.carIds[0]!);
    const key = `${titleId}/${car.id}`;
    const known = menus.get(key) ?? menusFor(EVERY_AXIS, title, car);
    menus.set(key, known);
    return known;
  };
  const standing = new Map<string, string>();
  book.changes.forEach((change, i) => {
    const where = `changes[${i}]`;
    const event = eventOf(change);
    if (event.kind === 'put-back') {
      if (standing.get(event.undoes) !== change.rigId)
        say(
          'nothing-to-put-back',
          `It puts back ${quoted(event.undoes)}, which does not stand.`,
          `${where}.undoes`,
        );
      standing.delete(event.undoes);
      return;
    }
    standing.set(event.id, change.rigId);
    const { titleId, carId } = event.scope;
    const { layer } = event.key;
    if (layer === 'base') return;
    if (titleId === null || (layer === 'car' && carId === null))
      return say('no-place', `A change on the ${layer} does not say where it holds.`, where);
    const menu = menusOf(titleId, carId)[layer][event.key.axis];
    const wrong = event.to === null || !menu ? null : wrongValue(menu, event.key, event.to);
    if (!menu) say('no-menu', `Nothing can be set there: ${keyText(event.key)}.`, where);
    else if (wrong) say(wrong.code, wrong.message, `${where}.toValue`);
  });
}

/** What holds in each combination leaves an axis travel. */
function judgeCombinations(book: BookDocument, say: Say): void {
  const titles = titlesOf(book);
  const events = new Map(book.rigs.map(({ id }) => [id, [] as ReturnType<typeof eventOf>[]]));
  for (const change of book.changes) events.get(change.rigId)!.push(eventOf(change));
  const specs = new Map(book.rigs.map(({ id, spec }) => [id, spec]));
  book.combinations.forEach((combination, i) => {
    const menus = menusFor(
      specs.get(combination.rigId)!,
      titles.byId(combination.titleId),
      titles.car(combination.carId),
    );
    const wrong = wrongInCombination(menus, events.get(combination.rigId) ?? [], combination);
    if (wrong) say(wrong.code, wrong.message, `combinations[${i}]`);
  });
}

/** What is set in a combination that its menus do not take; nothing where all is well. */
export function wrongInCombination(
  menus: Menus,
  events: Parameters<typeof effectiveSettings>[0],
  combination: Combination,
): Problem | null {
  const values = valuesOf(effectiveSettings(events, combination));
  for (const layer of LAYERS)
    for (const axis of AXIS_NAMES) {
      const menu = menus[layer][axis];
      const wrong = menu && wrongTogether(menu, fieldValues(values, layer, axis));
      if (wrong) return wrong;
    }
  return null;
}
