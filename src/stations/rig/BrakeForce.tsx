'use client';

import { useWatch } from 'react-hook-form';
import { Button } from '@/ui/Button';
import { FormNumber } from '@/ui/Form';
import type { RigFormReturn } from './form';

const FIELDS = [
  ['now', 'Brake force now'],
  ['min', 'Least'],
  ['max', 'Greatest'],
  ['step', 'One notch'],
] as const;

/** The base's own scale of the force that gives full brake: only a load cell has one. */
export function BrakeForce({ form: { control, setValue } }: { form: RigFormReturn }) {
  const [sensor, scale] = useWatch({ control, name: ['spec.pedals.brake', 'spec.base.brakeForce'] });
  const set = (next: typeof scale) =>
    setValue('spec.base.brakeForce', next, { shouldDirty: true, shouldValidate: true });
  if (sensor !== 'load-cell') return null;
  if (!scale)
    return (
      <Button className="mt-1" onClick={() => set({ min: 0, max: 100, step: 1, now: 100 })}>
        The base scales the brake force
      </Button>
    );
  return (
    <>
      {FIELDS.map(([part, label]) => (
        <FormNumber
          key={part}
          control={control}
          label={label}
          unit=""
          name={`spec.base.brakeForce.${part}`}
        />
      ))}
      <Button look="quiet" onClick={() => set(null)}>
        It has no such scale
      </Button>
    </>
  );
}
