/**
 * A fault finder by exclusion: causes and questions are data; each answer takes out the causes that it contradicts. The
 * next question is the one that splits what is left most evenly, so that few are needed.
 */
export interface Question {
  id: string;
  text: string;
  /** Where to look, or how to tell. */
  hint: string;
}

export type FaultAnswer = 'yes' | 'no' | 'unsure';

export interface Fault {
  id: string;
  name: string;
  /** What the cause would make one answer; a question that is not named tells nothing about it. */
  expects: Record<string, 'yes' | 'no'>;
  /** What to do, in order. */
  cure: string[];
  /** How often it is behind the symptom, against the others; decides ties and what is asked first. */
  weight: number;
}

export interface Finding {
  /** Causes that agree with every answer, likeliest first. */
  left: Fault[];
  next: Question | null;
}

export const MOST_QUESTIONS = 6;

/** What the answers so far leave, and what to ask next (`null` when one cause is left or asking more tells nothing). */
export function findFault(
  faults: readonly Fault[],
  questions: readonly Question[],
  answers: Readonly<Record<string, FaultAnswer>>,
): Finding {
  const left = faults.filter((fault) => agrees(fault, answers)).sort((a, b) => b.weight - a.weight);
  const isOver = left.length <= 1 || Object.keys(answers).length >= MOST_QUESTIONS;
  return { left, next: isOver ? null : mostTelling(left, questions, answers) };
}

function agrees(fault: Fault, answers: Readonly<Record<string, FaultAnswer>>): boolean {
  return Object.entries(answers).every(([id, answer]) => {
    const expected = fault.expects[id];
    return answer === 'unsure' || expected === undefined || expected === answer;
  });
}

/** The question whose answer leaves the fewest causes on average, weighted by how often each is the cause. */
function mostTelling(
  left: Fault[],
  questions: readonly Question[],
  answers: Readonly<Record<string, FaultAnswer>>,
): Question | null {
  const total = left.reduce((sum, fault) => sum + fault.weight, 0);
  let best: { question: Question; remains: number } | null = null;
  for (const question of questions) {
    if (answers[question.id]) continue;
    const remains = (['yes', 'no'] as const).reduce((sum, answer) => {
      const stay = left.filter((fault) => (fault.expects[question.id] ?? answer) === answer);
      const chance =
        stay.reduce((s, fault) => s + fault.weight * (fault.expects[question.id] ? 1 : 0.5), 0) / total;
      return sum + chance * stay.length;
    }, 0);
    if (remains < (best?.remains ?? left.length) - 1e-9) best = { question, remains };
  }
  return best?.question ?? null;
}
