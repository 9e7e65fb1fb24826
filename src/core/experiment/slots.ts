import { fail, succeed, type Outcome } from '../problem';

/** A file that a title loads its settings from. */
export interface SlotFile {
  name: string;
  bytes: Uint8Array;
}

/** The two sides of a blind test as files that nothing tells apart from outside: one ending, one size. */
export interface Slots {
  /** With its dot; empty where the files have none. */
  ending: string;
  a: Uint8Array;
  b: Uint8Array;
}

export const MOST_SLOT_BYTES = 128 * 1024;
const MOST_ENDING = 12;

/** Makes the files of A and B alike in ending and size. A text is filled up with blank space at its end, which no title reads. */
export function slotsOf(a: SlotFile, b: SlotFile): Outcome<Slots> {
  for (const { name, bytes } of [a, b]) {
    if (bytes.length === 0) return refuse('slot-empty', `${name} is empty.`, 'Save it in the title again.');
    if (bytes.length > MOST_SLOT_BYTES)
      return refuse(
        'slot-too-large',
        `${name} has ${Math.ceil(bytes.length / 1024)} kB; at most ${MOST_SLOT_BYTES / 1024} are taken.`,
        'Choose the file of settings alone.',
      );
  }
  const ending = endingOf(a.name);
  if (endingOf(b.name) !== ending)
    return refuse(
      'slot-other-kind',
      `${a.name} and ${b.name} are files of two kinds.`,
      'Save both in the title in the same way.',
    );
  if (isSame(a.bytes, b.bytes))
    return refuse('slot-same', 'Both files hold the same.', 'Save A, change the setting, then save B.');
  const size = Math.max(a.bytes.length, b.bytes.length);
  const [one, other] = [filledUp(a.bytes, size), filledUp(b.bytes, size)];
  if (!one || !other)
    return refuse(
      'slot-size',
      `${a.name} has ${a.bytes.length} bytes and ${b.name} ${b.bytes.length}: that would tell them apart, and they are no texts that could be filled up.`,
      'Let a helper load them instead.',
    );
  return succeed({ ending, a: one, b: other });
}

const refuse = (code: string, message: string, remedy: string) => fail({ code, message, place: {}, remedy });

function endingOf(name: string): string {
  const at = name.lastIndexOf('.');
  const ending = at < 1 ? '' : name.slice(at).toLowerCase();
  return /^\.[a-z0-9]+$/.test(ending) && ending.length <= MOST_ENDING ? ending : '';
}

const isSame = (a: Uint8Array, b: Uint8Array) => a.length === b.length && a.every((byte, i) => byte === b[i]);

const SPACE = 0x20;
const LINE = 0x0a;

/** `null` for what is no text and too short. */
function filledUp(bytes: Uint8Array, size: number): Uint8Array | null {
  if (bytes.length === size) return bytes;
  if (!isText(bytes)) return null;
  const filled = new Uint8Array(size).fill(SPACE);
  filled.set(bytes);
  filled[size - 1] = LINE;
  return filled;
}

function isText(bytes: Uint8Array): boolean {
  try {
    return !new TextDecoder('utf-8', { fatal: true }).decode(bytes).includes('\0');
  } catch {
    return false;
  }
}
