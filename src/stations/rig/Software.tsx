'use client';

import { useFieldArray, useWatch } from 'react-hook-form';
import { PARTS } from '@/core/rig/rigSpec';
import { Button } from '@/ui/Button';
import { FormDate, FormSelect, FormText } from '@/ui/Form';
import type { RigControl } from './form';

/** Versions of firmware and driver, and why an old one is kept. */
export function Software({ control }: { control: RigControl }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'spec.software' });
  const entries = useWatch({ control, name: 'spec.software' });
  const free = PARTS.find((part) => !entries.some((entry) => entry.part === part));
  return (
    <section className="mt-2 max-w-3xl" aria-labelledby="software">
      <h2 id="software" className="border-b border-line pb-1 font-bold">
        Firmware and driver
      </h2>
      {fields.map(({ id }, i) => (
        <div
          key={id}
          className="grid items-end gap-x-3 border-b border-line py-2 @min-[40rem]:grid-cols-[9rem_6rem_10rem_1fr_auto]"
        >
          <FormSelect
            control={control}
            label="Part"
            name={`spec.software.${i}.part`}
            options={PARTS.map((part) => ({ value: part, name: part }))}
            isStacked
          />
          <FormText
            control={control}
            label="Version"
            name={`spec.software.${i}.version`}
            most={40}
            isStacked
          />
          <FormDate control={control} label="Of" name={`spec.software.${i}.date`} />
          <FormText
            control={control}
            label="Kept old on purpose, because"
            name={`spec.software.${i}.keptOldBecause`}
            isStacked
          />
          <Button
            look="quiet"
            aria-label={`Take out ${entries[i]?.part ?? ''} ${entries[i]?.version ?? ''}`}
            onClick={() => remove(i)}
          >
            Take out
          </Button>
        </div>
      ))}
      {free && (
        <Button
          className="mt-2"
          onClick={() =>
            append({
              part: free,
              version: '1.0',
              date: new Date().toISOString().slice(0, 10),
              keptOldBecause: '',
            })
          }
        >
          Add a version
        </Button>
      )}
    </section>
  );
}
