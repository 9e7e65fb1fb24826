import { asc } from 'drizzle-orm';
import { BOOK_FORMAT, bookSchema, captureFile, rideFile, type BookDocument } from '@/core/formats/bookJson';
import { storedCapture } from './captures';
import type { Database } from './database';
import { storedRide } from './rides';
import type { SampleSource } from './saveBackup';
import { captures, changes, combinations, facts, ownDialects, proofs, rides, rigs, ticks } from './schema';

/** The samples of the recordings in a book. */
export function samplesIn(db: Database): SampleSource {
  return async (kind, id) => {
    const stored = await (kind === 'capture' ? storedCapture(db, id) : storedRide(db, id));
    return stored && stored.parts;
  };
}

const ms = (date: Date) => date.getTime();

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
  return bookSchema.parse({
    format: BOOK_FORMAT,
    version: 1,
    madeAtMs: nowMs,
    rigs: rig.map(({ createdAt, ...row }) => ({ ...row, createdAtMs: ms(createdAt) })),
    combinations: combination.map(({ openedAt, ...row }) => ({ ...row, openedAtMs: ms(openedAt) })),
    facts: fact,
    ticks: tick.map(({ at, ...row }) => ({ ...row, atMs: ms(at) })),
    proofs: proof.map(({ at, ...row }) => ({ ...row, atMs: ms(at) })),
    changes: change.map(({ seq: _seq, at, ...row }) => ({ ...row, atMs: ms(at) })),
    ownDialects: dialect.map(({ at, ...row }) => ({ ...row, atMs: ms(at) })),
    captures: capture.map(({ madeAt, ...row }) => ({
      ...row,
      madeAtMs: ms(madeAt),
      file: captureFile(row.id),
    })),
    rides: ride.map(({ at, ...row }) => ({ ...row, atMs: ms(at), file: rideFile(row.id) })),
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
