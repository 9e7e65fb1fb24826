import fc from 'fast-check';
import { readBookJson } from '../formats/bookJson';
import { readCaptureCsv } from '../formats/captureCsv';
import { readCarJson } from '../formats/carJson';
import { readDialectJson, readSettingsJson } from '../formats/dialectJson';
import { readPackJson } from '../formats/packJson';
import { readProfileJson } from '../formats/profileJson';
import { readResponseJson } from '../formats/responseJson';
import { readRideCsv } from '../formats/rideCsv';
import { readTrackJson } from '../formats/trackJson';
import { readForeignSheet } from '../import/foreignSheet';
import type { Outcome } from '../problem';

/** Files as they come: cut off in a transfer, joined, opened and saved by something else, or not ours at all. */
export const READERS: Record<string, (text: string) => Outcome<unknown>> = {
  book: readBookJson,
  capture: readCaptureCsv,
  car: readCarJson,
  dialect: readDialectJson,
  foreign: readForeignSheet,
  pack: readPackJson,
  profile: readProfileJson,
  response: readResponseJson,
  ride: readRideCsv,
  settings: readSettingsJson,
  track: readTrackJson,
};

/** A brake that rests, is swept and pressed. */
export const CAPTURE = [
  '# device: a pedal',
  '# range_min: 0',
  '# range_max: 4095',
  '# rate_hz: 100',
  't_s,phase,brake',
  ...Array.from({ length: 480 }, (_, i) => {
    const phase = i < 120 ? 'rest' : i < 300 ? 'sweep' : 'press';
    const travel = i < 120 ? 0 : Math.sin(((i - 120) / 60) * Math.PI) ** 2;
    return `${i / 100},${phase},${Math.round(200 + 3500 * travel + (i % 3))}`;
  }),
].join('\n');

/** Lock to lock three times, and four holds. */
export const WHEEL = [
  't_s,phase,steering',
  ...Array.from({ length: 400 }, (_, i) => {
    const hold = [-90, 90, -360, 360][Math.floor((i - 280) / 30)] ?? 0;
    const phase = i < 60 ? 'rest' : i < 280 ? 'sweep' : `hold:${hold}`;
    const angle = i < 60 ? 0 : i < 280 ? 450 * Math.sin(((i - 60) / 220) * 6 * Math.PI) : hold;
    return `${i / 100},${phase},${Math.round(32768 + 70 * angle)}`;
  }),
].join('\n');

export const RIDE = [
  '# source: logged',
  't_s,lap,distance_m,speed_mps,brake,ffb,surface',
  ...Array.from(
    { length: 200 },
    (_, i) => `${i / 20},${Math.floor(i / 60)},${(i % 60) * 1.5},30,${(i % 40) / 40},${Math.sin(i / 9)},road`,
  ),
].join('\n');

/** One fault, as editors, spreadsheets and transfers make them. */
const damage = fc.oneof(
  fc.double({ min: 0, max: 1, noNaN: true }).map((at) => (text: string) => text.slice(0, at * text.length)),
  fc.tuple(fc.nat(500), fc.nat(500)).map(
    ([from, count]) =>
      (text: string) =>
        text.split('\n').toSpliced(from, count).join('\n'),
  ),
  fc.nat(500).map((at) => (text: string) => {
    const lines = text.split('\n');
    return lines.toSpliced(at, 0, lines[at % lines.length]!).join('\n');
  }),
  fc
    .tuple(fc.nat(500), fc.nat(8), fc.constantFrom('', ' ', 'NaN', '1e999', '-', '1,5', '"', 'über', '1e18'))
    .map(([row, column, cell]) => (text: string) => {
      const lines = text.split('\n');
      const at = row % lines.length;
      lines[at] = lines[at]!.split(',').toSpliced(column, 1, cell).join(',');
      return lines.join('\n');
    }),
  fc.constantFrom<(text: string) => string>(
    (text) => text.replaceAll('\n', '\r\n'),
    (text) => `\uFEFF${text}`,
    (text) => text.replaceAll(',', ';'),
    (text) => `${text}\n\n\n`,
    (text) => text + text,
  ),
);
export const damages = fc.array(damage, { minLength: 1, maxLength: 3 });
export const damaged = (text: string, by: ((text: string) => string)[]) =>
  by.reduce((sum, one) => one(sum), text);

/** What is no file of ours at all. */
export const anything = fc.oneof(
  fc.string({ unit: 'binary', maxLength: 200 }),
  fc
    .array(
      fc.constantFrom('#', ':', ',', ';', '\n', '"', '\t', '0', '1.5', 't_s', 'phase', 'brake', '{', '}'),
    )
    .map((all) => all.join('')),
  fc.json(),
  fc.constantFrom(
    '',
    '\uFEFF',
    '#',
    '# a',
    '\n',
    '"',
    'null',
    '[]',
    '{}',
    '0',
    '{"format":null}',
    '{"format":{}}',
  ),
);
