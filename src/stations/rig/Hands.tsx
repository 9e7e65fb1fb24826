'use client';

import { useWatch } from 'react-hook-form';
import { SelectField } from '@/ui/fields';
import { FormNumber, FormSelect } from '@/ui/Form';
import type { RigFormReturn } from './form';

const USUAL_GEARS = 6;

/** What else the hands find: shifter, handbrake, clutch paddles. */
export function Hands({ form: { control, setValue } }: { form: RigFormReturn }) {
  const [shifter, paddles] = useWatch({ control, name: ['spec.shifter', 'spec.paddles'] });
  return (
    <>
      <SelectField
        label="Shifter"
        value={shifter?.kind ?? 'none'}
        options={[
          { value: 'gate', name: 'Gates' },
          { value: 'sequential', name: 'Sequential' },
          { value: 'none', name: 'There is none' },
        ]}
        onChange={(kind) =>
          setValue('spec.shifter', kind === 'none' ? null : { kind, gears: shifter?.gears ?? USUAL_GEARS }, {
            shouldDirty: true,
          })
        }
      />
      {shifter?.kind === 'gate' && (
        <FormNumber control={control} label="Forward gates" unit="" name="spec.shifter.gears" />
      )}
      <FormSelect
        control={control}
        label="Handbrake"
        name="spec.handbrake"
        options={[
          { value: 'analogue', name: 'Analogue' },
          { value: 'switch', name: 'A switch' },
        ]}
        none="There is none"
      />
      <SelectField
        label="Clutch paddles"
        value={paddles ? 'yes' : 'no'}
        options={[
          { value: 'yes', name: 'Two, analogue' },
          { value: 'no', name: 'There are none' },
        ]}
        onChange={(value) => setValue('spec.paddles', value === 'yes', { shouldDirty: true })}
      />
    </>
  );
}
