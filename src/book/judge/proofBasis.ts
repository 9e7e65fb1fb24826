import { isForceSetting } from '@/core/force/forceParameters';
import type { SettingValues } from '@/core/settings/setting';
import type { AxisView } from '../model/axisView';

/** What a final check rests on: its captures and the settings in force; how strong the force is plays no part. */
export function proofBasis(axes: Pick<AxisView, 'axis' | 'capture'>[], settings: SettingValues): string {
  const captures = axes.map(({ axis, capture }) => `${axis}=${capture?.id ?? 'none'}`);
  const set = Object.entries(settings)
    .filter(([key]) => !isForceSetting(key))
    .map(([key, value]) => `${key}=${JSON.stringify(value)}`);
  return [...captures, ...set].sort().join(' ');
}
