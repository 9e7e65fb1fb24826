import 'server-only';

const MOST = 300;
const place = globalThis as typeof globalThis & { pebbleMemo?: Map<string, unknown> };

/** Remembers what never changes (a kept recording, a ride) by its key; the oldest entries go first. */
export function memo<T>(key: string, compute: () => T): T {
  const known = (place.pebbleMemo ??= new Map<string, unknown>());
  if (known.has(key)) return known.get(key) as T;
  const value = compute();
  known.set(key, value);
  if (value instanceof Promise) value.catch(() => known.delete(key));
  if (known.size > MOST) known.delete(known.keys().next().value!);
  return value;
}
