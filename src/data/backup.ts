import { asc } from 'drizzle-orm';
import { strToU8, Zip, ZipDeflate } from 'fflate';
import { BOOK_FORMAT, type BookDocument } from '@/core/formats/bookJson';
import { writeCaptureCsv } from '@/core/formats/captureCsv';
import { writeRideCsv } from '@/core/formats/rideCsv';
import { loadCapture } from './captures';
import type { Database } from './openBook';
import { loadRide } from './rides';
import { captures, changes, combinations, facts, ownDialects, proofs, rides, rigs, ticks } from './schema';

export const BOOK_FILE = 'book.json';
const LEVEL = 4;
const captureFile = (id: string) => `captures/${encodeURIComponent(id)}.capture.csv`;
const rideFile = (id: string) => `rides/${encodeURIComponent(id)}.ride.csv`;
const ms = (date: Date) => date.getTime();
/** jsonb comes back as what it was written from. */
type Json = BookDocument['facts'][number]['value'];

/** Everything but the samples, in an order that does not depend on where a row lies. */
export async function bookDocument(db: Database, nowMs: number): Promise<BookDocument> {
  const [rig, combination, fact, tick, proof, change, dialect, capture, ride] = await Promise.all([
    db.select().from(rigs).orderBy(asc(rigs.createdAt), asc(rigs.id)),
    db
      .select()
      .from(combinations)
      .orderBy(
        asc(combinations.rigId),
        asc(combinations.titleId),
        asc(combinations.carId),
        asc(combinations.driver),
        asc(combinations.branch),
      ),
    db.select().from(facts).orderBy(asc(facts.key)),
    db.select().from(ticks).orderBy(asc(ticks.rigId), asc(ticks.titleId), asc(ticks.itemId)),
    db.select().from(proofs).orderBy(asc(proofs.at), asc(proofs.id)),
    db.select().from(changes).orderBy(asc(changes.seq)),
    db.select().from(ownDialects).orderBy(asc(ownDialects.at), asc(ownDialects.id)),
    db
      .select({
        id: captures.id,
        rigId: captures.rigId,
        axis: captures.axis,
        driver: captures.driver,
        madeAt: captures.madeAt,
        status: captures.status,
        origin: captures.origin,
        head: captures.head,
        rows: captures.rows,
      })
      .from(captures)
      .orderBy(asc(captures.madeAt), asc(captures.id)),
    db
      .select({
        id: rides.id,
        at: rides.at,
        rigId: rides.rigId,
        titleId: rides.titleId,
        carId: rides.carId,
        driver: rides.driver,
        branch: rides.branch,
        trackId: rides.trackId,
        seed: rides.seed,
        settings: rides.settings,
        mark: rides.mark,
        head: rides.head,
      })
      .from(rides)
      .orderBy(asc(rides.at), asc(rides.id)),
  ]);
  return {
    format: BOOK_FORMAT,
    version: 1,
    madeAtMs: nowMs,
    rigs: rig.map(({ createdAt, ...row }) => ({
      ...row,
      spec: row.spec as Json,
      createdAtMs: ms(createdAt),
    })),
    combinations: combination.map(({ openedAt, ...row }) => ({
      ...row,
      openedAtMs: ms(openedAt),
      typedIn: row.typedIn as Json,
    })),
    facts: fact.map((row) => ({ ...row, value: row.value as Json })),
    ticks: tick.map(({ at, ...row }) => ({ ...row, atMs: ms(at), state: row.state as Json })),
    proofs: proof.map(({ at, ...row }) => ({ ...row, atMs: ms(at), results: row.results as Json })),
    changes: change.map(({ seq: _seq, at, ...row }) => ({
      ...row,
      kind: row.kind as 'set' | 'put-back',
      atMs: ms(at),
      fromValue: row.fromValue as Json,
      toValue: row.toValue as Json,
    })),
    ownDialects: dialect.map(({ at, ...row }) => ({
      ...row,
      kind: row.kind as 'title' | 'base',
      atMs: ms(at),
      document: row.document as Json,
    })),
    captures: capture.map(({ madeAt, ...row }) => ({
      ...row,
      axis: row.axis as BookDocument['captures'][number]['axis'],
      status: row.status as 'draft' | 'kept',
      origin: row.origin as 'guided' | 'file',
      head: row.head as Json,
      madeAtMs: ms(madeAt),
      file: captureFile(row.id),
    })),
    rides: ride.map(({ at, ...row }) => ({
      ...row,
      atMs: ms(at),
      settings: row.settings as Json,
      head: row.head as Json,
      mark: row.mark as 'A' | 'B' | null,
      file: rideFile(row.id),
    })),
  };
}

/** The whole book as a `.zip`, file by file, so that nothing waits for all of it. */
export function bookArchive(db: Database, nowMs: number): ReadableStream<Uint8Array> {
  return new ReadableStream({
    async start(controller) {
      const zip = new Zip((error, chunk, isLast) => {
        if (error) controller.error(error);
        else {
          controller.enqueue(chunk);
          if (isLast) controller.close();
        }
      });
      const add = async (path: string, text: string) => {
        const file = new ZipDeflate(path, { level: LEVEL });
        zip.add(file);
        file.push(strToU8(text), true);
        // Other requests get their turn between two files.
        await new Promise((resolve) => setImmediate(resolve));
      };
      try {
        const document = await bookDocument(db, nowMs);
        await add(BOOK_FILE, `${JSON.stringify(document, null, 1)}\n`);
        for (const { id, file } of document.captures) {
          const stored = await loadCapture(db, id);
          if (stored) await add(file, writeCaptureCsv(stored.recording));
        }
        for (const { id, file } of document.rides) {
          const log = await loadRide(db, id);
          if (log) await add(file, writeRideCsv(log));
        }
        zip.end();
      } catch (error) {
        controller.error(error);
      }
    },
  });
}

/** How many rows of each kind the book holds. */
export async function bookCounts(db: Database): Promise<BookCounts> {
  const count = async (table: typeof rigs | typeof captures | typeof rides | typeof changes) =>
    db.$count(table);
  const [rig, capture, ride, change] = await Promise.all([rigs, captures, rides, changes].map(count));
  return { rigs: rig!, captures: capture!, rides: ride!, changes: change! };
}

export interface BookCounts {
  rigs: number;
  captures: number;
  rides: number;
  changes: number;
}
