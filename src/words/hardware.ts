import { AXES, type AxisName } from '@/core/axes/axes';
import type { RigSpec } from '@/core/rig/rigSpec';

export const SENSOR_WORDS = {
  'load-cell': 'Load cell',
  potentiometer: 'Potentiometer',
  hall: 'Hall sensor',
  unknown: 'Sensor not named',
} as const;

export const DRIVE_WORDS = {
  gear: 'Gear-driven base',
  belt: 'Belt-driven base',
  direct: 'Direct-drive base',
  unknown: 'Base',
} as const;

/** What measures an axis, in words. */
export function sensorName(spec: RigSpec, axis: AxisName): string {
  if (axis === 'steering') return DRIVE_WORDS[spec.base.drive];
  if (axis === 'gear') return spec.shifter?.kind === 'sequential' ? 'Sequential lever' : 'Gate shifter';
  const { hardware } = AXES[axis];
  if (hardware !== null) return hardware;
  return SENSOR_WORDS[spec.pedals[axis as keyof RigSpec['pedals']] ?? 'unknown'];
}
