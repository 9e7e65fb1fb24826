import type { AxisName } from '@/core/axes/axes';
import { responseParameterOf } from '@/core/response/menuSchema';
import { keyText, LAYERS, POINTS_FIELD } from '@/core/settings/setting';
import { valueText } from '@/core/settings/trail';
import { capital } from '@/words/format';
import type { AxisView } from '../../model/axisView';
import type { BookView } from '../../model/bookView';
import type { Finding } from '../../model/stationHealth';
import { openOf } from './axes';

export type ShapedAxis = Pick<AxisView, 'axis' | 'name' | 'menus' | 'recommendations' | 'declined'>;

/** What of an axis is set away from neutral, on any layer; rotation is for Lock. */
function offNeutral(menus: AxisView['menus'], axis: AxisName, settings: BookView['settings']) {
  return LAYERS.flatMap((layer) => {
    const fields = menus[layer]?.dialect.fields ?? [];
    const drawn = settings[keyText({ layer, axis, field: POINTS_FIELD })];
    return [
      ...fields.flatMap((field) => {
        const value = settings[keyText({ layer, axis, field: field.key })];
        const isSet = value !== undefined && value !== field.neutral && responseParameterOf(field.maps);
        return isSet ? [{ label: field.label.toLowerCase(), value: valueText(value) }] : [];
      }),
      ...(drawn === undefined ? [] : [{ label: 'curve', value: 'drawn' }]),
    ];
  });
}

/** What is set of the responses, and whether something that a capture asks for is still open. */
export function shapeFinding({
  axes,
  settings,
}: Pick<BookView, 'settings'> & { axes: readonly ShapedAxis[] }): Finding {
  const set = axes.flatMap(({ axis, menus, name }) =>
    offNeutral(menus, axis, settings).map(({ label, value }) => `${name.toLowerCase()} ${label} ${value}`),
  );
  const asked = axes.flatMap(openOf);
  if (asked.length > 0) {
    const [{ label, from, to }] = asked as [(typeof asked)[number]];
    const reason =
      asked.length === 1 ? `${label} ${from} → ${to} is open` : `${asked.length} changes are open`;
    return { health: 'under-way', reason: capital(reason), heading: capital(reason) };
  }
  if (set.length === 0) return { health: 'untouched', reason: 'All at neutral', heading: 'All at neutral' };
  const said = capital(set.length > 2 ? `${set.length} settings off neutral` : set.join(', '));
  return { health: 'settled', reason: said, heading: said };
}
