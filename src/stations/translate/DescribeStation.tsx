'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { AxisName } from '@/core/axes/recording';
import { writeDialectJson } from '@/core/formats/dialectJson';
import type { DialectField } from '@/core/response/dialect';
import { Button } from '@/ui/Button';
import { downloadText } from '@/ui/download';
import { NumberField, SelectField, TextField } from '@/ui/fields';
import type { BookView } from '@/book/model/bookView';
import { NextStep, StationPage } from '@/ui/StationPage';
import { told } from '@/parts/told';
import { saveBase, saveTitle } from '@/book/write/titles';
import { dialectOf, fieldsOf, FIRST_ANSWERS, type FieldAnswers } from './describe';
import { FieldForm } from './FieldForm';

type Rotation = 'direct' | 'stretch';
const ROTATIONS: { value: Rotation; name: string }[] = [
  { value: 'direct', name: 'has a rotation setting of its own' },
  { value: 'stretch', name: 'stretches the wheel over the car’s lock' },
];

/** What is described: a title, or the program of the open rig's base. */
export type Subject = 'title' | 'base';

const TURNS = { min: 180, max: 1080, step: 10, neutral: 900 };

const rotationField = (turns: typeof TURNS): DialectField => ({
  key: 'rotation',
  label: 'Rotation',
  ...turns,
  maps: { kind: 'degrees', of: 'rotation' },
});

/** Describes a title or a base by its menus: numbers field by field, and what it shows at three known inputs. */
export function DescribeStation({ view, subject }: { view: BookView; subject: Subject }) {
  const router = useRouter();
  const isBase = subject === 'base';
  // Where another window described the base since, it says so.
  const [began] = useState(view.rig.spec.base.program);
  const pedals = view.axes.filter(({ axis }) => axis !== 'steering' && axis !== 'gear');
  const [name, setName] = useState(isBase ? `${view.rig.name} base` : '');
  const [rotation, setRotation] = useState<Rotation>(isBase ? 'direct' : 'stretch');
  const [turns, setTurns] = useState(isBase ? baseTurns(view) : TURNS);
  const [axes, setAxes] = useState<AxisName[]>(pedals.map(({ axis }) => axis));
  const [answers, setAnswers] = useState(() =>
    FIRST_ANSWERS.map((field) => ({ ...field, isThere: !isBase })),
  );
  const described = answers.some((field) => field.isThere);
  // A base may turn and do nothing else; a title without any field is none.
  const fields = isBase && !described ? [] : fieldsOf(answers);
  const steering = soundTurns(turns) && rotation === 'direct' ? [rotationField(turns)] : [];
  const change = (i: number, next: Partial<FieldAnswers>) =>
    setAnswers((now) => now.map((field, k) => (k === i ? { ...field, ...next } : field)));
  const isWhole = fields !== null && name.trim() !== '' && (rotation !== 'direct' || steering.length > 0);
  const save = async () => {
    if (!fields) return;
    const reply = isBase
      ? await saveBase({ name, steering, axes: fields.length > 0 ? axes : [], fields }, began)
      : await saveTitle({ name, rotation, fields, steering });
    if (
      told(
        reply,
        isBase ? `The ${view.rig.name} has these menus now` : `${name} can be chosen as a title now`,
      )
    )
      router.push(isBase ? '/shape' : '/translate');
  };
  return (
    <StationPage
      finding={finding(view, subject, name)}
      subtitle="Open its menus beside this page. Everything is read off the screen; nothing has to be known."
      next={
        <>
          <NextStep
            number={1}
            title={isWhole ? 'All of it is known' : 'What is still missing'}
            actions={
              <>
                <Button look="next" disabled={!isWhole} onClick={() => void save()}>
                  {isBase ? 'Keep this base' : 'Keep this title'}
                </Button>
                {fields && steering.length + fields.length > 0 && (
                  <Button
                    onClick={() =>
                      downloadText(
                        `${name.trim() || `my-${subject}`}.dialect.json`,
                        writeDialectJson(dialectOf(name, [...steering, ...fields])),
                        'application/json',
                      )
                    }
                  >
                    Save as a file
                  </Button>
                )}
              </>
            }
          >
            {isWhole ? KEPT[subject] : missing(name, answers, isBase)}
          </NextStep>
          <NextStep number={2} title="How to read it">
            Set one field to a value well away from its neutral, leave the others at theirs. Hold the pedal at
            25, 50 and 75 % (the bars on top show yours) and type what{' '}
            {isBase ? 'the base’s program' : 'the title'} displays.
          </NextStep>
          {isBase && view.rig.spec.base.program && (
            <NextStep
              number={3}
              title="As it was"
              actions={
                <Button
                  onClick={() =>
                    void saveBase(null).then((reply) => told(reply, 'The base is as the catalogue knows it'))
                  }
                >
                  Forget {view.rig.spec.base.program.name}
                </Button>
              }
            >
              The base is left with what the catalogue knows of it. What was set stays on the trail.
            </NextStep>
          )}
        </>
      }
    >
      <nav aria-label="What is described" className="mb-3 flex gap-4 border-b border-line">
        {(['title', 'base'] as const).map((one) => (
          <Link
            key={one}
            href={`/translate/describe?of=${one}`}
            aria-current={one === subject ? 'page' : undefined}
            className={`flex min-h-11 items-center border-b-3 text-[15px] ${one === subject ? 'border-ink font-bold' : 'border-transparent text-muted hover:text-ink'}`}
          >
            {one === 'title' ? 'A title' : `The ${view.rig.name}’s base`}
          </Link>
        ))}
      </nav>
      <div className="grid max-w-2xl gap-3 sm:grid-cols-2">
        <TextField label="What is it called?" isStacked value={name} most={40} onChange={setName} />
        {!isBase && (
          <SelectField<Rotation>
            label="With the wheel it"
            isStacked
            value={rotation}
            options={ROTATIONS}
            onChange={setRotation}
          />
        )}
      </div>
      {rotation === 'direct' && (
        <div className="mt-3 grid max-w-2xl grid-cols-4 gap-3">
          {(['min', 'max', 'step', 'neutral'] as const).map((part) => (
            <NumberField
              key={part}
              label={`rotation, ${part === 'neutral' ? 'as it comes' : part}`}
              isStacked
              unit="°"
              value={turns[part]}
              onChange={(value) => value !== null && setTurns({ ...turns, [part]: value })}
            />
          ))}
        </div>
      )}
      {isBase && pedals.length > 0 && (
        <fieldset className="mt-4 flex max-w-2xl flex-wrap gap-x-6">
          <legend className="text-sm text-muted">It shapes</legend>
          {pedals.map(({ axis, name: word }) => (
            <label key={axis} className="flex min-h-11 cursor-pointer items-center gap-2">
              <input
                type="checkbox"
                className="h-5 w-5 accent-(--lichen)"
                checked={axes.includes(axis)}
                onChange={(event) =>
                  setAxes(event.target.checked ? [...axes, axis] : axes.filter((other) => other !== axis))
                }
              />
              {word}
            </label>
          ))}
        </fieldset>
      )}
      {answers.map((field, i) => (
        <FieldForm key={field.parameter} field={field} onChange={(next) => change(i, next)} />
      ))}
    </StationPage>
  );
}

const KEPT: Record<Subject, string> = {
  title: 'It can be chosen on top like any other, shaped in its own numbers and translated to and from.',
  base: 'Its settings become a layer of their own in Shape and Lock, and stand first on the card.',
};

function finding(view: BookView, subject: Subject, name: string): string {
  if (subject === 'base') return `What the ${view.rig.name}’s base lets one set`;
  return name.trim() === '' ? 'Describe a title of your own' : `How ${name} writes its settings`;
}

/** What is known of the base's rotation already. */
function baseTurns(view: BookView): typeof TURNS {
  const field = view.menus.base.steering?.dialect.fields.find(({ key }) => key === 'rotation');
  return field ? { min: field.min, max: field.max, step: field.step, neutral: field.neutral } : TURNS;
}

function soundTurns({ min, max, step, neutral }: typeof TURNS): boolean {
  const steps = (max - min) / step;
  return (
    max > min && step > 0 && Math.abs(steps - Math.round(steps)) < 1e-6 && neutral >= min && neutral <= max
  );
}

function missing(name: string, answers: FieldAnswers[], isBase: boolean): string {
  if (name.trim() === '') return 'Its name, first of all.';
  const open = answers.filter((field) => field.isThere && fieldsOf([field]) === null);
  if (open.length > 0) return `${open.map((field) => field.label).join(', ')}: numbers or readings.`;
  return isBase
    ? 'The least rotation must lie below the most, the step divide the range, the usual one lie inside.'
    : 'At least one field.';
}
