/**
 * A pure function that keeps its newest answers: whoever asks the same again need not wait.
 * @param keyOf equal only where the answers are; @param most answers kept, those asked for longest ago go first
 */
export function memoize<A extends unknown[], R>(
  work: (...args: A) => R,
  keyOf: (...args: A) => string,
  most: number,
): (...args: A) => R {
  const kept = new Map<string, R>();
  return (...args) => {
    const key = keyOf(...args);
    const isKnown = kept.has(key);
    const answer = isKnown ? kept.get(key)! : work(...args);
    // A map lists what was put in last at its end.
    if (isKnown) kept.delete(key);
    kept.set(key, answer);
    if (kept.size > most) kept.delete(kept.keys().next().value!);
    return answer;
  };
}

/** Everything a value holds as text; unlike JSON's own it tells NaN and the infinities apart. */
export const contentKey = (value: unknown): string =>
  JSON.stringify(value, (_, part: unknown) =>
    typeof part === 'number' && !Number.isFinite(part) ? String(part) : part,
  );
