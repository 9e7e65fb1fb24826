/**
 * A smooth function over 0…most, read from a table between whose points it is taken as straight; beyond it is asked itself.
 * Off by at most h²·|f″|/8 with h the distance of two points.
 */
export function tabulated(
  f: (x: number) => number,
  most: number,
  pointsPerUnit: number,
): (x: number) => number {
  const table = Float64Array.from({ length: Math.ceil(most * pointsPerUnit) + 2 }, (_, i) =>
    f(i / pointsPerUnit),
  );
  return (x) => {
    if (x >= most) return f(x);
    const at = x * pointsPerUnit;
    const low = at | 0;
    return table[low]! + (at - low) * (table[low + 1]! - table[low]!);
  };
}
