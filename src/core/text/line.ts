import { z } from 'zod';

/** Line ends and other control characters, and halves of characters that no file can hold. */
const UNWRITABLE = /[\p{Cc}\p{Cs}\u2028\u2029]+/gu;

/** A text on one line, as a note of a file, a menu or a database can hold it. */
export function oneLine(text: string): string {
  return text.replace(UNWRITABLE, ' ').trim();
}

/** Words on one line, at most so many letters; what would break the line becomes a blank. */
export const line = (most: number) => z.string().overwrite(oneLine).max(most, `at most ${most} letters`);

/** The same over several lines, for notes. */
export const paragraph = (most: number) =>
  z
    .string()
    .overwrite((text) =>
      text
        .split(/\r\n|\r|\n/)
        .map((one) => one.replace(UNWRITABLE, ' '))
        .join('\n')
        .trim(),
    )
    .max(most, `at most ${most} letters`);

/** The name of a row, that may also stand in an address or be the name of a file. */
export const idSchema = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,79}$/, 'an id has 1 to 80 letters, digits, dots, dashes or low lines');

const LONGEST_SHOWN = 40;

/** What a file says, to stand inside a sentence: on one line, and cut where it goes on for ever. */
export function quoted(text: string): string {
  const line = oneLine(text.slice(0, 2 * LONGEST_SHOWN));
  return `"${line.length > LONGEST_SHOWN ? `${line.slice(0, LONGEST_SHOWN)}…` : line}"`;
}
