import fc from 'fast-check';
import type { DialectField } from '@/core/response/dialect';
import { respond } from '@/core/response/compose';
import { layerFromSettings } from '@/core/response/settings';
import {
  describeSchema,
  fieldsOf,
  FIRST_ANSWERS,
  meaningOf,
  numbersFault,
  PARAMETER_WORDS,
  PROBE_INPUTS,
  probed,
  unmapped,
  type Description,
  type FieldAnswers,
} from './describe';

/** The truth behind each question: a field as some title has it. */
const TRUTH: Record<FieldAnswers['parameter'], Omit<DialectField, 'key' | 'label'>> = {
  deadzone: { min: 0, max: 40, step: 1, neutral: 0, maps: { kind: 'deadzone-amount', full: 40 } },
  saturation: { min: 40, max: 100, step: 1, neutral: 100, maps: { kind: 'saturation-end', full: 100 } },
  curve: { min: 0.5, max: 3, step: 0.1, neutral: 1, maps: { kind: 'gamma-direct' } },
};
const PROBES = { deadzone: 10, saturation: 80, curve: 2 };

/** What somebody answers who reads that title's screen to a tenth of a percent. */
function answered(parameter: FieldAnswers['parameter']): FieldAnswers {
  const first = FIRST_ANSWERS.find((answers) => answers.parameter === parameter)!;
  const { maps, ...numbers } = TRUTH[parameter];
  const field = { key: PARAMETER_WORDS[parameter].key, label: first.label, ...numbers, maps };
  const dialect = { name: 'T', axis: 'brake' as const, fields: [field] };
  const layer = layerFromSettings(dialect, { [field.key]: PROBES[parameter] });
  return {
    ...first,
    ...numbers,
    probe: PROBES[parameter],
    shown: PROBE_INPUTS.map((input) => Math.round(1000 * respond([layer], input / 100)) / 10),
  };
}
const ALL = FIRST_ANSWERS.map(({ parameter }) => answered(parameter));
const description = (part: Partial<Description> = {}): Description => ({
  name: 'Ferry Lane',
  rotation: 'stretch',
  turns: { min: 180, max: 1080, step: 10, neutral: 900 },
  axes: ['brake'],
  answers: ALL,
  ...part,
});
const faults = (part: Partial<Description>) => {
  const read = describeSchema.safeParse(description(part));
  return read.success ? [] : read.error.issues.map(({ path }) => path.join('.'));
};

describe('a title that is described from its menus', () => {
  it('is found as it is: every field means what it means', () => {
    expect(fieldsOf(ALL)?.map(({ maps }) => maps)).toEqual(
      FIRST_ANSWERS.map(({ parameter }) => TRUTH[parameter].maps),
    );
    expect(faults({})).toEqual([]);
    expect(ALL.map((answers) => meaningOf(probed(answers)[0]!))).toEqual([
      'an amount: 40 would swallow all of the way',
      'an end point: full at value/100 of the way',
      'the exponent itself: y = x to the power of the value; more is calmer',
    ]);
  });

  it('is not known while one answer is missing, unless it has no such setting', () => {
    for (const missing of ['min', 'max', 'step', 'neutral', 'probe'] as const) {
      const open = { ...ALL[0]!, [missing]: null };
      expect(fieldsOf([open, ALL[1]!])).toBeNull();
      expect(fieldsOf([{ ...open, isThere: false }, ALL[1]!])).toHaveLength(1);
    }
    expect(fieldsOf([{ ...ALL[0]!, shown: [25, null, 75] }])).toBeNull();
    expect(fieldsOf([])).toBeNull();
  });

  it('is not believed where nothing known fits what was read', () => {
    const misread = { ...ALL[1]!, shown: [80, 20, 90] };
    expect(probed(misread)[0]!.residual).toBeGreaterThan(0.03);
    expect(fieldsOf([misread])).toBeNull();
  });

  it('says nothing of a field that was read at its neutral', () => {
    expect(probed({ ...ALL[0]!, probe: ALL[0]!.neutral })).toEqual([]);
  });
});

describe('what is wrong with the numbers of a menu', () => {
  it('stands beside the number to look at', () => {
    const numbers = { min: 0, max: 100, step: 5, neutral: 50 };
    expect(numbersFault(numbers)).toBeNull();
    expect(numbersFault({ ...numbers, max: 0 })).toEqual({ at: 'max', words: 'It lies above 0.' });
    expect(numbersFault({ ...numbers, step: 30 })?.at).toBe('step');
    expect(numbersFault({ ...numbers, step: 0 })?.at).toBe('step');
    expect(numbersFault({ ...numbers, neutral: 101 })?.at).toBe('neutral');
    expect(faults({ answers: [{ ...ALL[0]!, max: -1 }, ALL[1]!] })).toEqual(['answers.0.max']);
    expect(faults({ rotation: 'direct', turns: { min: 180, max: 90, step: 10, neutral: 100 } })).toEqual([
      'turns.max',
    ]);
    // A title that stretches the wheel has no rotation to ask for.
    expect(faults({ turns: { min: 180, max: 90, step: 10, neutral: 100 } })).toEqual([]);
    expect(faults({ name: ' ' })).toEqual(['name']);
    expect(faults({ answers: [{ ...ALL[0]!, shown: [25, 50, 130] }] })).toEqual(['answers.0.shown.2']);
  });

  it('a field is known exactly where its four numbers are there and none of them is wrong', () => {
    const number = fc.option(fc.constantFrom(-10, 0, 0.5, 1, 3, 7, 20, 100));
    fc.assert(
      fc.property(fc.record({ min: number, max: number, step: number, neutral: number }), (numbers) => {
        const isWhole = Object.values(numbers).every((value) => value !== null);
        const isKnown = unmapped({ ...ALL[0]!, ...numbers }) !== null;
        expect(isKnown).toBe(isWhole && numbersFault(numbers) === null);
      }),
      { numRuns: 300 },
    );
  });
});
