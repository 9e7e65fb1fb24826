/** A base's own scale for the force that gives 100 % brake: grid of its menu and the value set now. */
export interface BrakeForceScale {
  min: number;
  max: number;
  step: number;
  now: number;
}

export interface BrakeForceAdvice {
  /** Scale value at which the mean of the comfortable presses gives exactly 100 %, on the scale's grid. */
  forFull: number;
  /** One notch lighter: the margin that makes 100 % repeatable. */
  withMargin: number;
}

/** Room for values that lie a hair under a grid line. */
const ON_GRID = 1e-9;

/**
 * Where the base scales the load cell, 100 % belongs at the hardest press that is still comfortable in the twentieth
 * minute, less one notch. The reading grows in proportion to force / scale.
 * @param pressMean travel that those presses reach at the scale value in force, 0…1
 * @returns `null` where the scale cannot go that low
 */
export function brakeForceAdvice(pressMean: number, scale: BrakeForceScale): BrakeForceAdvice | null {
  const wanted = scale.now * pressMean;
  const forFull = scale.min + Math.floor((wanted - scale.min) / scale.step + ON_GRID) * scale.step;
  if (forFull < scale.min) return null;
  return { forFull, withMargin: Math.max(scale.min, forFull - scale.step) };
}
