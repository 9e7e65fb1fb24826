'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { CAR_CLASSES } from '@/catalog/carClasses';
import { DRIVES } from '@/core/rig/rigSpec';
import { SHAPES } from '@/core/titles/startingShapes';
import type { Mover } from '@/devices/axisMovement';
import { begin } from '@/book/write/beginning';
import { notifyReply } from '@/parts/notifyReply';
import { Button } from '@/ui/Button';
import { NumberField, SelectField, TextField } from '@/ui/fields';

type Drive = (typeof DRIVES)[number];

const DRIVE_NAMES: { value: Drive; name: string }[] = [
  { value: 'unknown', name: 'I don’t know' },
  { value: 'gear', name: 'gears' },
  { value: 'belt', name: 'a belt' },
  { value: 'direct', name: 'a direct drive' },
];

/** What brings somebody here, and where the shortest road to it begins. */
const REASONS = {
  new: { name: 'A new wheel or pedals', to: '/axes/brake?begin=1' },
  feels: { name: 'Something feels wrong', to: '/force?part=feels' },
  numbers: { name: 'Somebody’s numbers', to: '/translate' },
  compare: { name: 'To compare two settings', to: '/verdict' },
} as const;
type Reason = keyof typeof REASONS;

const ANOTHER = 'another:';
const classOf = (value: string) => value.slice(ANOTHER.length);

interface Props {
  /** The pedal that moved; `null` before any did. */
  mover: Mover | null;
  titles: readonly { id: string; name: string }[];
  cars: readonly { id: string; name: string }[];
}

/** The rig, the title, the car and the reason, asked once; every answer may be that one doesn't know. */
export function OwnRigForm({ mover, titles, cars }: Props) {
  const router = useRouter();
  const [name, setName] = useState('Home rig');
  const [drive, setDrive] = useState<Drive>('unknown');
  const [torqueNm, setTorque] = useState<number | null>(null);
  const [title, setTitle] = useState<string>(`${ANOTHER}amounts`);
  const [titleName, setTitleName] = useState('My title');
  const [car, setCar] = useState<string>(`${ANOTHER}${CAR_CLASSES[0]!.id}`);
  const [carName, setCarName] = useState('My car');
  const [reason, setReason] = useState<Reason>('new');
  const [isBusy, setBusy] = useState(false);
  const go = async () => {
    if (!mover) return;
    setBusy(true);
    const reply = await begin({
      rig: {
        name,
        drive,
        torqueNm,
        device: { kind: 'real', axes: { brake: { device: mover.device, place: mover.place } } },
      },
      title: title.startsWith(ANOTHER) ? { name: titleName, shape: classOf(title) } : { id: title },
      car: car.startsWith(ANOTHER) ? { name: carName, className: classOf(car) } : { id: car },
    });
    if (notifyReply(reply)) router.push(REASONS[reason].to);
    setBusy(false);
  };
  return (
    <form
      className="mt-5 grid gap-x-4 gap-y-2 border-t border-line pt-3 sm:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        void go();
      }}
    >
      <p className="text-muted sm:col-span-2">
        Or at the desk. What you don’t know stays as it is: it can be said later.
      </p>
      <TextField label="What do you call it?" isStacked value={name} onChange={setName} most={40} />
      <SelectField
        label="Its wheel is driven by"
        isStacked
        value={drive}
        onChange={(one: Drive) => setDrive(one)}
        options={DRIVE_NAMES}
      />
      <NumberField label="Rated torque" isStacked unit="N·m" value={torqueNm} onChange={setTorque} />
      <SelectField
        label="What brings you here?"
        isStacked
        value={reason}
        onChange={(one: Reason) => setReason(one)}
        options={(Object.keys(REASONS) as Reason[]).map((value) => ({ value, name: REASONS[value].name }))}
      />
      <SelectField
        label="Which title do you drive?"
        isStacked
        value={title}
        onChange={setTitle}
        options={[
          ...Object.entries(SHAPES).map(([id, { name: shape }]) => ({
            value: `${ANOTHER}${id}`,
            name: `mine: ${shape}`,
          })),
          ...titles.map(({ id, name: known }) => ({ value: id, name: known })),
        ]}
      />
      {title.startsWith(ANOTHER) ? (
        <TextField label="It is called" isStacked value={titleName} onChange={setTitleName} most={40} />
      ) : (
        <span />
      )}
      <SelectField
        label="With which car?"
        isStacked
        value={car}
        onChange={setCar}
        options={[
          ...CAR_CLASSES.map(({ id, name: one }) => ({
            value: `${ANOTHER}${id}`,
            name: `mine: ${one.toLowerCase()}`,
          })),
          ...cars.map(({ id, name: known }) => ({ value: id, name: known })),
        ]}
      />
      {car.startsWith(ANOTHER) ? (
        <TextField label="The car is called" isStacked value={carName} onChange={setCarName} most={80} />
      ) : (
        <span />
      )}
      <div>
        <Button type="submit" disabled={!mover || isBusy || name.trim() === ''}>
          {mover ? 'That is the brake: begin' : 'Waiting for a pedal…'}
        </Button>
      </div>
    </form>
  );
}
