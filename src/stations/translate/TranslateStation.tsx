'use client';

import { useMemo, useState } from 'react';
import { TITLES } from '@/catalog/titles';
import type { AxisName } from '@/core/axes/axes';
import { describeProblem, type Problem } from '@/core/problem';
import { readPackJson, type Pack } from '@/core/formats/packJson';
import { checkSettings, type FieldValues } from '@/core/response/settings';
import {
  transferSettings,
  hardwareDiffers,
  type Hardware,
  type SetAxis,
} from '@/core/settings/transferSettings';
import type { MenuSchema } from '@/core/response/menuSchema';
import { NumberField, SelectField } from '@/ui/fields';
import type { BookView } from '@/book/model/bookView';
import { CarriedList } from '@/parts/CarriedList';
import { hardwareOf } from '@/book/judge/hardware';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep, StationPage } from '@/ui/StationPage';
import { FileStep, PackHead } from './ProfileFile';
import { TranslatedCurve } from './TranslatedCurve';
import type { DialectSource } from '@/book/model/dialectSource';

const DRIVES = ['gear driven', 'belt driven', 'direct drive', 'of unknown drive'].map((value) => ({
  value,
  name: value,
}));

/** A profile is text; anything larger is something else. */
const LARGEST_FILE = 2 * 1024 * 1024;

/**
 * "Somebody gave me these numbers": what they mean, what they become here, and what is lost on the way.
 * @param own the driver's own titles
 */
export function TranslateStation({ view, own }: { view: BookView; own: DialectSource[] }) {
  const sources = useMemo((): DialectSource[] => [...TITLES, ...own], [own]);
  const [sourceId, setSourceId] = useState(sources.find((s) => s.id !== view.title.id)?.id ?? sources[0]!.id);
  const [axis, setAxis] = useState<AxisName>('brake');
  const [given, setGiven] = useState<Partial<Record<AxisName, FieldValues>>>({});
  const [hardware, setHardware] = useState<Hardware>({
    drive: 'of unknown drive',
    torqueNm: null,
    maxRotationDeg: null,
  });
  const [pack, setPack] = useState<Pack | null>(null);
  const [problems, setProblems] = useState<Problem[]>([]);
  const source = sources.find((s) => s.id === sourceId)!;

  const typed = useMemo(
    () =>
      Object.entries(given).flatMap(([name, values]): SetAxis[] => {
        const dialect = source.dialects[name as AxisName];
        const isTyped = Object.keys(values).length > 0;
        return dialect && isTyped && checkSettings(dialect, values).ok
          ? [{ layer: 'title', axis: name as AxisName, dialect, values, points: null }]
          : [];
      }),
    [given, source],
  );
  const sets = pack ? pack.settings : typed;
  const carried = useMemo(() => {
    const transfer = {
      from: pack?.hardware ?? hardware,
      to: hardwareOf(view.rig.spec),
      isWhole: pack !== null,
    };
    return transferSettings(sets, view.menus, view.settings, transfer);
  }, [sets, view, pack, hardware]);
  const from = pack ? `${pack.name}, ${pack.title} on the ${pack.rig}` : source.name;
  const differs = hardwareDiffers(pack?.hardware ?? hardware, hardwareOf(view.rig.spec));

  const read = async (file: File) => {
    if (file.size > LARGEST_FILE)
      return setProblems([
        {
          code: 'too-large',
          message: `${file.name} has ${Math.round(file.size / 1024 / 1024)} MB.`,
          place: {},
          remedy: 'A profile has a few kilobytes: choose a .profile.json.',
        },
      ]);
    const result = readPackJson(await file.text());
    setProblems(result.ok ? [] : result.problems);
    setPack(result.ok ? result.value : null);
  };
  return (
    <StationPage
      finding={translateFinding(view, sets, carried)}
      subtitle={`What numbers from elsewhere mean on the ${view.names.rig} in ${view.names.title}.`}
      next={
        <>
          <NextStep title={sets.length === 0 ? 'Type what you were given' : 'Take over what is wanted'}>
            {sets.length === 0 ? (
              'Choose the title that they were written in and type them axis by axis, or open a file.'
            ) : (
              <>
                {differs && (
                  <p className="mb-2 text-rust">{differs.replace(/^./, (c) => c.toUpperCase())}.</p>
                )}
                <CarriedList view={view} carried={carried} why={`Translated from ${from}.`} />
              </>
            )}
          </NextStep>
          <FileStep view={view} onFile={(file) => void read(file)} problems={problems} />
          <NextStep
            title="A title or base that is not in the list"
            actions={
              <>
                <LinkButton href="/translate/describe">Describe it</LinkButton>
                <LinkButton href="/translate/share">From a pack</LinkButton>
              </>
            }
          >
            Three minutes at its menus: what it shows at neutral, at the ends, and at three known inputs. Or
            somebody has described it already, and shares it.
          </NextStep>
        </>
      }
    >
      {pack ? (
        <PackHead pack={pack} onClose={() => setPack(null)} />
      ) : (
        <div className="grid max-w-2xl grid-cols-2 gap-3 xl:grid-cols-4">
          <SelectField
            label="Written in"
            isStacked
            value={sourceId}
            options={sources.map(({ id, name }) => ({ value: id, name }))}
            onChange={(id) => {
              setSourceId(id);
              setGiven({});
            }}
          />
          <SelectField
            label="Made on a base that is"
            isStacked
            value={hardware.drive}
            options={DRIVES}
            onChange={(drive) => setHardware({ ...hardware, drive })}
          />
          <NumberField
            label="of"
            isStacked
            unit="N·m"
            value={hardware.torqueNm}
            onChange={(torqueNm) => setHardware({ ...hardware, torqueNm })}
          />
          <NumberField
            label="turning up to"
            isStacked
            unit="°"
            value={hardware.maxRotationDeg}
            onChange={(maxRotationDeg) => setHardware({ ...hardware, maxRotationDeg })}
          />
        </div>
      )}
      <AxisChoice view={view} axis={axis} onChange={setAxis} />
      {!pack && source.dialects[axis] && (
        <GivenFields
          key={`${sourceId}/${axis}`}
          dialect={source.dialects[axis]}
          values={given[axis] ?? {}}
          onChange={(values) => setGiven((now) => ({ ...now, [axis]: values }))}
        />
      )}
      <TranslatedCurve
        view={view}
        axis={axis}
        set={sets.find((s) => s.axis === axis && s.layer === 'title')}
        from={from}
      />
    </StationPage>
  );
}

function translateFinding(
  view: BookView,
  sets: SetAxis[],
  carried: ReturnType<typeof transferSettings>,
): string {
  if (sets.length === 0) return 'Somebody gave you numbers?';
  const items = carried.flatMap((axis) => axis.items);
  const lost = carried.flatMap((axis) => axis.notExpressible).length;
  const translated = items.filter((item) => item.isTranslated).length;
  if (items.length === 0 && lost === 0) return 'They mean what is set here already';
  const cannot = lost > 0 ? `, ${lost} cannot be said here` : '';
  return translated > 0
    ? `${translated} ${translated === 1 ? 'value needs' : 'values need'} translating${cannot}`
    : `${items.length} ${items.length === 1 ? 'value differs' : 'values differ'} from ${view.names.title} as it is${cannot}`;
}

function AxisChoice({
  view,
  axis,
  onChange,
}: {
  view: BookView;
  axis: AxisName;
  onChange(axis: AxisName): void;
}) {
  return (
    <div role="group" aria-label="Axis" className="mt-4 flex flex-wrap gap-x-4 border-b border-line">
      {view.axes
        .filter((other) => other.dialect)
        .map((other) => (
          <button
            key={other.axis}
            type="button"
            aria-pressed={other.axis === axis}
            onClick={() => onChange(other.axis)}
            className={`flex min-h-11 cursor-pointer items-center border-b-3 text-[15px] ${other.axis === axis ? 'border-ink font-bold' : 'border-transparent text-muted hover:text-ink'}`}
          >
            {other.name}
          </button>
        ))}
    </div>
  );
}

/** The fields of the title that the numbers were written in; one that is left empty stands at its neutral. */
function GivenFields({
  dialect,
  values,
  onChange,
}: {
  dialect: MenuSchema;
  values: FieldValues;
  onChange(values: FieldValues): void;
}) {
  const checked = checkSettings(dialect, values);
  return (
    <div className="mt-3 max-w-2xl">
      <div className="grid grid-cols-2 gap-3 xl:grid-cols-4">
        {dialect.fields.map((field) => (
          <NumberField
            key={field.key}
            label={`${field.label}, ${field.min} to ${field.max}`}
            isStacked
            unit=""
            value={values[field.key] ?? null}
            onChange={(value) => {
              const next = { ...values };
              if (value === null) delete next[field.key];
              else next[field.key] = value;
              onChange(next);
            }}
          />
        ))}
      </div>
      <p role="status" className="mt-1 min-h-6 text-sm text-rust">
        {checked.ok ? '' : checked.problems.map(describeProblem).join(' ')}
      </p>
    </div>
  );
}
