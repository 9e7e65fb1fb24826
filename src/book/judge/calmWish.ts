import { responseParameterOf } from '@/core/response/menuSchema';
import { settingAt, type CalmSetting, type CalmWish } from '@/core/rotation/calmCentre';
import { degreesField, responseLayers } from '@/core/settings/menus';
import { LAYERS } from '@/core/settings/setting';
import { wheelbaseOf } from '@/core/vehicle/carSpec';
import { tightestRadius } from '@/core/vehicle/track';
import type { BookView } from '../model/bookView';
import { trackOf } from './trackOf';

type CalmView = Pick<BookView, 'menus' | 'rotation' | 'car' | 'settings' | 'trackId' | 'ownTrack'>;

/** What the guide to a calmer centre may move here; `null` where base or title cannot be set. */
export function calmWish(view: CalmView): CalmWish | null {
  const baseField = degreesField(view.menus, 'base', 'rotation');
  const linearity = view.menus.title.steering?.dialect.fields.find(
    ({ maps }) => responseParameterOf(maps) === 'curve',
  );
  if (!baseField || !linearity) return null;
  const { rotation, car } = view;
  return {
    wanted: 0,
    baseNowDeg: rotation.baseDeg,
    baseField,
    linearity,
    layers: responseLayers(view.menus, view.settings, 'steering'),
    titleLayer: LAYERS.indexOf('title'),
    isStretch: rotation.isStretch,
    carDeg: rotation.carDeg,
    ratio: car.steeringRatio,
    hairpin: { radiusM: tightestRadius(trackOf(view)), wheelbaseM: wheelbaseOf(car) },
  };
}

/** What rotation and linearity do as they are set. */
export function calmNow(view: CalmView, wish: CalmWish): CalmSetting {
  const value = view.settings[`title/steering/${wish.linearity.key}`];
  const linearity = typeof value === 'number' ? value : wish.linearity.neutral;
  return settingAt(wish, wish.baseNowDeg, linearity);
}
