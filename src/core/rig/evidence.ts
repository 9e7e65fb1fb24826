/** Where a figure comes from: this rig's own readings, what somebody wrote of it, or what is usual where nobody did. */
export type Evidence = 'measured' | 'described' | 'assumed';

/** One thing that a prediction rests on. */
export interface Input {
  /** What it is, in words: "friction 0.20 N·m". */
  says: string;
  evidence: Evidence;
}

/** What a figure rests on: as good as the weakest of its inputs. */
export interface Basis {
  evidence: Evidence;
  inputs: readonly Input[];
}

const ORDER: readonly Evidence[] = ['measured', 'described', 'assumed'];

/** @param inputs at least one: a figure that rests on nothing is none; what is said twice stands once */
export function basisOn(...inputs: Input[]): Basis {
  if (inputs.length === 0) throw new RangeError('a figure rests on something');
  const weakest = Math.max(...inputs.map(({ evidence }) => ORDER.indexOf(evidence)));
  const once = inputs.filter(({ says }, i) => inputs.findIndex((other) => other.says === says) === i);
  return { evidence: ORDER[weakest]!, inputs: once };
}

/** What of it nobody has measured or written down, in words. */
export const assumedIn = ({ inputs }: Basis): string[] =>
  inputs.filter(({ evidence }) => evidence === 'assumed').map(({ says }) => says);
