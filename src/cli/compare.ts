import {
  compareRides,
  effectShown,
  type Comparison,
  type RidesCompared,
} from '@/core/experiment/compareRides';
import { readRideCsv } from '@/core/formats/rideCsv';
import { startedNote } from '@/core/formats/startedNote';
import { quoted } from '@/core/text/line';
import { measureRide } from '@/core/rides/measureRide';
import type { RideLog } from '@/core/rides/rideLog';
import { comparisonWarning, missingText, restsOn, verdictSentence } from '@/words/verdict';
import { MEASURES } from '@/core/rides/measures';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { InputError, orRefuse, readText } from './files';

/** A file of a comparison: one ride of one side. */
interface RideFile {
  /** A1, A2, B1, …: its side and its place among the files of that side. */
  name: string;
  side: 'A' | 'B';
  file: string;
  text: string;
  log: RideLog;
  startedMs: number | null;
}

/** What rides must have in common; a note that a file lacks is not held against it. */
const SAME = ['track', 'car', 'driver', 'rig'] as const;
const PARTLY_DATED = 'Only some of the files say when they were driven: the order counts as unknown.';

/** Rides of A against rides of B as Verdict compares them. */
export const compare: Command = {
  name: 'compare',
  usage: 'compare [--json] [--order A1,B1,…] A.ride.csv… -- B.ride.csv…',
  options: ['order'],
  run(args) {
    if (args.positional.length === 0 || args.rest.length === 0)
      throw new UsageError('compare takes the rides of A, then --, then the rides of B');
    const files = [...filesOf('A', args.positional), ...filesOf('B', args.rest)];
    refuseUnlike(files);
    const { ordered, isPartlyDated } = inOrder(files, args.options.get('order'));
    refuseTwice(files);
    const rides = (ordered ?? files).map(({ side, log }) => ({ side, laps: measureRide(log).laps }));
    const compared = compareRides(rides, { isOrderKnown: ordered !== null });
    const warnings = [
      ...(isPartlyDated ? [PARTLY_DATED] : []),
      ...compared.warnings.map(comparisonWarning),
      ...compared.untold.filter(({ nA, nB }) => nA + nB > 0).map(missingText),
    ];
    const sides = { ridesA: args.positional.length, ridesB: args.rest.length };
    const said = [verdictSentence(compared.measures, sides), ...restsOn(compared)];
    return {
      json: { ...asJson(compared, ordered !== null, warnings), said },
      table: asTable(compared, said, warnings),
    };
  },
};

function filesOf(side: 'A' | 'B', paths: readonly string[]): RideFile[] {
  return paths.map((file, i) => {
    const text = readText(file);
    const log = orRefuse(file, readRideCsv(text));
    return { name: `${side}${i + 1}`, side, file, text, log, startedMs: startedOf(file, log) };
  });
}

const startedOf = (file: string, { notes }: RideLog) => orRefuse(file, startedNote(notes, 'driven'));

/** One ride that is given twice would count as two that agree. */
function refuseTwice(files: readonly RideFile[]): void {
  files.forEach((file, i) => {
    const earlier = files.slice(0, i).find(({ text }) => text === file.text);
    if (earlier)
      throw new InputError(file.file, [
        {
          code: 'same-ride',
          message: `It is the same ride as ${earlier.file}: given as ${earlier.name} and as ${file.name}.`,
          place: {},
          remedy: 'Give each ride once.',
        },
      ]);
  });
}

function refuseUnlike(files: readonly RideFile[]): void {
  for (const note of SAME) {
    const first = files.find(({ log }) => log.notes[note] !== undefined);
    const other = files.find(
      ({ log }) => log.notes[note] !== undefined && log.notes[note] !== first!.log.notes[note],
    );
    if (first && other)
      throw new InputError(other.file, [
        {
          code: 'unlike-rides',
          message: `Its ${note} is ${quoted(other.log.notes[note]!)}, that of ${first.file} is ${quoted(first.log.notes[note]!)}.`,
          place: { column: note },
          remedy: `Only rides of one ${note} can be compared.`,
        },
      ]);
  }
}

/** By the notes where every file has one, else as it is said; `null` where nobody knows. */
function inOrder(
  files: readonly RideFile[],
  said: string | undefined,
): { ordered: RideFile[] | null; isPartlyDated: boolean } {
  const asSaid = said === undefined ? null : orderSaid(files, said);
  const dated = files.filter((file): file is RideFile & { startedMs: number } => file.startedMs !== null);
  const byNotes = dated.length === files.length ? dated.toSorted((a, b) => a.startedMs - b.startedMs) : null;
  const isTied = byNotes?.some((file, i) => i > 0 && file.startedMs === byNotes[i - 1]!.startedMs);
  if (asSaid)
    for (let i = 1; i < asSaid.length; i++)
      for (const earlier of asSaid.slice(0, i))
        if (
          earlier.startedMs !== null &&
          asSaid[i]!.startedMs !== null &&
          earlier.startedMs > asSaid[i]!.startedMs!
        )
          throw new InputError(asSaid[i]!.file, [
            {
              code: 'other-order',
              message: `--order has ${earlier.name} before ${asSaid[i]!.name}, but by their notes ${earlier.file} was started at ${earlier.log.notes['started']} and this one at ${asSaid[i]!.log.notes['started']}.`,
              place: { column: 'started' },
              remedy: 'Leave --order out, or mend the notes.',
            },
          ]);
  const ordered = asSaid ?? (isTied ? null : byNotes);
  return { ordered, isPartlyDated: ordered === null && dated.length > 0 && dated.length < files.length };
}

function orderSaid(files: readonly RideFile[], said: string): RideFile[] {
  const names = said.split(',').map((name) => name.trim().toUpperCase());
  const all = files.map(({ name }) => name);
  const wrong = names.find((name) => !all.includes(name));
  const twice = names.find((name, i) => names.indexOf(name) !== i);
  if (wrong !== undefined || twice !== undefined || names.length !== files.length)
    throw new UsageError(
      `--order takes every file once: ${all.join(',')} in the order in which they were driven, not "${said}"`,
    );
  return names.map((name) => files.find((file) => file.name === name)!);
}

/** What is given of a measure, in this order; a measure that can't tell has nothing in most of them. */
const FIGURES = [
  'meanA',
  'meanB',
  'difference',
  'interval',
  'se',
  'df',
  'p',
  'pHolm',
  'pClaim',
  'rideShare',
  'holdsUpTo',
  'verdict',
  'largestLeft',
  'smallestShown',
  'drift',
  'nA',
  'nB',
] as const satisfies (keyof Comparison)[];

function asJson(
  { measures, untold, pairs, crossCheck }: RidesCompared,
  orderKnown: boolean,
  warnings: string[],
) {
  const entries = MEASURES.map(({ name, unit }) => {
    const found = measures.find((m) => m.name === name);
    const told: Partial<Comparison> | undefined = found && { ...found, ...effectShown(found) };
    const { nA, nB } = told ?? untold.find((m) => m.name === name)!;
    const given = told ?? { verdict: 'not enough', nA, nB };
    const figures = FIGURES.map((key) => [key, (given as Record<string, unknown>)[key] ?? null]);
    return { name, unit, ...(Object.fromEntries(figures) as Record<(typeof FIGURES)[number], unknown>) };
  });
  return { orderKnown, pairs, measures: entries, crossCheck, warnings };
}

function asTable({ measures, untold }: RidesCompared, said: string[], warnings: string[]): string[][] {
  return [
    ['measure', 'A', 'B', 'difference', '95 % interval', 'p, adjusted', 'at most', 'verdict'],
    ...measures.map((c) => {
      const { difference, interval, largestLeft } = effectShown(c);
      return [
        c.name,
        shown(c.meanA),
        shown(c.meanB),
        shown(difference),
        interval.map(shown).join(' … '),
        shown(c.pClaim),
        shown(largestLeft),
        c.verdict,
      ];
    }),
    ...untold.map(({ name }) => [name, '', '', '', '', '', '', 'not enough']),
    ...said.map((text) => ['said', text]),
    ...warnings.map((text) => ['warning', text]),
  ];
}
