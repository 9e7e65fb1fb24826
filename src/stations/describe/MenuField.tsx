'use client';

import { useState } from 'react';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';
import type { FieldMap } from '@/core/response/menuSchema';
import { AXIS_WORDS, type AxisName } from '@/core/axes/axes';
import { placed, placeOf } from '@/core/titles/place';
import { isEffectRole, isResponseRole, type Role } from '@/core/titles/roles';
import { percent } from '@/core/text/percent';
import { Button } from '@/ui/Button';
import { CheckField } from '@/ui/CheckField';
import { FormNumber, FormSelect, FormText } from '@/ui/Form';
import { SelectField } from '@/ui/fields';
import { meaningOf, ROLE_CHOICES } from '@/words/fieldMeaning';
import {
  LARGEST_RESIDUAL,
  meaning,
  PROBE_INPUTS,
  probed,
  type MenuFieldForm,
  type MenuForm,
  type menuFormSchema,
} from './menuForm';

type MenuFormReturn = UseFormReturn<z.input<typeof menuFormSchema>, unknown, MenuForm>;

/** The numbers that a menu shows of a field, in the order in which one reads them. */
const NUMBERS = [
  ['min', 'lowest'],
  ['max', 'highest'],
  ['step', 'step'],
  ['neutral', 'as it comes'],
] as const;

/** Columns of the grid where there is room: label, what it does, four numbers, more. Else the numbers stand below. */
export const ROW =
  'grid grid-cols-[repeat(4,minmax(0,1fr))_2.5rem] gap-2 @min-[40rem]:grid-cols-[minmax(7rem,9rem)_minmax(7rem,1fr)_repeat(4,4.2rem)_2.5rem]';
const LABEL = 'col-span-2 @min-[40rem]:col-span-1';
const DOES = 'col-span-3 @min-[40rem]:col-span-1';

/** Fields of a copied title may stand on controls for which there is no word. */
const OWN = 'own';
const axesText = (axes: readonly AxisName[]) => axes.map((axis) => AXIS_WORDS[axis]).join(', ');

const PLACE_NAMES = {
  title: [
    { value: 'every' as const, name: 'every control' },
    { value: 'wheel' as const, name: 'the wheel' },
    { value: 'pedals' as const, name: 'pedals and levers' },
    { value: 'car' as const, name: 'one car alone' },
  ],
  base: [
    { value: 'wheel' as const, name: 'the wheel' },
    { value: 'pedals' as const, name: 'pedals' },
  ],
};

interface Props {
  form: MenuFormReturn;
  of: 'title' | 'base';
  index: number;
  onRemove(): void;
}

/** One field of a menu: its numbers in a row, and behind it where it stands and what they mean. */
export function MenuField({ form, of, index, onRemove }: Props) {
  const { control, setValue } = form;
  const watched = useWatch({ control, name: `fields.${index}` }) as MenuFieldForm | undefined;
  const [isOpen, setOpen] = useState(false);
  // A list that was just replaced is drawn once before its values are there.
  const field = watched ?? (form.getValues(`fields.${index}`) as MenuFieldForm | undefined);
  if (!field) return null;
  const name = field.label.trim() || `Field ${index + 1}`;
  const known = meaning(field);
  const place = placeOf(field);
  return (
    <li className="border-b border-line py-2">
      <div className={ROW}>
        <div className={LABEL}>
          <FormText
            control={control}
            name={`fields.${index}.label`}
            label={`Field ${index + 1}, label`}
            isBare
            most={40}
          />
        </div>
        <div className={DOES}>
          <FormSelect
            control={control}
            name={`fields.${index}.role`}
            label={`${name}: what it does`}
            isBare
            options={
              of === 'base'
                ? ROLE_CHOICES.base
                : field.layer === 'car'
                  ? ROLE_CHOICES.car
                  : ROLE_CHOICES.title
            }
          />
        </div>
        {NUMBERS.map(([part, word]) => (
          <FormNumber
            key={part}
            control={control}
            name={`fields.${index}.${part}`}
            label={`${name}, ${word}`}
            isBare
            unit=""
          />
        ))}
        <Button
          look="quiet"
          className="px-0"
          aria-expanded={isOpen}
          aria-label={`${name}: more`}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? '−' : '⋯'}
        </Button>
      </div>
      {isOpen && (
        <div className="mt-2 ml-1 grid grid-cols-2 gap-3 border-l-2 border-line pl-3 @min-[36rem]:grid-cols-3">
          <FormText
            control={control}
            name={`fields.${index}.page`}
            label="Page of the menu"
            isStacked
            most={120}
          />
          <SelectField
            label="Stands on"
            isStacked
            value={place ?? OWN}
            options={
              place ? PLACE_NAMES[of] : [...PLACE_NAMES[of], { value: OWN, name: axesText(field.axes) }]
            }
            onChange={(chosen) => {
              if (chosen === OWN) return;
              const { layer, axes } = placed(chosen);
              setValue(`fields.${index}.layer`, layer, { shouldDirty: true });
              setValue(`fields.${index}.axes`, axes, { shouldDirty: true });
            }}
          />
          <FormText control={control} name={`fields.${index}.unit`} label="Unit" isStacked most={12} />
          <Meaning
            field={field}
            onSay={(maps) => {
              setValue(`fields.${index}.maps`, maps, { shouldDirty: true });
              setValue(`fields.${index}.isMeasured`, false);
            }}
          />
          {isEffectRole(field.role) && (
            <div className="col-span-full">
              <CheckField
                label="Stands beside the gain: as strong at half of it"
                checked={field.isApart}
                onChange={(isApart) => setValue(`fields.${index}.isApart`, isApart, { shouldDirty: true })}
              />
            </div>
          )}
          {isResponseRole(field.role) && <Probe form={form} index={index} field={field} />}
          <div className="col-span-full">
            <Button look="quiet" onClick={onRemove}>
              Take {name} out
            </Button>
          </div>
        </div>
      )}
      {known && (isOpen || known.how === 'probed' || isResponseRole(field.role)) && (
        <p role="status" className="mt-1 text-sm text-muted">
          {known.how === 'usual' ? 'Taken as ' : known.how === 'probed' ? 'Read: ' : ''}
          {meaningOf(known.maps, field.role)}
          {known.how === 'usual' && '.'}
        </p>
      )}
    </li>
  );
}

const KINDS: Partial<Record<Role, { value: string; name: string }[]>> = {
  saturation: [
    { value: 'saturation-amount', name: 'an amount off the end' },
    { value: 'saturation-end', name: 'the end point itself' },
  ],
  linearity: [
    { value: 'calmer', name: 'more is calmer' },
    { value: 'livelier', name: 'more is livelier' },
    { value: 'gamma-direct', name: 'the exponent itself' },
  ],
};

/** What the numbers mean, said by hand where nothing was read. */
function Meaning({ field, onSay }: { field: MenuFieldForm; onSay(maps: FieldMap): void }) {
  const known = meaning(field);
  if (!known) return null;
  const { maps } = known;
  const kinds = KINDS[field.role];
  const kind = maps.kind === 'gamma-log' ? (maps.sign > 0 ? 'calmer' : 'livelier') : maps.kind;
  const say = (chosen: string) => {
    const full = 'full' in maps ? maps.full : (field.max ?? 100);
    if (chosen === 'saturation-amount') onSay({ kind: chosen, full, reach: 1 });
    else if (chosen === 'saturation-end') onSay({ kind: chosen, full });
    else if (chosen === 'gamma-direct') onSay({ kind: chosen });
    else if (field.min !== null && field.max !== null && field.neutral !== null)
      onSay({
        kind: 'gamma-log',
        base: maps.kind === 'gamma-log' ? maps.base : USUAL_BASE,
        half: Math.max(field.max - field.neutral, field.neutral - field.min),
        sign: chosen === 'calmer' ? 1 : -1,
      });
  };
  return (
    <>
      {kinds && <SelectField label="Its numbers are" isStacked value={kind} options={kinds} onChange={say} />}
      {'full' in maps && <All maps={maps} onSay={onSay} />}
    </>
  );
}

const USUAL_BASE = 3;

function All({ maps, onSay }: { maps: Extract<FieldMap, { full: number }>; onSay(maps: FieldMap): void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const put = () => {
    const full = Number((typed ?? '').replace(',', '.'));
    setTyped(null);
    if (full > 0 && full <= 1e6) onSay({ ...maps, full });
  };
  return (
    <label className="grid content-start gap-0.5">
      <span className="text-sm text-muted">All of it would be at</span>
      <input
        inputMode="decimal"
        className="h-11 w-full rounded-lg border border-line bg-raised px-3 text-right font-mono text-[15px]"
        value={typed ?? String(maps.full)}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => typed !== null && put()}
      />
    </label>
  );
}

/** Three known inputs: what the title shows with the field away from its neutral says what it means. */
function Probe({
  form: { control },
  index,
  field,
}: {
  form: MenuFormReturn;
  index: number;
  field: MenuFieldForm;
}) {
  const best = probed(field)[0];
  const isOff = best !== undefined && best.residual > LARGEST_RESIDUAL;
  return (
    <fieldset className="col-span-full">
      <legend className="text-sm text-muted">
        Or read it: set it away from neutral, hold a pedal, type what shows
      </legend>
      <div className="mt-1 grid grid-cols-2 gap-3 @min-[36rem]:grid-cols-4">
        <FormNumber control={control} name={`fields.${index}.probe`} label="set it to" isStacked unit="" />
        {PROBE_INPUTS.map((input, k) => (
          <FormNumber
            key={input}
            control={control}
            name={`fields.${index}.shown.${k}`}
            label={`pedal at ${input} %: shows`}
            isStacked
            unit="%"
          />
        ))}
      </div>
      {isOff && (
        <p role="alert" className="mt-1 text-sm text-rust">
          Nothing known fits: the nearest ({meaningOf(best.maps, field.role)}) is {percent(best.residual, 1)}{' '}
          off. Read it once more.
        </p>
      )}
      {field.probe !== null && field.probe === field.neutral && (
        <p className="mt-1 text-sm text-muted">
          At neutral there is nothing to see: set it well away from there.
        </p>
      )}
    </fieldset>
  );
}
