/**
 * What the understeer cue leaves of the force: 1 up to the slip at which the torque peaks, 1 − E at twice that.
 * @param slip |tan α| of the front
 * @param atPeak slip of the torque's peak, above 0
 * @param strength E, 0…1
 */
export function understeerFactor(slip: number, atPeak: number, strength: number): number {
  return 1 - strength * Math.min(1, Math.max(0, (slip - atPeak) / atPeak));
}
