/** A seeded stream of random numbers; the same seed gives the same bits. */
export interface Random {
  /** Uniform, 0 ≤ u < 1. */
  uniform(): number;
  /** Standard normal. */
  normal(): number;
  /** Whole number, 0 ≤ i < n. */
  below(n: number): number;
}

const TWO_32 = 4294967296;
const WARM_UP_DRAWS = 16;

/** Small fast counter generator, 128 bits of state (sfc32 of PractRand); normals by Box and Muller. */
export function seededRandom(seed: number): Random {
  // In arrays of numbers: variables of a closure would be put on the heap anew with every draw.
  const state = Int32Array.of(seed, Math.floor(seed / TWO_32), 0x9e3779b9, 1);
  const spare = new Float64Array(1);
  let hasSpare = false;
  const uniform = () => {
    const a = state[0]!;
    const b = state[1]!;
    const c = state[2]!;
    const counter = state[3]!;
    const sum = (a + b + counter) | 0;
    state[3] = counter + 1;
    state[0] = b ^ (b >>> 9);
    state[1] = c + (c << 3);
    state[2] = ((c << 21) | (c >>> 11)) + sum;
    return (sum >>> 0) / TWO_32;
  };
  for (let i = 0; i < WARM_UP_DRAWS; i++) uniform();
  return {
    uniform,
    below: (n) => Math.floor(uniform() * n),
    normal: () => {
      if (hasSpare) {
        hasSpare = false;
        return spare[0]!;
      }
      const radius = Math.sqrt(-2 * Math.log(1 - uniform()));
      const angle = 2 * Math.PI * uniform();
      spare[0] = radius * Math.sin(angle);
      hasSpare = true;
      return radius * Math.cos(angle);
    },
  };
}
