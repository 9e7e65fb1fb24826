'use client';

import { useRouter } from 'next/navigation';
import { useWatch } from 'react-hook-form';
import type { z } from 'zod';
import { CAR_CLASSES, carClassById } from '@/catalog/carClasses';
import { CAR_WORDS } from '@/catalog/ownCar';
import { describedCarSchema, readOwnCarJson, writeOwnCarJson } from '@/core/formats/ownCarJson';
import { describeProblem } from '@/core/problem';
import { KNOWN_OF_A_CAR, knownOfACar, type DescribedCar } from '@/core/vehicle/carClass';
import { tightestRadius } from '@/core/vehicle/track';
import type { BookView } from '@/book/model/bookView';
import { hangsOnClass } from '@/book/judge/ownCar';
import { trackOf } from '@/book/judge/trackOf';
import { saveCar } from '@/book/write/titles';
import { readChosen } from '@/parts/readChosen';
import { notifyReply } from '@/parts/notifyReply';
import { useSchemaForm } from '@/parts/useSchemaForm';
import { Button } from '@/ui/Button';
import { downloadText } from '@/ui/download';
import { Form, FormNumber, FormSelect, FormText } from '@/ui/Form';
import { FileInput } from '@/ui/FileInput';
import { notify } from '@/ui/notices';
import { NextStep, StationPage } from '@/ui/StationPage';
import { Table } from '@/ui/Table';
import { capital } from '@/words/format';

const LARGEST_MB = 2;
const CLASSES = CAR_CLASSES.map(({ id, name }) => ({ value: id, name }));

/** A car of one's own: a class, and what of it is known; the rest is taken as usual, and said how far that reaches. */
export function CarForm({
  view,
  car,
  tabs,
}: {
  view: BookView;
  car: (DescribedCar & { id: string }) | null;
  tabs: React.ReactNode;
}) {
  const router = useRouter();
  const form = useSchemaForm(describedCarSchema, beginning(car));
  const { control } = form;
  const now = useWatch({ control }) as DescribedCar;
  const carClass = carClassById(now.className);
  const open = KNOWN_OF_A_CAR.filter((key) => now[key] === null);
  const save = async (described: z.output<typeof describedCarSchema>) => {
    const reply = await saveCar({ car: described, opens: true, ...(car ? { replaces: car.id } : {}) });
    if (!notifyReply(reply, `${described.name} can be driven now`)) return;
    form.reset(described);
    router.push('/lock');
    router.refresh();
  };
  const read = async (file: File) => {
    const found = await readChosen(file, readOwnCarJson);
    if (found.ok) form.reset(found.value, { keepDefaultValues: true });
    else notify(found.problems.map((one) => describeProblem(one)).join(' '), 'fault');
  };
  return (
    <StationPage
      finding={now.name.trim() === '' ? 'Describe a car of your own' : `What is known of the ${now.name}`}
      subtitle="What you don’t know stays empty: then it is taken as usual for its class, and every figure says so."
      next={
        <>
          <NextStep
            title={
              now.name.trim() === ''
                ? 'Its name, first of all'
                : `${open.length} of ${KNOWN_OF_A_CAR.length} are left to its class`
            }
            actions={
              <>
                <Button type="submit" form="car" look="next" disabled={now.name.trim() === ''}>
                  Keep this car
                </Button>
                {now.name.trim() !== '' && (
                  <Button
                    onClick={() =>
                      downloadText(`${now.name}.car.json`, writeOwnCarJson(now), 'application/json')
                    }
                  >
                    Save as a file
                  </Button>
                )}
              </>
            }
          >
            Steering ratio and lock to lock matter most: a title’s car page or the car’s data sheet has them.
            It is opened at once.
          </NextStep>
          <NextStep title="From a file">
            <FileInput
              label="Open a .car.json"
              isLabelHidden
              accept=".json,application/json"
              mostMb={LARGEST_MB}
              onFile={(file) => void read(file)}
            />
          </NextStep>
        </>
      }
    >
      {tabs}
      <Form form={form} id="car" what="What you wrote of the car" onKeep={save}>
        <div className="grid max-w-3xl gap-x-6 gap-y-1 @min-[36rem]:grid-cols-2">
          <FormText control={control} name="name" label="Called" most={80} />
          <FormSelect control={control} name="className" label="Most like a" options={CLASSES} />
          {KNOWN_OF_A_CAR.map((key) => {
            const { word, unit, digits } = CAR_WORDS[key];
            const [low, usual, high] = carClass.usual[key].map((value) => value.toFixed(digits));
            return (
              <div key={key}>
                <FormNumber control={control} name={key} label={capital(word)} unit={unit} />
                <p className={`text-sm text-muted ${now[key] === null ? '' : 'invisible'}`}>
                  assumed {usual}, {low} to {high} in its class
                </p>
              </div>
            );
          })}
        </div>
      </Form>
      <Depends view={view} car={now} />
    </StationPage>
  );
}

function beginning(car: (DescribedCar & { id: string }) | null): DescribedCar {
  return {
    name: car?.name ?? '',
    className: car?.className ?? CAR_CLASSES[0]!.id,
    ...knownOfACar((key) => car?.[key] ?? null),
  };
}

/** By how much what is said of the car hangs on what is assumed of it. */
function Depends({ view, car }: { view: BookView; car: DescribedCar }) {
  const isSound = describedCarSchema.safeParse({ ...car, name: 'x' }).success;
  if (!isSound) return null;
  const rows = hangsOnClass(car, tightestRadius(trackOf(view))).map(
    ({ name, unit, digits, value, low, high }) => {
      const text = (x: number) => `${x.toFixed(digits)}${unit === '°' ? '°' : ` ${unit}`}`;
      return {
        name,
        value: text(value),
        range: low === high ? 'known' : `${low.toFixed(digits)} to ${text(high)}`,
      };
    },
  );
  return (
    <div className="mt-6 max-w-2xl">
      <Table
        label="What hangs on what is assumed"
        caption="What hangs on what is assumed: each unknown at its least and greatest of the class"
        rows={rows}
        keyOf={({ name }) => name}
        isInOrder
        columns={[
          { head: 'Figure', value: (row) => row.name, isRowHead: true },
          { head: 'As it is taken', value: (row) => row.value, isFigure: true },
          { head: 'Over the class', value: (row) => row.range, isFigure: true },
        ]}
      />
    </div>
  );
}
