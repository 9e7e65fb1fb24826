'use client';

import { useWatch, type Control } from 'react-hook-form';
import { decimalsOf } from '@/core/response/dialect';
import { FormNumber, FormText } from '@/ui/Form';
import { percent } from '@/core/text/percent';
import {
  LARGEST_RESIDUAL,
  meaningOf,
  PARAMETER_WORDS,
  PROBE_INPUTS,
  probed,
  unmapped,
  type Description,
  type FieldAnswers,
} from './describe';

/** What a menu shows of a field, in the order in which one reads it. */
const NUMBERS = [
  ['min', 'lowest'],
  ['max', 'highest'],
  ['step', 'step'],
  ['neutral', 'at neutral'],
] as const;

/** One field of a menu: its numbers, what it shows at three inputs, and what that makes of it. */
export function FieldForm({ control, index }: { control: Control<Description>; index: number }) {
  const field = useWatch({ control, name: `answers.${index}` });
  const words = PARAMETER_WORDS[field.parameter];
  return (
    <fieldset className="mt-6 max-w-3xl border-t border-line pt-3">
      <legend className="float-left mr-4 font-bold">{words.name}</legend>
      <label className="flex min-h-8 cursor-pointer items-center justify-end gap-2 text-sm text-muted">
        <input
          type="checkbox"
          className="h-5 w-5 accent-(--lichen)"
          {...control.register(`answers.${index}.isThere`)}
        />
        it has such a setting
      </label>
      {field.isThere && (
        <>
          <p className="text-sm text-muted">{words.asks}</p>
          <div className="mt-2 grid grid-cols-3 gap-3 sm:grid-cols-5">
            <FormText
              control={control}
              name={`answers.${index}.label`}
              label="as it is called"
              isStacked
              most={40}
            />
            {NUMBERS.map(([part, label]) => (
              <FormNumber
                key={part}
                control={control}
                name={`answers.${index}.${part}`}
                label={label}
                isStacked
                unit=""
              />
            ))}
          </div>
          <div className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-4">
            <FormNumber
              control={control}
              name={`answers.${index}.probe`}
              label="set it to"
              isStacked
              unit=""
            />
            {PROBE_INPUTS.map((input, k) => (
              <FormNumber
                key={input}
                control={control}
                name={`answers.${index}.shown.${k}`}
                label={`pedal at ${input} %: shows`}
                isStacked
                unit="%"
              />
            ))}
          </div>
          <Meaning field={field} />
        </>
      )}
    </fieldset>
  );
}

/** What the numbers and readings make of the field. */
function Meaning({ field }: { field: FieldAnswers }) {
  const known = unmapped(field);
  const best = probed(field)[0];
  const isOff = best !== undefined && best.residual > LARGEST_RESIDUAL;
  return (
    <p role="status" className={`mt-2 text-[15px] ${isOff ? 'text-rust' : ''}`}>
      {!known
        ? 'The lowest must lie below the highest, the step divide the range, the neutral lie inside.'
        : !best
          ? field.probe === field.neutral && field.probe !== null
            ? 'At neutral there is nothing to see: set it well away from there.'
            : ''
          : isOff
            ? `Nothing known fits: the nearest (${meaningOf(best)}) is ${percent(best.residual, 1)} off. Read it once more.`
            : `It is ${meaningOf(best)}. ${percent(best.residual, 1)} off at most, with ${(known.max - known.min) / known.step + 1} values of ${decimalsOf(known)} decimals.`}
    </p>
  );
}
