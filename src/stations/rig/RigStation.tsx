'use client';

import isEqual from 'fast-deep-equal';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { DRIVES, SENSORS, type RigSpec } from '@/core/rig/rigSpec';
import { CAUTIONS } from '@/catalog/cautions';
import { Button } from '@/ui/Button';
import { NumberField, SelectField, TextField } from '@/ui/fields';
import type { BookView } from '@/book/model/bookView';
import { NextStep, StationPage } from '@/ui/StationPage';
import { told } from '@/parts/told';
import { copyRig, saveRig } from '@/book/write/rigs';
import { AxisSources } from '@/parts/AxisSources';
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
  const [name, setName] = useState(view.rig.name);
  const [spec, setSpec] = useState<RigSpec>(view.rig.spec);
  const [copyName, setCopyName] = useState(`${view.rig.name} 2`);
  // Where the axes come from is kept on its own; the form must not put it back.
  const draft = { ...spec, device: view.rig.spec.device, cabling: view.rig.spec.cabling };
  const isChanged = name !== view.rig.name || !isEqual(draft, view.rig.spec);
  const base = (part: Partial<RigSpec['base']>) => setSpec({ ...spec, base: { ...spec.base, ...part } });
  const rim = (part: Partial<RigSpec['rim']>) => setSpec({ ...spec, rim: { ...spec.rim, ...part } });
  // What the form began with: where another window described the rig since, it says so.
  const [began, setBegan] = useState(view.rig);
  const { device, cabling } = view.rig.spec;
  const save = async () => {
    const seen = { name: began.name, spec: { ...began.spec, device, cabling } };
    if (!told(await saveRig({ name, spec: draft, seen }), `${name} is written down`)) return;
    setBegan({ ...view.rig, name, spec: draft });
    router.refresh();
  };
  const torque = spec.base.torqueNm ?? 0;
  return (
    <StationPage
      finding={`The ${view.rig.name}, written down once`}
      subtitle="What is not known stays empty: nothing is guessed from it."
      next={
        <>
          <NextStep
            number={1}
            title={isChanged ? 'Keep what you wrote' : 'Nothing to keep'}
            actions={
              <>
                <Button look="next" disabled={!isChanged} onClick={() => void save()}>
                  Keep
                </Button>
                {isChanged && (
                  <Button
                    onClick={() => {
                      setName(view.rig.name);
                      setSpec(view.rig.spec);
                    }}
                  >
                    Put back
                  </Button>
                )}
              </>
            }
          >
            New firmware asks again in Ready what it may have reset.
          </NextStep>
          <AxisSources rig={view.rig} />
          <div className="py-3">
            <h3 className="pb-1 font-bold">One more like this</h3>
            <TextField label="Name of the copy" value={copyName} onChange={setCopyName} most={40} />
            <Button
              className="mt-2"
              onClick={() => void copyRig(copyName).then((reply) => told(reply, `${copyName} is open now`))}
            >
              Copy the rig
            </Button>
          </div>
        </>
      }
    >
      <div className="grid max-w-3xl gap-x-6 gap-y-1 sm:grid-cols-2">
        <Group title="Base">
          <TextField label="Name of the rig" value={name} onChange={setName} most={40} />
          <SelectField
            label="Drive"
            value={spec.base.drive}
            options={options(DRIVES, DRIVE_NAMES)}
            onChange={(drive) => base({ drive })}
          />
          <NumberField
            label="Rated torque"
            unit="N·m"
            value={spec.base.torqueNm}
            onChange={(torqueNm) => base({ torqueNm })}
          />
          <NumberField
            label="Greatest rotation"
            unit="°"
            value={spec.base.maxRotationDeg}
            onChange={(maxRotationDeg) => base({ maxRotationDeg })}
          />
          <NumberField
            label="Set to"
            unit="°"
            value={spec.base.rotationDeg}
            onChange={(rotationDeg) => base({ rotationDeg })}
          />
          <NumberField
            label="Own friction"
            unit="N·m"
            value={spec.base.frictionNm}
            onChange={(frictionNm) => base({ frictionNm })}
          />
          <NumberField
            label="Delay"
            unit="ms"
            value={spec.base.delayMs}
            onChange={(delayMs) => base({ delayMs })}
          />
          <TextField
            label="What the maker limits"
            value={spec.base.makersLimits}
            onChange={(makersLimits) => base({ makersLimits })}
          />
        </Group>
        <div>
          <Cautions torque={torque} />
          <Group title="Rim">
            <NumberField
              label="Diameter"
              unit="mm"
              value={spec.rim.diameterMm}
              onChange={(diameterMm) => rim({ diameterMm })}
            />
            <NumberField
              label="Mass"
              unit="kg"
              value={spec.rim.massKg}
              onChange={(massKg) => rim({ massKg })}
            />
            <NumberField
              label="or inertia"
              unit="kg·m²"
              value={spec.rim.inertiaKgM2}
              onChange={(inertiaKgM2) => rim({ inertiaKgM2 })}
            />
            <TextField label="Inputs" value={spec.rim.inputs} onChange={(inputs) => rim({ inputs })} />
          </Group>
        </div>
        <Group title="Pedals">
          {(['throttle', 'brake', 'clutch'] as const).map((pedal) => (
            <SelectField
              key={pedal}
              label={pedal.replace(/^./, (c) => c.toUpperCase())}
              value={spec.pedals[pedal] ?? 'none'}
              options={[...options(SENSORS, SENSOR_NAMES), { value: 'none' as const, name: 'There is none' }]}
              onChange={(value) =>
                setSpec({ ...spec, pedals: { ...spec.pedals, [pedal]: value === 'none' ? null : value } })
              }
            />
          ))}
          <BrakeForce spec={spec} onChange={(brakeForce) => base({ brakeForce })} />
        </Group>
        <Group title="Hands">
          <SelectField
            label="Shifter"
            value={spec.shifter?.kind ?? 'none'}
            options={[
              { value: 'gate', name: 'Gates' },
              { value: 'sequential', name: 'Sequential' },
              { value: 'none', name: 'There is none' },
            ]}
            onChange={(kind) =>
              setSpec({
                ...spec,
                shifter: kind === 'none' ? null : { kind, gears: spec.shifter?.gears ?? 6 },
              })
            }
          />
          {spec.shifter?.kind === 'gate' && (
            <NumberField
              label="Forward gates"
              unit=""
              value={spec.shifter.gears}
              onChange={(gears) => setSpec({ ...spec, shifter: { kind: 'gate', gears: gears ?? 6 } })}
            />
          )}
          <SelectField
            label="Handbrake"
            value={spec.handbrake ?? 'none'}
            options={[
              { value: 'analogue', name: 'Analogue' },
              { value: 'switch', name: 'A switch' },
              { value: 'none', name: 'There is none' },
            ]}
            onChange={(value) => setSpec({ ...spec, handbrake: value === 'none' ? null : value })}
          />
          <SelectField
            label="Clutch paddles"
            value={spec.paddles ? 'yes' : 'no'}
            options={[
              { value: 'yes', name: 'Two, analogue' },
              { value: 'no', name: 'There are none' },
            ]}
            onChange={(value) => setSpec({ ...spec, paddles: value === 'yes' })}
          />
          <TextField
            label="Mounting"
            value={spec.mounting}
            onChange={(mounting) => setSpec({ ...spec, mounting })}
          />
        </Group>
      </div>
      <Software spec={spec} onChange={(software) => setSpec({ ...spec, software })} />
    </StationPage>
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
function Cautions({ torque }: { torque: number }) {
  const said = CAUTIONS.filter(({ fromNm }) => torque >= fromNm);
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

function BrakeForce({
  spec,
  onChange,
}: {
  spec: RigSpec;
  onChange(scale: RigSpec['base']['brakeForce']): void;
}) {
  const scale = spec.base.brakeForce;
  if (spec.pedals.brake !== 'load-cell') return null;
  if (!scale)
    return (
      <Button className="mt-1" onClick={() => onChange({ min: 0, max: 100, step: 1, now: 100 })}>
        The base scales the brake force
      </Button>
    );
  const set = (part: Partial<typeof scale>) => onChange({ ...scale, ...part });
  return (
    <>
      <NumberField
        label="Brake force now"
        unit=""
        value={scale.now}
        onChange={(now) => set({ now: now ?? scale.now })}
      />
      <NumberField
        label="Least"
        unit=""
        value={scale.min}
        onChange={(min) => set({ min: min ?? scale.min })}
      />
      <NumberField
        label="Greatest"
        unit=""
        value={scale.max}
        onChange={(max) => set({ max: max ?? scale.max })}
      />
      <NumberField
        label="One notch"
        unit=""
        value={scale.step}
        onChange={(step) => set({ step: step ?? scale.step })}
      />
      <Button look="quiet" onClick={() => onChange(null)}>
        It has no such scale
      </Button>
    </>
  );
}
