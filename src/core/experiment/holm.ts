/** Holm's step-down adjustment (Holm 1979); same order as given. */
export function holm(ps: number[]): number[] {
  const order = ps.map((_, i) => i).sort((i, j) => ps[i]! - ps[j]!);
  const adjusted = new Array<number>(ps.length);
  let running = 0;
  order.forEach((i, rank) => {
    running = Math.max(running, Math.min(1, (ps.length - rank) * ps[i]!));
    adjusted[i] = running;
  });
  return adjusted;
}
