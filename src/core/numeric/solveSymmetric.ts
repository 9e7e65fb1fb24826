/**
 * Solves A·x = b for a symmetric positive definite A by Cholesky, after scaling its diagonal to 1.
 * @param a n×n, row by row; @param b n values
 * @returns x, or `null` where A is singular to working accuracy
 * @source Golub and Van Loan, Matrix Computations, 4.2
 */
export function solveSymmetric(a: ArrayLike<number>, b: ArrayLike<number>): Float64Array | null {
  const n = b.length;
  const scale = Float64Array.from({ length: n }, (_, i) => 1 / Math.sqrt(a[i * n + i]!));
  if (!scale.every(Number.isFinite)) return null;
  const low = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = a[i * n + j]! * scale[i]! * scale[j]!;
      for (let k = 0; k < j; k++) sum -= low[i * n + k]! * low[j * n + k]!;
      if (i === j && !(sum > SINGULAR)) return null;
      low[i * n + j] = i === j ? Math.sqrt(sum) : sum / low[j * n + j]!;
    }
  const x = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let sum = b[i]! * scale[i]!;
    for (let k = 0; k < i; k++) sum -= low[i * n + k]! * x[k]!;
    x[i] = sum / low[i * n + i]!;
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = x[i]!;
    for (let k = i + 1; k < n; k++) sum -= low[k * n + i]! * x[k]!;
    x[i] = sum / low[i * n + i]!;
  }
  return x.map((value, i) => value * scale[i]!);
}

const SINGULAR = 1e-12;
