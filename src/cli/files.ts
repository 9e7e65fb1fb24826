import { readFileSync, statSync } from 'node:fs';
import { describeProblem, type Outcome, type Problem } from '@/core/problem';

/** The input is at fault: exit code 1. */
export class InputError extends Error {
  constructor(
    readonly file: string,
    readonly problems: Problem[],
  ) {
    super(problems.map((problem) => `${file}: ${describeProblem(problem)}`).join('\n'));
  }
}

const LARGEST_BYTES = 512 * 1024 * 1024;

export function readText(file: string): string {
  const refuse = (code: string, message: string, remedy: string) =>
    new InputError(file, [{ code, message, place: {}, remedy }]);
  let size: number;
  try {
    const stat = statSync(file);
    if (!stat.isFile()) throw refuse('not-a-file', 'This is not a file.', 'Name a file.');
    size = stat.size;
  } catch (error) {
    if (error instanceof InputError) throw error;
    throw refuse('unreadable', 'The file cannot be read.', 'Check its name and that you may read it.');
  }
  if (size > LARGEST_BYTES)
    throw refuse('too-large', `The file has ${size} bytes.`, `At most ${LARGEST_BYTES} are read.`);
  return readFileSync(file, 'utf8');
}

/** The value of an outcome, or an {@link InputError} that names the file. */
export function orRefuse<T>(file: string, outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new InputError(file, outcome.problems);
}
