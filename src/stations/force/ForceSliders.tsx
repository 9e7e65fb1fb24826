import { forceFields, otherFields, type ForceField, type ForceParameter } from '@/core/force/forceParameters';
import { keyText, LAYERS, type Layer } from '@/core/settings/setting';
import { NumberSlider } from '@/ui/NumberSlider';
import type { BookView } from '@/book/model/bookView';
import type { DraftSettings } from '@/parts/useDraftSettings';
import { termBeside } from '@/words/standardTerm';
import { PANEL_NAMES, settingsOn, type Panel } from '@/words/forcePanels';

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
export function OtherSliders({ view, draft }: { view: BookView; draft: DraftSettings }) {
  const fields = LAYERS.flatMap((layer) => otherFields(view.menus, draft.values, layer));
  if (fields.length === 0) return null;
  return (
    <section aria-label="Kept, not computed" className="mt-4 max-w-2xl">
      <h3 className="text-sm text-muted">
        Kept and put on the card; what they do to the force is not computed
      </h3>
      {fields.map((one) => (
        <ForceSlider key={keyText(one.key)} one={one} view={view} draft={draft} />
      ))}
    </section>
  );
}

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
