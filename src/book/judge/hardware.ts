import type { RigSpec } from '@/core/rig/rigSpec';
import type { Hardware } from '@/core/settings/transferSettings';

const DRIVES: Record<RigSpec['base']['drive'], string> = {
  gear: 'gear driven',
  belt: 'belt driven',
  direct: 'direct drive',
  unknown: 'of unknown drive',
};

/** What numbers made on a rig were made for. */
export function hardwareOf({ base }: RigSpec): Hardware {
  return { drive: DRIVES[base.drive], torqueNm: base.torqueNm, maxRotationDeg: base.maxRotationDeg };
}
