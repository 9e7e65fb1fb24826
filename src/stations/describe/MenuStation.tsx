'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useFieldArray, useWatch } from 'react-hook-form';
import { writeDialectJson } from '@/core/formats/dialectJson';
import { writeBaseJson } from '@/core/formats/thingsJson';
import { fieldsOn, writeTitleJson, type TitleDocument } from '@/core/formats/titleJson';
import { isForceField } from '@/core/force/forceParameters';
import type { DescribedField } from '@/core/titles/describedField';
import { placed } from '@/core/titles/place';
import { isWhole, valuesSaid } from '@/core/titles/titleDocument';
import type { BookView } from '@/book/model/bookView';
import type { DescribedThings } from '@/book/model/describedThings';
import { applyChanges } from '@/book/write/settings';
import { saveBase, saveTitle } from '@/book/write/titles';
import { notifyReply } from '@/parts/notifyReply';
import { useSchemaForm } from '@/parts/useSchemaForm';
import { Button } from '@/ui/Button';
import { CheckField } from '@/ui/CheckField';
import { downloadText } from '@/ui/download';
import { Form, FormNumber, FormSelect, FormText } from '@/ui/Form';
import { NextStep, StationPage } from '@/ui/StationPage';
import {
  emptyField,
  formFields,
  formOfTitle,
  meaning,
  menuFormSchema,
  programFields,
  programOf,
  titleOf,
  type MenuForm,
} from './menuForm';
import { GainProbeStep } from './GainProbeStep';
import { MenuField, ROW } from './MenuField';
import { QuickWays } from './QuickWays';

const ROTATIONS: { value: MenuForm['rotation']; name: string }[] = [
  { value: 'direct', name: 'has its own rotation' },
  { value: 'stretch', name: 'stretches it over the lock' },
];

interface Props {
  view: BookView;
  of: 'title' | 'base';
  things: DescribedThings;
  /** The own title that is described anew. */
  title: DescribedThings['title'];
  tabs: React.ReactNode;
}

/** The menus of a title or a base, field by field: pasted, begun from a shape, copied or typed. */
export function MenuStation({ view, of, things, title, tabs }: Props) {
  const router = useRouter();
  const isBase = of === 'base';
  // Where another window described the base since, it says so.
  const [program] = useState(view.rig.spec.base.program);
  const [before, setBefore] = useState<TitleDocument | null>(title?.document ?? null);
  const pedals = view.axes.filter(({ axis }) => axis !== 'steering' && axis !== 'gear');
  const form = useSchemaForm(menuFormSchema, beginning(view, of, title?.document ?? null));
  const { control, setValue } = form;
  const { fields, append, remove, replace } = useFieldArray({ control, name: 'fields' });
  const now = useWatch({ control }) as MenuForm;
  const page = `${now.name.trim() || (isBase ? 'Base' : 'Menu')} › ${isBase ? 'Settings' : 'Force and controls'}`;
  const take = (found: DescribedField[]) => {
    // What was typed stays; an empty first row does not.
    const typed = (form.getValues('fields') as MenuForm['fields']).filter(({ label }) => label.trim() !== '');
    replace([...typed, ...formFields(found)]);
    // The hands stay on the keys: the first of them is where one goes on.
    requestAnimationFrame(() => document.querySelector<HTMLElement>('#description ol input')?.focus());
  };
  const save = async (description: MenuForm) => {
    const isDone = isBase
      ? await keepBase(description)
      : await keepTitle(description, before, title?.id ?? null, view);
    if (!isDone) return;
    // It is kept: nothing is left behind.
    form.reset(description);
    router.push(isBase ? '/force' : '/shape');
    router.refresh();
  };
  const keepBase = async (description: MenuForm) => {
    const described = programOf(description);
    return (
      described !== null &&
      notifyReply(await saveBase(described, program), `The ${view.rig.name} has these menus now`)
    );
  };
  const whole = isBase ? programOf(now) !== null : titleOf(now, before) !== null;
  const isWhole = whole && now.name.trim() !== '' && now.fields.length > 0;
  const gainAt = now.fields.findIndex(({ role, layer }) => role === 'gain' && layer === 'title');
  const computed = now.fields.filter(({ role }) => isForceField(role)).length;
  return (
    <StationPage
      finding={finding(view, of, now.name)}
      subtitle="Open its menus beside this page. What is not known stays open; nothing is guessed in its place."
      next={
        <>
          <NextStep
            title={isWhole ? 'All of it is there' : 'What is still missing'}
            actions={
              <>
                <Button type="submit" form="description" look="next" disabled={!isWhole}>
                  {isBase ? 'Keep this base' : 'Keep this title'}
                </Button>
                {isWhole && (
                  <Button
                    onClick={() =>
                      downloadText(
                        `${now.name.trim()}.${of}.json`,
                        isBase ? writeBaseJson(programOf(now)!) : writeTitleJson(titleOf(now, before)!),
                        'application/json',
                      )
                    }
                  >
                    Save as a file
                  </Button>
                )}
                {isWhole && !isBase && (
                  <Button
                    look="quiet"
                    onClick={() => {
                      const fields = fieldsOn(titleOf(now, before)!, 'title', 'brake', 0);
                      downloadText(
                        `${now.name.trim()}.dialect.json`,
                        writeDialectJson({ name: now.name.trim(), axis: 'brake', fields }),
                        'application/json',
                      );
                    }}
                  >
                    Its brake as a dialect
                  </Button>
                )}
              </>
            }
          >
            {isWhole
              ? `${now.fields.length === 1 ? 'One field' : `${now.fields.length} fields`}; of the force: ${computed === 0 ? 'none' : computed}. ${isBase ? 'It becomes a layer of its own.' : 'It is opened at once.'}`
              : missing(now)}
          </NextStep>
          <NextStep title="Which fields matter">
            {isBase
              ? 'Strength, what it lets through of a title’s damper and spring, its own damper, filter and torque limit. Without strength the force at the rim is taken as all of it.'
              : 'Gain and minimum force, damper, road and kerbs, rotation; dead zone, saturation and linearity of the controls. Without gain nothing is said of its force.'}
          </NextStep>
          {!isBase && gainAt >= 0 && (
            <GainProbeStep
              view={view}
              label={now.fields[gainAt]!.label}
              onFactor={() => {
                const maps = meaning(now.fields[gainAt]!)?.maps ?? null;
                setValue(`fields.${gainAt}.maps`, maps, { shouldDirty: true });
                setValue(`fields.${gainAt}.isMeasured`, true, { shouldDirty: true });
              }}
            />
          )}
          {isBase && view.rig.spec.base.program && (
            <NextStep
              title="As it was"
              actions={
                <Button
                  onClick={() =>
                    void saveBase(null).then((reply) =>
                      notifyReply(reply, 'The base is as the catalogue knows it'),
                    )
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
      {tabs}
      <Form form={form} id="description" what={`What you wrote of the ${of}`} onKeep={save}>
        <div className="grid gap-3 @min-[36rem]:grid-cols-3">
          <FormText control={control} name="name" label="What is it called?" isStacked most={40} />
          {!isBase && (
            <>
              <FormSelect
                control={control}
                name="rotation"
                label="With the wheel it"
                isStacked
                options={ROTATIONS}
              />
              <FormNumber
                control={control}
                name="forceHz"
                label="Force rate, if it says"
                isStacked
                unit="Hz"
              />
            </>
          )}
        </div>
        <QuickWays
          isOpen={now.fields.every(({ role }) => role === 'rotation')}
          of={of}
          page={page}
          copies={things.copies}
          onFields={take}
          onBase={(found) => {
            setValue('name', found.name, { shouldDirty: true });
            setValue('axes', found.axes, { shouldDirty: true });
            replace(formFields(programFields(found)));
          }}
          onTitle={(document) => {
            setBefore(document);
            const { rotation, forceHz, fields: copied } = formOfTitle(document);
            if (now.name.trim() === '' && document.origin === '') setValue('name', document.name);
            setValue('rotation', rotation, { shouldDirty: true });
            setValue('forceHz', forceHz, { shouldDirty: true });
            replace(copied);
          }}
        />
        {isBase &&
          pedals.length > 0 &&
          now.fields.some(({ axes }) => axes.some((axis) => axis !== 'steering')) && (
            <fieldset className="mt-3 flex flex-wrap gap-x-6">
              <legend className="text-sm text-muted">Of the pedals it shapes</legend>
              {pedals.map(({ axis, name: word }) => (
                <CheckField
                  key={axis}
                  label={word}
                  checked={now.axes.includes(axis)}
                  onChange={(isOn) =>
                    setValue(
                      'axes',
                      isOn ? [...now.axes, axis] : now.axes.filter((other) => other !== axis),
                      { shouldDirty: true },
                    )
                  }
                />
              ))}
            </fieldset>
          )}
        <div className="@container">
          {fields.length > 0 && (
            <div aria-hidden="true" className={`mt-3 text-sm text-muted ${ROW}`}>
              <span className="hidden @min-[40rem]:block">as it is called</span>
              <span className="hidden @min-[40rem]:block">what it does</span>
              <span>lowest</span>
              <span>highest</span>
              <span>step</span>
              <span>comes at</span>
            </div>
          )}
          <ol aria-label="Fields of the menu">
            {fields.map(({ id }, i) => (
              <MenuField key={id} form={form} of={of} index={i} onRemove={() => remove(i)} />
            ))}
          </ol>
        </div>
        <Button className="mt-2" onClick={() => append(emptyField(page))}>
          One more field
        </Button>
      </Form>
    </StationPage>
  );
}

function beginning(view: BookView, of: 'title' | 'base', document: TitleDocument | null): MenuForm {
  const axes = view.axes.filter(({ axis }) => axis !== 'steering' && axis !== 'gear').map(({ axis }) => axis);
  const plain = { rotation: 'direct' as const, forceHz: null, axes };
  if (of === 'base') {
    const { program } = view.rig.spec.base;
    if (program)
      return {
        ...plain,
        name: program.name,
        axes: program.axes.length > 0 ? program.axes : axes,
        fields: formFields(programFields(program)),
      };
    return { ...plain, name: `${view.rig.name} base`, fields: formFields(rotationOf(view)) };
  }
  return document
    ? { ...plain, name: document.name, ...formOfTitle(document) }
    : { ...plain, name: '', fields: [] };
}

/** What is known of the base already: how far it turns. */
function rotationOf(view: BookView): DescribedField[] {
  const field = view.menus.base.steering?.dialect.fields.find(({ key }) => key === 'rotation');
  if (!field) return [];
  const { label, min, max, step, neutral } = field;
  const numbers = { min, max, step, neutral };
  return [
    {
      page: 'Settings',
      ...placed('wheel'),
      label,
      role: 'rotation',
      ...numbers,
      unit: '°',
      maps: null,
      isMeasured: false,
      isApart: false,
      value: null,
    },
  ];
}

function finding(view: BookView, of: 'title' | 'base', name: string): string {
  if (of === 'base') return `What the ${view.rig.name}’s base lets one set`;
  return name.trim() === '' ? 'Describe a title of your own' : `How ${name} writes its settings`;
}

function missing({ name, fields }: MenuForm): string {
  if (name.trim() === '') return 'Its name, first of all.';
  if (fields.length === 0) return 'Its fields: paste the menu, begin with a shape, or copy a title.';
  const open = fields.filter((field) => !isWhole(field));
  return open.length > 0
    ? `Numbers of: ${open.map(({ label }) => label || 'a field without a name').join(', ')}.`
    : '';
}

/** Keeps and opens a title, and sets in it what the driver said that it stands at. */
async function keepTitle(
  description: MenuForm,
  before: TitleDocument | null,
  replaces: string | null,
  view: BookView,
): Promise<boolean> {
  const document = titleOf(description, before);
  if (!document) return false;
  const reply = await saveTitle({ document, opens: true, ...(replaces ? { replaces } : {}) });
  if (!notifyReply(reply, `${description.name} can be chosen as a title now`)) return false;
  const has = new Set<string>(view.axes.map(({ axis }) => axis));
  const changes = valuesSaid(description.fields, has).map((said) => ({
    ...said,
    why: 'As it stood when the title was described.',
  }));
  if (changes.length > 0) notifyReply(await applyChanges(changes));
  return true;
}
