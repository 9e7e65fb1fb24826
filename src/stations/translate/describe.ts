import { z } from 'zod';
import { AXIS_NAMES } from '@/core/axes/axes';
import type { Dialect, DialectField, FieldMap, ResponseParameter } from '@/core/response/dialect';
import { probeField, type Probed, type Shown, type Unmapped } from '@/core/response/probe';
import { line } from '@/core/text/line';

const asked = z.number().nullable();

const numbersSchema = z.strictObject({ min: asked, max: asked, step: asked, neutral: asked });
type Numbers = z.output<typeof numbersSchema>;

/** What is asked of one field: its numbers on the menu, and what the title shows with it. */
const answersSchema = numbersSchema.extend({
  parameter: z.enum(['deadzone', 'saturation', 'curve']),
  isThere: z.boolean(),
  label: line(40).min(1, 'It has a name on the menu.'),
  /** The field's value while it was read. */
  probe: asked,
  /** What it displayed at each input, percent. */
  shown: z.array(z.number().min(0, 'From 0 to 100.').max(100, 'From 0 to 100.').nullable()),
});
export type FieldAnswers = z.output<typeof answersSchema>;

/** Everything that is asked of a title or a base. */
export const describeSchema = z
  .strictObject({
    name: line(40).min(1, 'Its name, first of all.'),
    rotation: z.enum(['direct', 'stretch']),
    turns: numbersSchema,
    axes: z.array(z.enum(AXIS_NAMES)),
    answers: z.array(answersSchema),
  })
  .superRefine(({ rotation, turns, answers }, context) => {
    const say = (path: (string | number)[], numbers: Numbers) => {
      const fault = numbersFault(numbers);
      if (fault) context.addIssue({ code: 'custom', path: [...path, fault.at], message: fault.words });
    };
    if (rotation === 'direct') say(['turns'], turns);
    for (const [i, field] of answers.entries()) if (field.isThere) say(['answers', i], field);
  });
export type Description = z.output<typeof describeSchema>;

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
  if (step !== null && !(step > 0 && Math.abs(steps - Math.round(steps)) < 1e-6))
    return { at: 'step', words: `It divides the way from ${min} to ${max}.` };
  if (neutral !== null && !(neutral >= min && neutral <= max))
    return { at: 'neutral', words: `It lies between ${min} and ${max}.` };
  return null;
}

/** Inputs at which the title is read, percent of the way. */
export const PROBE_INPUTS = [25, 50, 75] as const;

export const FIRST_ANSWERS: FieldAnswers[] = (
  [
    ['deadzone', 'Dead zone', 0],
    ['saturation', 'Saturation', 0],
    ['curve', 'Linearity', 50],
  ] as const
).map(([parameter, label, neutral]) => ({
  parameter,
  isThere: true,
  label,
  min: 0,
  max: 100,
  step: 1,
  neutral,
  probe: null,
  shown: PROBE_INPUTS.map(() => null),
}));

export const PARAMETER_WORDS: Record<ResponseParameter, { name: string; asks: string; key: string }> = {
  deadzone: {
    name: 'Where it begins',
    asks: 'The setting that swallows the first bit of the way.',
    key: 'deadzone',
  },
  saturation: {
    name: 'Where it is full',
    asks: 'The setting that gives 100 % before the end of the way. At neutral nothing is cut off.',
    key: 'saturation',
  },
  curve: {
    name: 'How it bends',
    asks: 'The setting that makes the middle calmer or livelier.',
    key: 'linearity',
  },
};

/** The field as far as its menu is known; `null` where a number is missing or none that can be. */
export function unmapped(answers: FieldAnswers): Unmapped | null {
  const { parameter, label, min, max, step, neutral } = answers;
  if (min === null || max === null || step === null || neutral === null) return null;
  const isSound = numbersFault(answers) === null;
  return isSound ? { key: PARAMETER_WORDS[parameter].key, label, min, max, step, neutral } : null;
}

/** What the readings say the field means, best first. */
export function probed(answers: FieldAnswers): Probed[] {
  const field = unmapped(answers);
  if (!field || answers.probe === null || answers.shown.some((shown) => shown === null)) return [];
  const readings = answers.shown.map((shown, i): Shown => ({
    input: PROBE_INPUTS[i]! / 100,
    shown: shown! / 100,
  }));
  return probeField(field, answers.parameter, answers.probe, readings);
}

/** A fit that is further off than this is no fit: something was read or typed wrongly. */
export const LARGEST_RESIDUAL = 0.03;

/** The fields of a title whose answers are whole; `null` as long as one is not. */
export function fieldsOf(all: readonly FieldAnswers[]): DialectField[] | null {
  const fields = all
    .filter((answers) => answers.isThere)
    .map((answers): DialectField | null => {
      const field = unmapped(answers);
      const best = probed(answers)[0];
      return field && best && best.residual <= LARGEST_RESIDUAL ? { ...field, maps: best.maps } : null;
    });
  return fields.length === 0 || fields.some((field) => field === null) ? null : (fields as DialectField[]);
}

export function dialectOf(name: string, fields: DialectField[]): Dialect {
  return { name: name || 'My title', axis: 'brake', fields };
}

const MEANING: Record<FieldMap['kind'], (maps: FieldMap) => string> = {
  'deadzone-amount': (m) => `an amount: ${'full' in m ? m.full : ''} would swallow all of the way`,
  'saturation-amount': () => 'an amount: it is taken off the end',
  'saturation-end': (m) => `an end point: full at value/${'full' in m ? m.full : ''} of the way`,
  'gamma-direct': () => 'the exponent itself: y = x to the power of the value',
  'gamma-log': (m) => ('base' in m ? `an exponent that reaches ${m.base} at its end` : ''),
  blend: (m) => `a share of a cube: ${'full' in m ? m.full : ''} is all of it`,
  degrees: () => 'degrees',
  fraction: () => 'a share',
  gain: () => 'a gain',
  torque: () => 'a torque',
};

/** What a field means, in words. */
export function meaningOf({ maps, direction }: Probed): string {
  const more = direction ? `; more is ${direction}` : '';
  return `${MEANING[maps.kind](maps)}${more}`;
}
