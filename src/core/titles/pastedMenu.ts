import { fail, succeed, type Outcome, type Problem } from '../problem';
import { oneLine, quoted } from '../text/line';

/** More fields than this has no menu. */
export const MOST_FIELDS = 60;

/** Value, least and greatest. */
const MOST_NUMBERS = 3;

/** A field as somebody typed it from a menu: what is not said is `null`. */
export interface PastedField {
  label: string;
  /** What it is set to now. */
  value: number | null;
  min: number | null;
  max: number | null;
  unit: string;
  /** Decimals that its numbers are written with. */
  decimals: number;
}

const NUMBER = String.raw`[-+−]?\d+(?:[.,]\d+)?`;
const LAST_NUMBERS = new RegExp(
  String.raw`^(.*?)[\s:;=|]*((?:${NUMBER}\s*(?:%|°|Nm|N·m|Hz|ms)?[\s;|/…–-]*)+)$`,
  'u',
);
const EACH = new RegExp(String.raw`(${NUMBER})\s*(%|°|Nm|N·m|Hz|ms)?`, 'gu');

/**
 * Reads lines as `label value min max`, the numbers in any order, with decimal point or comma. Of three numbers the ends are
 * the least and the greatest; of two they are the range; a single one is the value.
 * @returns every line that holds a label and a number; refused where one does not, with its line
 */
export function readPastedMenu(text: string): Outcome<PastedField[]> {
  const lines = text.split(/\r\n|\r|\n/);
  const filled = lines.filter((line) => line.trim() !== '');
  if (filled.length > MOST_FIELDS)
    return fail({
      code: 'too-many-lines',
      message: `These are ${filled.length} lines.`,
      place: {},
      remedy: `A menu has at most ${MOST_FIELDS} fields; paste those that matter.`,
    });
  const fields: PastedField[] = [];
  const problems: Problem[] = [];
  lines.forEach((line, i) => {
    if (line.trim() === '') return;
    const read = readLine(line.replaceAll('\t', ' ').trim());
    if (read) fields.push(read);
    else
      problems.push({
        code: 'no-field',
        message: `${quoted(line)} is no field.`,
        place: { row: i + 1 },
        remedy: 'A line is a label, then its value, least and greatest: "Strength 65 0 100".',
      });
  });
  if (problems.length > 0) return fail(...problems.slice(0, 3));
  if (fields.length === 0)
    return fail({
      code: 'nothing-there',
      message: 'There is no line yet.',
      place: {},
      remedy: 'A line is a label, then its value, least and greatest: "Strength 65 0 100".',
    });
  return succeed(fields);
}

function readLine(line: string): PastedField | null {
  const parts = LAST_NUMBERS.exec(line);
  if (!parts) return null;
  const all = [...parts[2]!.matchAll(EACH)];
  // "Band 2 100 20 200": a fourth number belongs to the label.
  const named = all.length > MOST_NUMBERS ? all.slice(0, -MOST_NUMBERS) : [];
  const found = all.slice(named.length);
  const label = oneLine([parts[1]!.trim(), ...named.map(([text]) => text.trim())].join(' ')).slice(0, 40);
  if (!/\p{L}/u.test(label) || named.length > 1) return null;
  const numbers = found.map((match) => Number(match[1]!.replace('−', '-').replace(',', '.')));
  if (numbers.length === 0) return null;
  const decimals = Math.max(...found.map((match) => /[.,](\d+)/.exec(match[1]!)?.[1]?.length ?? 0));
  const unit = (found.find((match) => match[2])?.[2] ?? '').replace('Nm', 'N·m');
  const [least, greatest] = [Math.min(...numbers), Math.max(...numbers)];
  const base = { label, unit, decimals };
  if (numbers.length === 1) return { ...base, value: numbers[0]!, min: null, max: null };
  if (numbers.length === 2) return { ...base, value: null, min: least, max: greatest };
  const value = numbers.toSorted((a, b) => a - b)[1]!;
  return { ...base, value, min: least, max: greatest };
}
