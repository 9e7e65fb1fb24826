import type { BrakeLimit } from '@/core/force/brakeLimit';
import { chainOf } from '@/core/force/chainOf';
import { softStop } from '@/core/force/softStop';
import { forceFields, otherFields, type ForceField, type ForceParameter } from '@/core/force/forceParameters';
import { keyText, LAYERS, type Layer } from '@/core/settings/setting';
import { gridPoint } from '@/core/response/menuSchema';
import { percent } from '@/core/text/percent';
import { Button } from '@/ui/Button';
import { NumberSlider } from '@/ui/NumberSlider';
import type { BookView } from '@/book/model/bookView';
import type { DraftSettings } from '@/parts/useDraftSettings';
import { termBeside } from '@/words/standardTerm';
import { PANEL_NAMES, settingsOn, type Panel } from '@/words/forcePanels';
import type { ForceState } from './useForce';

const layerNames = (view: BookView): Record<Layer, string> => ({
  base: view.menus.base.steering?.dialect.name ?? 'Base',
  title: view.names.title,
  car: view.names.car,
});

/** What base, title and car let one set of a part, each in its own numbers. */
export function ForceSliders({ view, draft, panel }: { view: BookView; draft: DraftSettings; panel: Panel }) {
  const names = layerNames(view);
  const shown = settingsOn(panel);
  return (
    <div className="mt-3 max-w-2xl" role="group" aria-label={`${PANEL_NAMES[panel]} settings`}>
      {LAYERS.map((layer) => {
        const fields = forceFields(view.menus, draft.values, layer).filter(({ field }) =>
          shown.includes(field.key as ForceParameter),
        );
        if (fields.length === 0) return null;
        return (
          <section key={layer} aria-label={names[layer]}>
            <h3 className="mt-2 text-sm text-muted">{names[layer]}</h3>
            {fields.map((one) => (
              <ForceSlider key={keyText(one.key)} one={one} view={view} draft={draft} />
            ))}
          </section>
        );
      })}
    </div>
  );
}

/** What the menus let one set of the wheel and nothing here computes: kept with the rest, and put on the card. */
export function OtherSliders({
  view,
  draft,
  brake = null,
  force = null,
}: {
  view: BookView;
  draft: DraftSettings;
  /** Where harder braking slows no more, from the log that is chosen. */
  brake?: BrakeLimit | null;
  /** What corners weigh, where the force is known. */
  force?: ForceState | null;
}) {
  const fields = LAYERS.flatMap((layer) => otherFields(view.menus, draft.values, layer));
  if (fields.length === 0) return null;
  return (
    <section aria-label="Kept, not computed" className="mt-4 max-w-2xl">
      <h3 className="text-sm text-muted">
        Kept and put on the card; what they do to the force is not computed
      </h3>
      {fields.map((one) => (
        <div key={keyText(one.key)}>
          <ForceSlider one={one} view={view} draft={draft} />
          {one.key.field === 'brakeVibration' && <BrakeReminder one={one} brake={brake} draft={draft} />}
          {one.key.field === 'softStop' && <StopHardness one={one} force={force} draft={draft} />}
        </div>
      ))}
    </section>
  );
}

/** A reminder in the rim belongs where harder braking slows no more: from a log, or how to know it. */
function BrakeReminder({
  one: { field, key },
  brake,
  draft,
}: {
  one: ForceField;
  brake: BrakeLimit | null;
  draft: DraftSettings;
}) {
  if (!brake)
    return (
      <p className="text-sm text-muted">
        Where it belongs a log tells that has braking harder than the limit: choose one in Strength.
      </p>
    );
  const to = onFieldGrid(field, field.min + brake.brake * (field.max - field.min));
  return (
    <p className="text-sm text-muted">
      Above {percent(brake.brake)} ± {percent(brake.plusMinus)} of the brake this log slows no harder (
      {brake.decelerationMps2.toFixed(1)} m/s² over {brake.seconds.toFixed(0)} s of braking).{' '}
      <Button look="quiet" className="px-0" onClick={() => draft.attempt(key, to)}>
        Try {to}
      </Button>
    </p>
  );
}

/** A stop has to be told from a corner, and no harder: from what corners weigh, or how to know that. */
function StopHardness({
  one: { field, key },
  force,
  draft,
}: {
  one: ForceField;
  force: ForceState | null;
  draft: DraftSettings;
}) {
  const cornerNm = force?.report?.judgement.cornerNm ?? 0;
  if (!force || cornerNm <= 0 || force.facts.car.scaleIsAssumed)
    return (
      <p className="text-sm text-muted">
        It has to be told from a corner: what corners weigh in this car is not known yet.
      </p>
    );
  const { hardware, base } = chainOf(force.facts);
  const { to, wantedNm, mostNm } = softStop(field, cornerNm, Math.min(hardware.ratedNm, base.torqueLimitNm));
  return (
    <p className="text-sm text-muted">
      From {wantedNm.toFixed(1)} N·m on it is felt as an end and not as a corner ({cornerNm.toFixed(1)} N·m,{' '}
      simulated); a harder one only throws the hands back.{' '}
      {to === null ? (
        `This base gives ${mostNm.toFixed(1)} N·m at most: take all of it.`
      ) : (
        <>
          If {field.max} is all that the base gives ({mostNm.toFixed(1)} N·m), that is{' '}
          <Button look="quiet" className="px-0" onClick={() => draft.attempt(key, to)}>
            Try {to}
          </Button>
          . Turn into it slowly first, thumbs outside the spokes.
        </>
      )}
    </p>
  );
}

/** The nearest number that a field can be set to. */
const onFieldGrid = (field: ForceField['field'], wanted: number) =>
  gridPoint(field, Math.round((wanted - field.min) / field.step));

function ForceSlider({ one, view, draft }: { one: ForceField; view: BookView; draft: DraftSettings }) {
  const { field, key, value } = one;
  const kept = view.settings[keyText(key)];
  return (
    <NumberSlider
      label={field.label}
      term={termBeside(field)}
      unit={field.unit ?? (field.maps.kind === 'torque' ? 'N·m' : '')}
      min={field.min}
      max={field.max}
      step={field.step}
      neutral={field.neutral}
      value={value}
      ghost={typeof kept === 'number' ? kept : field.neutral}
      onChange={(to) => draft.attempt(key, to)}
    />
  );
}
