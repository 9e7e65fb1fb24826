/** Below this the lift is joined to zero; 0.01 would leave the weakest signals unlifted. */
export const JOINED_BELOW = 0.002;

/**
 * Minimum force: every signal is lifted over m and the rest squeezed above it, so that full stays full. Linear to zero
 * inside {@link JOINED_BELOW}.
 * @param u −1…1
 * @param m 0…1
 */
export function liftSmall(u: number, m: number): number {
  const size = Math.abs(u);
  if (m <= 0 || size === 0) return u;
  const edge = m + (1 - m) * JOINED_BELOW;
  return size > JOINED_BELOW ? Math.sign(u) * (m + (1 - m) * size) : (u / JOINED_BELOW) * edge;
}
