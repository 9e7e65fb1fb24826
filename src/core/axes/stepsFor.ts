import { programmeFor } from './programme';
import type { AxisName } from './axes';
import type { RigSpec } from '../rig/rigSpec';

/** The programme of an axis on this rig. */
export function stepsFor(
  { base, shifter }: Pick<RigSpec, 'base' | 'shifter'>,
  axis: AxisName,
  wishes: { takeup?: boolean; angles?: number[] | null } = {},
) {
  return programmeFor(axis, {
    takeup: wishes.takeup === true && axis === 'brake',
    ...(wishes.angles ? { angles: wishes.angles } : {}),
    rotationDeg: base.rotationDeg ?? base.maxRotationDeg,
    ...(shifter ? { shifter } : {}),
  });
}
