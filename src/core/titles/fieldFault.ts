import type { DescribedField } from './describedField';

type Numbers = Pick<DescribedField, 'min' | 'max' | 'step' | 'neutral'>;

const ON_GRID = 1e-6;

/** Which of a field's numbers can't be; what is not typed in yet is no fault. */
export function numbersFault({
  min,
  max,
  step,
  neutral,
}: Numbers): { at: keyof Numbers; words: string } | null {
  if (min === null || max === null) return null;
  if (max <= min) return { at: 'max', words: `It lies above ${min}.` };
  const steps = step === null ? 1 : (max - min) / step;
  if (step !== null && !(step > 0 && Math.abs(steps - Math.round(steps)) < ON_GRID))
    return { at: 'step', words: `It divides the way from ${min} to ${max}.` };
  if (neutral !== null && !(neutral >= min && neutral <= max))
    return { at: 'neutral', words: `It lies between ${min} and ${max}.` };
  return null;
}
