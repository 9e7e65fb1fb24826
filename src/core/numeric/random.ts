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
  let a = seed >>> 0;
  let b = Math.floor(seed / TWO_32) >>> 0;
  let c = 0x9e3779b9;
  let counter = 1;
  let spare: number | null = null;
  const uniform = () => {
    const sum = (a + b + counter) | 0;
    counter = (counter + 1) | 0;
    a = b ^ (b >>> 9);
    b = (c + (c << 3)) | 0;
    c = ((c << 21) | (c >>> 11)) + sum;
    return (sum >>> 0) / TWO_32;
  };
  for (let i = 0; i < WARM_UP_DRAWS; i++) uniform();
  return {
    uniform,
    below: (n) => Math.floor(uniform() * n),
    normal: () => {
      if (spare !== null) {
        const value = spare;
        spare = null;
        return value;
      }
      const radius = Math.sqrt(-2 * Math.log(1 - uniform()));
      const angle = 2 * Math.PI * uniform();
      spare = radius * Math.sin(angle);
      return radius * Math.cos(angle);
    },
  };
}
