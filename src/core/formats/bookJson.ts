import { z } from 'zod';
import { AXIS_NAMES } from '../axes/recording';
import type { Outcome } from '../problem';
import { readDocument } from './jsonDocument';

const id = z.string().min(1).max(200);
const name = z.string().max(60);
const atMs = z.number();
/** What only its own reader knows the shape of; it is checked again when it is read from the book. */
const opaque = z.json();

const change = z.strictObject({
  id,
  atMs,
  rigId: id,
  kind: z.enum(['set', 'put-back']),
  titleId: name.nullable(),
  carId: name.nullable(),
  driver: name.nullable(),
  branch: name,
  layer: name.nullable(),
  axis: name.nullable(),
  field: name.nullable(),
  fromValue: opaque,
  toValue: opaque,
  why: z.string().max(4000),
  undoes: id.nullable(),
});

const capture = z.strictObject({
  id,
  rigId: id,
  axis: z.enum(AXIS_NAMES),
  driver: name,
  madeAtMs: atMs,
  status: z.enum(['draft', 'kept']),
  origin: z.enum(['guided', 'file']),
  head: opaque,
  rows: z.number().int().nonnegative(),
  /** Name of its samples in the same archive. */
  file: z.string().max(300),
});

const ride = z.strictObject({
  id,
  atMs,
  rigId: id,
  titleId: name,
  carId: name,
  driver: name,
  branch: name,
  trackId: name,
  seed: z.number().int(),
  settings: opaque,
  mark: z.enum(['A', 'B']).nullable(),
  head: opaque,
  file: z.string().max(300),
});

export const BOOK_FORMAT = 'pebble-road/book';

/** Everything in a book but the samples, which lie beside it as `*.capture.csv` and `*.ride.csv`. */
export const bookSchema = z.strictObject({
  format: z.literal(BOOK_FORMAT),
  version: z.literal(1),
  madeAtMs: atMs,
  rigs: z.array(z.strictObject({ id, name, spec: opaque, createdAtMs: atMs })),
  combinations: z.array(
    z.strictObject({
      rigId: id,
      titleId: name,
      carId: name,
      driver: name,
      branch: name,
      openedAtMs: atMs,
      typedIn: opaque,
    }),
  ),
  facts: z.array(z.strictObject({ key: z.string().max(300), value: opaque })),
  ticks: z.array(z.strictObject({ rigId: id, titleId: name, itemId: name, atMs, state: opaque })),
  proofs: z.array(
    z.strictObject({ id, rigId: id, titleId: name, driver: name, atMs, results: opaque, basis: z.string() }),
  ),
  changes: z.array(change),
  ownDialects: z.array(z.strictObject({ id, kind: z.enum(['title', 'base']), atMs, document: opaque })),
  captures: z.array(capture),
  rides: z.array(ride),
});
export type BookDocument = z.output<typeof bookSchema>;

export function readBookJson(text: string): Outcome<BookDocument> {
  return readDocument(text, bookSchema, BOOK_FORMAT);
}
