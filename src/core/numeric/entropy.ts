/** Entropy of a yes that comes with probability p, in nats. */
export const entropy = (p: number) => (p <= 0 || p >= 1 ? 0 : -p * Math.log(p) - (1 - p) * Math.log(1 - p));
