/** When a ride began, and where that comes from. */
export interface Started {
  atMs: number;
  from: 'inside' | 'name' | 'file';
}

/** What stands above the rows is looked through this far. */
const LOOKED_AT = 4000;
/** Year first, or day first with points: what can be read in two ways is not read. */
const YEAR_FIRST =
  /(20\d\d)[-_.](\d\d)[-_.](\d\d)[T _-]{1,2}(\d\d)[:_.-]?(\d\d)(?:[:_.-]?(\d\d))?(?:\.\d+)?\s*(Z|[+-]\d\d:?\d\d)?/;
const DAY_FIRST = /(\d\d)\.(\d\d)\.(20\d\d)[T ,_-]{1,2}(\d\d)[:_](\d\d)(?:[:_](\d\d))?/;

/**
 * When a log's ride began: as it says itself above its rows, else as its name says, else as its file's time says, which is when
 * it ended. Times without a zone are this computer's.
 * @param durationS how long the ride lasts
 * @returns `null` where nothing of it can be read, or it lies in the future
 */
export function startedOf(
  head: string,
  name: string,
  lastModifiedMs: number | null,
  durationS: number,
  nowMs: number,
): Started | null {
  const found: (Started | null)[] = [
    momentIn(aboveRows(head), 'inside'),
    momentIn(name, 'name'),
    lastModifiedMs === null ? null : { atMs: lastModifiedMs - 1000 * durationS, from: 'file' },
  ];
  return found.find((one) => one !== null && one.atMs <= nowMs && one.atMs > 0) ?? null;
}

/** The lines before the first that begins with a number that goes on as a row does. */
function aboveRows(head: string): string {
  const lines = head.slice(0, LOOKED_AT).split(/\r?\n/);
  const first = lines.findIndex((line) => /^"?-?\d+([.,]\d+)?"?\s*[,;\t|]\s*"?-?\d/.test(line));
  return lines.slice(0, first < 0 ? undefined : first).join('\n');
}

function momentIn(text: string, from: Started['from']): Started | null {
  const year = YEAR_FIRST.exec(text);
  if (year) {
    const [, y, m, d, h, min, s = '00', zone = ''] = year;
    // Four digits of a zone, written as dates want them.
    const offset = zone.length === 5 ? `${zone.slice(0, 3)}:${zone.slice(3)}` : zone;
    return momentOf(`${y}-${m}-${d}T${h}:${min}:${s}${offset}`, from);
  }
  const day = DAY_FIRST.exec(text);
  if (!day) return null;
  const [, dd, mm, yyyy, h, min, s = '00'] = day;
  return momentOf(`${yyyy}-${mm}-${dd}T${h}:${min}:${s}`, from);
}

function momentOf(iso: string, from: Started['from']): Started | null {
  const atMs = Date.parse(iso);
  return Number.isFinite(atMs) ? { atMs, from } : null;
}
