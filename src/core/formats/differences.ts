/** One value that is another one now; `null` where it is new, or gone. */
export interface Difference {
  where: string;
  from: string | null;
  to: string | null;
}

/** What a list's entries are known by, where they say so. */
const NAMES = ['key', 'path', 'name', 'label'] as const;

/**
 * What differs between two documents of one shape, value by value. Entries of lists that have a name are compared by it, the
 * others by their place.
 */
export function differences(before: unknown, after: unknown, where = ''): Difference[] {
  if (Object.is(before, after)) return [];
  if (Array.isArray(before) && Array.isArray(after)) return differences(byName(before), byName(after), where);
  if (isRecord(before) && isRecord(after)) {
    const keys = new Set([...Object.keys(before), ...Object.keys(after)]);
    return [...keys].flatMap((key) =>
      differences(before[key], after[key], where === '' ? key : `${where} › ${key}`),
    );
  }
  const [from, to] = [before, after].map(said);
  return from === to ? [] : [{ where, from: from!, to: to! }];
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function byName(list: unknown[]): Record<string, unknown> {
  return Object.fromEntries(list.map((entry, i) => [nameOf(entry) ?? `${i + 1}`, entry]));
}

function nameOf(entry: unknown): string | null {
  if (!isRecord(entry)) return null;
  const name = NAMES.map((key) => entry[key]).find((value) => typeof value === 'string');
  return typeof name === 'string' ? name : null;
}

const LONGEST = 60;

function said(value: unknown): string | null {
  if (value === undefined || value === null || value === '') return null;
  const text = typeof value === 'string' ? value : JSON.stringify(value);
  return text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text;
}
