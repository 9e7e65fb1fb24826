import { responseLayers } from '@/core/settings/menus';
import { rotationInForce } from '@/core/settings/rotationOf';
import type { SettingValue } from '@/core/settings/setting';
import { withDraft } from '@/core/settings/withDraft';
import type { BookView } from '../model/bookView';

/** A place as it would be with other values of some settings: what a ride of an experiment goes through. */
export function withSettings(view: BookView, values: Record<string, SettingValue | null>): BookView {
  const settings = withDraft(view.settings, values);
  const { menus, car, title } = view;
  return {
    ...view,
    settings,
    axes: view.axes.map((axis) => ({ ...axis, layers: responseLayers(menus, settings, axis.axis) })),
    rotation: rotationInForce(menus, settings, car.lockDeg, title.rotation === 'stretch'),
  };
}
