/** Worked out when it is first asked for, and never again. */
export function once<T>(work: () => T): () => T {
  let known: { value: T } | null = null;
  return () => (known ??= { value: work() }).value;
}
