'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import type { z } from 'zod';
import { describedRig, rigForm, rigFormSchema } from '@/core/rig/rigForm';
import { DRIVES, SENSORS } from '@/core/rig/rigSpec';
import { CAUTIONS } from '@/catalog/cautions';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { TextField } from '@/ui/fields';
import { Form, FormNumber, FormSelect, FormText } from '@/ui/Form';
import type { BookView } from '@/book/model/bookView';
import { NextStep, StationPage } from '@/ui/StationPage';
import { notifyReply } from '@/parts/notifyReply';
import { useSchemaForm } from '@/parts/useSchemaForm';
import { copyRig, saveRig } from '@/book/write/rigs';
import { AxisSources } from '@/parts/AxisSources';
import type { RigControl } from './form';
import { BrakeForce } from './BrakeForce';
import { Hands } from './Hands';
import { Software } from './Software';

const DRIVE_NAMES = { gear: 'Gears', belt: 'Belt', direct: 'Direct drive', unknown: 'I don’t know' };
const SENSOR_NAMES = {
  potentiometer: 'Potentiometer',
  hall: 'Hall sensor',
  'load-cell': 'Load cell',
  unknown: 'I don’t know',
};
const options = <T extends string>(values: readonly T[], names: Record<T, string>) =>
  values.map((value) => ({ value, name: names[value] }));

/** The rig, described once: what it is made of, what runs on it, and where its axes come from. */
export function RigStation({ view }: { view: BookView }) {
  const router = useRouter();
  const form = useSchemaForm(rigFormSchema, rigForm(view.rig.name, view.rig.spec));
  const { control } = form;
  const { isDirty } = form.formState;
  // What the form began with: where another window described the rig since, it says so.
  const [began, setBegan] = useState(view.rig);
  const keep = async ({ name, spec }: z.output<typeof rigFormSchema>) => {
    const { device, cabling } = view.rig.spec;
    const next = describedRig(spec, view.rig.spec);
    const seen = { name: began.name, spec: { ...began.spec, device, cabling } };
    if (!notifyReply(await saveRig({ name, spec: next, seen }), `${name} is written down`)) return;
    setBegan({ ...view.rig, name, spec: next });
    form.reset(rigForm(name, next));
    router.refresh();
  };
  return (
    <StationPage
      finding={`The ${view.rig.name}, written down once`}
      subtitle="What is not known stays empty: nothing is guessed from it."
      next={
        <>
          <NextStep
            title={isDirty ? 'Keep what you wrote' : 'Nothing to keep'}
            actions={
              <>
                <Button type="submit" form="rig" look="next" disabled={!isDirty}>
                  Keep
                </Button>
                {isDirty && <Button onClick={() => form.reset()}>Put back</Button>}
              </>
            }
          >
            New firmware asks again in Ready what it may have reset.
          </NextStep>
          <NextStep
            title="Friction and inertia, measured"
            actions={<LinkButton href="/base">Measure the base by hand</LinkButton>}
          >
            {view.rig.spec.base.measured.length > 0
              ? 'Measured: what is foretold of the rim rests on it, and no more on what is written here.'
              : 'A few spins tell more than a data sheet, and nothing is sent to the wheel.'}
          </NextStep>
          <NextStep
            title="The buttons of its rim"
            actions={<LinkButton href="/buttons">Press them one by one</LinkButton>}
          >
            Which lies under a thumb, and what must never lie beside it.
          </NextStep>
          <AxisSources rig={view.rig} />
          <CopyStep name={view.rig.name} />
        </>
      }
    >
      <Form form={form} id="rig" what="What you wrote of the rig" onKeep={keep}>
        <div className="grid max-w-3xl gap-x-6 gap-y-1 @min-[36rem]:grid-cols-2">
          <Group title="Base">
            <FormText control={control} label="Name of the rig" name="name" most={40} />
            <FormSelect
              control={control}
              label="Drive"
              name="spec.base.drive"
              options={options(DRIVES, DRIVE_NAMES)}
            />
            <FormNumber control={control} label="Rated torque" unit="N·m" name="spec.base.torqueNm" />
            <FormNumber
              control={control}
              label="Greatest rotation"
              unit="°"
              name="spec.base.maxRotationDeg"
            />
            <FormNumber control={control} label="Set to" unit="°" name="spec.base.rotationDeg" />
            <FormNumber control={control} label="Own friction" unit="N·m" name="spec.base.frictionNm" />
            <FormNumber control={control} label="Delay" unit="ms" name="spec.base.delayMs" />
            <FormText control={control} label="What the maker limits" name="spec.base.makersLimits" />
          </Group>
          <div>
            <Cautions control={control} />
            <Group title="Rim">
              <FormNumber control={control} label="Diameter" unit="mm" name="spec.rim.diameterMm" />
              <FormNumber control={control} label="Mass" unit="kg" name="spec.rim.massKg" />
              <FormNumber control={control} label="or inertia" unit="kg·m²" name="spec.rim.inertiaKgM2" />
              <FormText control={control} label="Inputs" name="spec.rim.inputs" />
            </Group>
          </div>
          <Group title="Pedals">
            {(['throttle', 'brake', 'clutch'] as const).map((pedal) => (
              <FormSelect
                key={pedal}
                control={control}
                label={pedal.replace(/^./, (c) => c.toUpperCase())}
                name={`spec.pedals.${pedal}`}
                options={options(SENSORS, SENSOR_NAMES)}
                none="There is none"
              />
            ))}
            <BrakeForce form={form} />
          </Group>
          <Group title="Hands">
            <Hands form={form} />
            <FormText control={control} label="Mounting" name="spec.mounting" />
          </Group>
        </div>
        <Software control={control} />
      </Form>
    </StationPage>
  );
}

/** A second rig of the same make. */
function CopyStep({ name }: { name: string }) {
  const [copyName, setCopyName] = useState(`${name} 2`);
  return (
    <div className="py-3">
      <h3 className="pb-1 font-bold">One more like this</h3>
      <TextField label="Name of the copy" value={copyName} onChange={setCopyName} most={40} />
      <Button
        className="mt-2"
        onClick={() => void copyRig(copyName).then((reply) => notifyReply(reply, `${copyName} is open now`))}
      >
        Copy the rig
      </Button>
    </div>
  );
}

function Group({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <fieldset className="mb-2 grid content-start gap-1">
      <legend className="w-full border-b border-line pb-1 font-bold">{title}</legend>
      <div className="grid gap-1 pt-2">{children}</div>
    </fieldset>
  );
}

/** The cautions that this torque asks for, where the number is set. */
function Cautions({ control }: { control: RigControl }) {
  const torqueNm = useWatch({ control, name: 'spec.base.torqueNm' }) ?? 0;
  const said = CAUTIONS.filter(({ fromNm }) => torqueNm >= fromNm);
  return (
    <div role="note" className="mb-3 border-l-4 border-rust pl-4 text-[15px]">
      <ul className="space-y-1">
        {said.map(({ text }) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </div>
  );
}
