'use client';

import { decimalsOf } from '@/core/response/dialect';
import { NumberField, TextField } from '@/ui/fields';
import { percent } from '@/core/text/percent';
import {
  LARGEST_RESIDUAL,
  meaningOf,
  PARAMETER_WORDS,
  PROBE_INPUTS,
  probed,
  unmapped,
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
export function FieldForm({
  field,
  onChange,
}: {
  field: FieldAnswers;
  onChange(next: Partial<FieldAnswers>): void;
}) {
  const words = PARAMETER_WORDS[field.parameter];
  const known = unmapped(field);
  const best = probed(field)[0];
  return (
    <fieldset className="mt-6 max-w-3xl border-t border-line pt-3">
      <legend className="float-left mr-4 font-bold">{words.name}</legend>
      <label className="flex min-h-8 cursor-pointer items-center justify-end gap-2 text-sm text-muted">
        <input
          type="checkbox"
          className="h-5 w-5 accent-(--lichen)"
          checked={field.isThere}
          onChange={(event) => onChange({ isThere: event.target.checked })}
        />
        it has such a setting
      </label>
      {field.isThere && (
        <>
          <p className="text-sm text-muted">{words.asks}</p>
          <div className="mt-2 grid grid-cols-3 gap-3 sm:grid-cols-5">
            <TextField
              label="as it is called"
              isStacked
              value={field.label}
              most={40}
              onChange={(label) => onChange({ label })}
            />
            {NUMBERS.map(([part, label]) => (
              <NumberField
                key={part}
                label={label}
                isStacked
                unit=""
                value={field[part]}
                onChange={(value) => onChange({ [part]: value })}
              />
            ))}
          </div>
          <div className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-4">
            <NumberField
              label="set it to"
              isStacked
              unit=""
              value={field.probe}
              onChange={(probe) => onChange({ probe })}
            />
            {PROBE_INPUTS.map((input, k) => (
              <NumberField
                key={input}
                label={`pedal at ${input} %: shows`}
                isStacked
                unit="%"
                value={field.shown[k] ?? null}
                onChange={(value) => onChange({ shown: field.shown.map((s, j) => (j === k ? value : s)) })}
              />
            ))}
          </div>
          <p
            role="status"
            className={`mt-2 text-[15px] ${best && best.residual > LARGEST_RESIDUAL ? 'text-rust' : ''}`}
          >
            {!known
              ? 'The lowest must lie below the highest, the step divide the range, the neutral lie inside.'
              : !best
                ? field.probe === field.neutral && field.probe !== null
                  ? 'At neutral there is nothing to see: set it well away from there.'
                  : ''
                : best.residual > LARGEST_RESIDUAL
                  ? `Nothing known fits: the nearest (${meaningOf(best)}) is ${percent(best.residual, 1)} off. Read it once more.`
                  : `It is ${meaningOf(best)}. ${percent(best.residual, 1)} off at most, with ${(known.max - known.min) / known.step + 1} values of ${decimalsOf(known)} decimals.`}
          </p>
        </>
      )}
    </fieldset>
  );
}
