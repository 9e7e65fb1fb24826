import type { RotationInForce } from '../settings/rotationOf';
import { matchRotation } from './matchRotation';

/** One rotation for every car, or each car its own with the bump stop at its lock. */
type RotationSchool = 'one' | 'own';

export interface LockChange {
  layer: 'base' | 'title' | 'car';
  toDeg: number;
  evidence: string;
}

export interface LockFacts {
  rotation: RotationInForce;
  school: RotationSchool;
  /** What the base can do at most, and on which step. */
  base: { minDeg: number; maxDeg: number; stepDeg: number };
  /** What title and car can be set to; `null` where they have no such setting. */
  title: { minDeg: number; maxDeg: number; stepDeg: number } | null;
  car: { minDeg: number; maxDeg: number; stepDeg: number } | null;
  /** Rotation that was measured lock to lock with its σ, degrees; `null` where it was not. */
  measured: { deg: number; sigmaDeg: number } | null;
}

const Z95 = 1.96;

/** Whether the base turns something else than it is set to, beyond the doubt of the measurement. */
export function measuredOtherwise({ measured, rotation }: LockFacts): boolean {
  return (
    measured !== null && Math.abs(measured.deg - rotation.baseDeg) > Math.max(2, Z95 * measured.sigmaDeg)
  );
}

/**
 * What to change so that base, title and car agree, in the order in which they are typed in: base, title, car. Nothing
 * is ever recommended over what the base can turn.
 */
export function lockAdvice(facts: LockFacts): LockChange[] {
  const { rotation, school, base, title, car } = facts;
  const { carOwnDeg, isStretch } = rotation;
  const wantedBase =
    school === 'own' ? onGrid(Math.min(carOwnDeg, base.maxDeg), base) : onGrid(rotation.baseDeg, base);
  const changes: LockChange[] = [];
  if (wantedBase !== rotation.baseDeg)
    changes.push({
      layer: 'base',
      toDeg: wantedBase,
      evidence:
        wantedBase < carOwnDeg
          ? `The car turns ${carOwnDeg}° lock to lock and the base ends at ${base.maxDeg}°: as near as it comes.`
          : `The car turns ${carOwnDeg}° lock to lock: the base stops where the car does, and ${rotation.baseDeg - wantedBase > 0 ? `${rotation.baseDeg - wantedBase}° of turning into nothing go` : 'its whole lock can be reached'}.`,
    });
  if (title && !isStretch) {
    const wantedTitle = onGrid(wantedBase, title);
    if (wantedTitle !== rotation.titleDeg) {
      const now = matchRotation({ ...rotation, baseDeg: wantedBase });
      changes.push({
        layer: 'title',
        toDeg: wantedTitle,
        evidence: `With the base at ${wantedBase}° and the title at ${rotation.titleDeg}° a quarter turn shows as ${now.displayAt90.toFixed(0)}°. ${wantedTitle}° makes it 90°.`,
      });
    }
  }
  if (car) {
    const wantedCar = onGrid(Math.min(carOwnDeg, wantedBase), car);
    if (wantedCar !== rotation.carDeg)
      changes.push({
        layer: 'car',
        toDeg: wantedCar,
        evidence: `The bump stop belongs at the car’s own lock, ${carOwnDeg}°${carOwnDeg > wantedBase ? `, and never beyond the base’s ${wantedBase}°` : ''}.`,
      });
  }
  return changes;
}

function onGrid(
  deg: number,
  { minDeg, maxDeg, stepDeg }: { minDeg: number; maxDeg: number; stepDeg: number },
): number {
  const steps = Math.round((deg - minDeg) / stepDeg);
  const last = Math.floor((maxDeg - minDeg) / stepDeg);
  return minDeg + Math.min(last, Math.max(0, steps)) * stepDeg;
}

/** A wheel without the car's whole rotation drives a preset with less of it, and a steering that helps. */
const ASSISTED_DEG = 270;

/** The low rotation for a base that cannot turn what the car does; `null` where it can. */
export function assistedDeg({ rotation, base }: LockFacts): number | null {
  return base.maxDeg >= rotation.carOwnDeg ? null : onGrid(ASSISTED_DEG, base);
}
