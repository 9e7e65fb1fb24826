import 'server-only';

const MOST = 300;
type Known = Map<string, unknown>;
const place = globalThis as typeof globalThis & { pebbleMemo?: WeakMap<object, Known> };
const memos = (place.pebbleMemo ??= new WeakMap<object, Known>());

/**
 * Remembers what was worked out of something that never changes (a kept recording, a ride); the oldest entries go first.
 * @param of what holds it: the book, a road; what is worked out of another one is kept apart
 */
export function memo<T>(of: object, key: string, compute: () => T): T {
  const known = memos.get(of) ?? new Map<string, unknown>();
  memos.set(of, known);
  if (known.has(key)) return known.get(key) as T;
  const value = compute();
  known.set(key, value);
  if (value instanceof Promise) value.catch(() => known.delete(key));
  if (known.size > MOST) known.delete(known.keys().next().value!);
  return value;
}

/** The book was replaced: what was worked out of it no longer counts. */
export function forgetMemos(of: object): void {
  memos.delete(of);
}
