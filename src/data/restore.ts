import { eq } from 'drizzle-orm';
import type { BookDocument } from '@/core/formats/bookJson';
import type { Database } from './database';
import type { ReadRecording } from './readBackup';
import {
  captureParts,
  captures,
  changes,
  combinations,
  facts,
  ownDialects,
  proofs,
  rideParts,
  rides,
  rigs,
  ticks,
} from './schema';

const date = (atMs: number) => new Date(atMs);
/** So many rows are written in one statement: a moment, not more. */
const CHUNK = 200;

/** Writes everything of a backup but its samples into an empty book. */
export async function restoreRows(db: Database, book: BookDocument): Promise<void> {
  const insert = async <T>(rows: readonly T[], write: (some: T[]) => Promise<unknown>) => {
    for (let i = 0; i < rows.length; i += CHUNK) await write(rows.slice(i, i + CHUNK));
  };
  await insert(book.rigs, (some) =>
    db.insert(rigs).values(some.map(({ createdAtMs, ...row }) => ({ ...row, createdAt: date(createdAtMs) }))),
  );
  await insert(book.facts, (some) => db.insert(facts).values(some.map(({ key, value }) => ({ key, value }))));
  await insert(book.combinations, (some) =>
    db
      .insert(combinations)
      .values(some.map(({ openedAtMs, ...row }) => ({ ...row, openedAt: date(openedAtMs) }))),
  );
  await insert(book.ticks, (some) =>
    db.insert(ticks).values(some.map(({ atMs, ...row }) => ({ ...row, at: date(atMs) }))),
  );
  await insert(book.proofs, (some) =>
    db.insert(proofs).values(some.map(({ atMs, ...row }) => ({ ...row, at: date(atMs) }))),
  );
  await insert(book.changes, (some) =>
    db.insert(changes).values(some.map(({ atMs, ...row }) => ({ ...row, at: date(atMs) }))),
  );
  await insert(book.ownDialects, (some) =>
    db.insert(ownDialects).values(some.map(({ atMs, ...row }) => ({ ...row, at: date(atMs) }))),
  );
  await insert(book.captures, (some) =>
    db
      .insert(captures)
      .values(some.map(({ file: _, madeAtMs, ...row }) => ({ ...row, madeAt: date(madeAtMs) }))),
  );
  await insert(book.rides, (some) =>
    db.insert(rides).values(some.map(({ file: _, atMs, ...row }) => ({ ...row, at: date(atMs) }))),
  );
}

/** Writes the samples of one recording of it. */
export async function restoreRecording(db: Database, recording: ReadRecording): Promise<void> {
  const { kind, id, parts, analysis } = recording;
  if (kind === 'capture') {
    for (const part of parts) await db.insert(captureParts).values({ captureId: id, ...part });
    if (analysis) await db.update(captures).set({ analysis }).where(eq(captures.id, id));
    return;
  }
  for (const [part, { samples }] of parts.entries())
    await db.insert(rideParts).values({ rideId: id, part, samples });
}
