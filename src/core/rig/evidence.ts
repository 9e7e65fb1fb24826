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

const weakest = (inputs: readonly Input[]): Evidence =>
  ORDER[Math.max(...inputs.map(({ evidence }) => ORDER.indexOf(evidence)))]!;

/** @param inputs at least one: a figure that rests on nothing is none; what is said twice stands once, as its weaker */
export function basisOn(...inputs: Input[]): Basis {
  if (inputs.length === 0) throw new RangeError('a figure rests on something');
  const once = [...new Set(inputs.map(({ says }) => says))].map((says) => ({
    says,
    evidence: weakest(inputs.filter((one) => one.says === says)),
  }));
  return { evidence: weakest(inputs), inputs: once };
}

/** What of it nobody has measured or written down, in words. */
export const assumedIn = ({ inputs }: Basis): string[] =>
  inputs.filter(({ evidence }) => evidence === 'assumed').map(({ says }) => says);
