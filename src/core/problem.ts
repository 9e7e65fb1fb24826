/**
 * What is wrong with an input, where, and what would be valid. Core functions that read outside data
 * return an {@link Outcome}; they throw only for programming errors.
 */
interface Place {
  /** Line of the file, the first being 1, notes and header counted. */
  row?: number;
  column?: string;
  channel?: string;
  phase?: string;
  timeS?: number;
}

export interface Problem {
  /** Stable, kebab-case name of the kind of fault. */
  code: string;
  /** What is wrong, in one sentence. */
  message: string;
  place: Place;
  /** What would be valid, or what to do. */
  remedy: string;
}

export type Outcome<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

export function succeed<T>(value: T): Outcome<T> {
  return { ok: true, value };
}

export function fail<T = never>(...problems: Problem[]): Outcome<T> {
  return { ok: false, problems };
}

const PLACE_WORDS: [keyof Place, (value: string | number) => string][] = [
  ['row', (v) => `row ${v}`],
  ['column', (v) => `column "${v}"`],
  ['channel', (v) => `axis "${v}"`],
  ['phase', (v) => `phase "${v}"`],
  ['timeS', (v) => `at ${v} s`],
];

/** What something thrown says of itself, to stand inside a sentence. */
export function reasonOf(thrown: unknown): string {
  return thrown instanceof Error ? thrown.message : String(thrown);
}

/** The problem as one line for a terminal or a dialogue: place, what is wrong, what would be valid. */
export function describeProblem(problem: Problem): string {
  const place = PLACE_WORDS.flatMap(([key, word]) => {
    const value = problem.place[key];
    return value === undefined ? [] : [word(value)];
  }).join(', ');
  return `${place ? `${place}: ` : ''}${problem.message} ${problem.remedy}`;
}
