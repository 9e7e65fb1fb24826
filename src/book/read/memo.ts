import 'server-only';
import type { Database } from '@/data/database';
import { rootOf } from '@/data/write';

const MOST = 300;

interface Entry {
  value: unknown;
  /** Whether it is there already, and nobody has to wait for it. */
  isReady: boolean;
}
type Known = Map<string, Entry>;
const place = globalThis as typeof globalThis & { pebbleMemo?: WeakMap<object, Known> };
const memos = (place.pebbleMemo ??= new WeakMap<object, Known>());

/**
 * Remembers what was worked out of something that never changes (a kept recording, a ride); the oldest entries go first.
 * @param of what holds it: the book, a road; what is worked out of another one is kept apart
 */
export function memo<T>(of: object, key: string, compute: () => T): T {
  const holder = rootOf(of as Database);
  const known: Known = memos.get(holder) ?? new Map<string, Entry>();
  memos.set(holder, known);
  const found = known.get(key);
  // Inside a transaction nobody may wait for somebody outside, who waits for the transaction.
  if (found && (found.isReady || holder === of)) return found.value as T;
  const value = compute();
  const isPromise = value instanceof Promise;
  const entry: Entry = { value, isReady: !isPromise };
  known.set(key, entry);
  if (isPromise)
    value.then(
      () => (entry.isReady = true),
      () => known.get(key) === entry && known.delete(key),
    );
  if (known.size > MOST) known.delete(known.keys().next().value!);
  return value;
}

/** Another book took the place of one: what was worked out of it no longer counts, and what was of the other one does. */
export function takeMemos(of: object, from: object): void {
  memos.set(of, memos.get(from) ?? new Map<string, Entry>());
  memos.delete(from);
}

/** Another program put another book in the place of one. */
export function forgetMemos(of: object): void {
  memos.delete(of);
}
