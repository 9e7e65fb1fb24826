declare module 'fft.js' {
  /** Radix-4 FFT of a power of two; complex arrays are interleaved re, im. */
  export default class FFT {
    constructor(size: number);
    createComplexArray(): number[];
    realTransform(out: number[], data: ArrayLike<number>): void;
  }
}
