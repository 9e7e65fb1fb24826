'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { writeDialectJson } from '@/core/formats/dialectJson';
import type { DialectField } from '@/core/response/dialect';
import { Button } from '@/ui/Button';
import { downloadText } from '@/ui/download';
import { Form, FormNumber, FormSelect, FormText } from '@/ui/Form';
import type { BookView } from '@/book/model/bookView';
import { NextStep, StationPage } from '@/ui/StationPage';
import { told } from '@/parts/told';
import { useSchemaForm } from '@/parts/useSchemaForm';
import { saveBase, saveTitle } from '@/book/write/titles';
import {
  describeSchema,
  dialectOf,
  fieldsOf,
  FIRST_ANSWERS,
  numbersFault,
  type Description,
  type FieldAnswers,
} from './describe';
import { FieldForm } from './FieldForm';

const ROTATIONS: { value: Description['rotation']; name: string }[] = [
  { value: 'direct', name: 'has a rotation setting of its own' },
  { value: 'stretch', name: 'stretches the wheel over the car’s lock' },
];

/** What is described: a title, or the program of the open rig's base. */
export type Subject = 'title' | 'base';

const TURNS = { min: 180, max: 1080, step: 10, neutral: 900 };

/** What is asked of the rotation, in the order in which one reads it. */
const TURN_WORDS = { min: 'min', max: 'max', step: 'step', neutral: 'as it comes' } as const;

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
  const form = useSchemaForm(describeSchema, {
    name: isBase ? `${view.rig.name} base` : '',
    rotation: isBase ? 'direct' : 'stretch',
    turns: isBase ? baseTurns(view) : TURNS,
    axes: pedals.map(({ axis }) => axis),
    answers: FIRST_ANSWERS.map((field) => ({ ...field, isThere: !isBase })),
  });
  const { control, setValue } = form;
  const { name, rotation, turns, axes, answers } = useWatch({ control }) as Description;
  const described = answers.some((field) => field.isThere);
  // A base may turn and do nothing else; a title without any field is none.
  const fields = isBase && !described ? [] : fieldsOf(answers);
  const sound = rotation === 'direct' ? soundTurns(turns) : null;
  const steering = sound ? [rotationField(sound)] : [];
  const isWhole = fields !== null && name.trim() !== '' && (rotation !== 'direct' || sound !== null);
  const save = async (description: Description) => {
    if (!fields || !isWhole) return;
    const reply = isBase
      ? await saveBase(
          { name: description.name, steering, axes: fields.length > 0 ? axes : [], fields },
          began,
        )
      : await saveTitle({ name: description.name, rotation, fields, steering });
    const done = isBase
      ? `The ${view.rig.name} has these menus now`
      : `${description.name} can be chosen as a title now`;
    if (!told(reply, done)) return;
    // It is kept: nothing is left behind.
    form.reset(description);
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
                <Button type="submit" form="description" look="next" disabled={!isWhole}>
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
      <Form
        form={form}
        id="description"
        what={`What you wrote of ${isBase ? 'the base' : 'the title'}`}
        onKeep={save}
      >
        <div className="grid max-w-2xl gap-3 sm:grid-cols-2">
          <FormText control={control} name="name" label="What is it called?" isStacked most={40} />
          {!isBase && (
            <FormSelect
              control={control}
              name="rotation"
              label="With the wheel it"
              isStacked
              options={ROTATIONS}
            />
          )}
        </div>
        {rotation === 'direct' && (
          <div className="mt-3 grid max-w-2xl grid-cols-4 gap-3">
            {(['min', 'max', 'step', 'neutral'] as const).map((part) => (
              <FormNumber
                key={part}
                control={control}
                name={`turns.${part}`}
                label={`rotation, ${TURN_WORDS[part]}`}
                isStacked
                unit="°"
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
                    setValue(
                      'axes',
                      event.target.checked ? [...axes, axis] : axes.filter((other) => other !== axis),
                      { shouldDirty: true },
                    )
                  }
                />
                {word}
              </label>
            ))}
          </fieldset>
        )}
        {answers.map((field, i) => (
          <FieldForm key={field.parameter} control={control} index={i} />
        ))}
      </Form>
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

/** The rotation's numbers where they are all there and can be. */
function soundTurns(turns: Description['turns']): typeof TURNS | null {
  const { min, max, step, neutral } = turns;
  if (min === null || max === null || step === null || neutral === null) return null;
  return numbersFault(turns) === null ? { min, max, step, neutral } : null;
}

function missing(name: string, answers: FieldAnswers[], isBase: boolean): string {
  if (name.trim() === '') return 'Its name, first of all.';
  const open = answers.filter((field) => field.isThere && fieldsOf([field]) === null);
  if (open.length > 0) return `${open.map((field) => field.label).join(', ')}: numbers or readings.`;
  return isBase
    ? 'The least rotation must lie below the most, the step divide the range, the usual one lie inside.'
    : 'At least one field.';
}
