import { and, desc, eq } from 'drizzle-orm';
import { proofResultsSchema } from '@/core/axes/proof';
import {
  rotationReminderSchema,
  stampSchema,
  titleVersionSchema,
  type PreflightStamp,
  type RotationReminder,
  type Tick,
} from '@/core/ready/preflight';
import { readFact, writeFact } from './facts';
import type { Database } from './database';
import { proofs, ticks } from './schema';
import type { Proof } from '@/core/ready/proof';

export interface ReadyScope {
  rigId: string;
  titleId: string;
}

export async function listTicks(db: Database, { rigId, titleId }: ReadyScope): Promise<Tick[]> {
  const rows = await db
    .select()
    .from(ticks)
    .where(and(eq(ticks.rigId, rigId), eq(ticks.titleId, titleId)));
  return rows.map((row) => ({
    itemId: row.itemId,
    atMs: row.at.getTime(),
    state: stampSchema.parse(row.state),
  }));
}

export async function setTick(
  db: Database,
  scope: ReadyScope,
  itemId: string,
  state: PreflightStamp | null,
): Promise<void> {
  const { rigId, titleId } = scope;
  if (state === null) {
    await db
      .delete(ticks)
      .where(and(eq(ticks.rigId, rigId), eq(ticks.titleId, titleId), eq(ticks.itemId, itemId)));
    return;
  }
  const row = { at: new Date(), state: stampSchema.parse(state) };
  await db
    .insert(ticks)
    .values({ rigId, titleId, itemId, ...row })
    .onConflictDoUpdate({ target: [ticks.rigId, ticks.titleId, ticks.itemId], set: row });
}

export interface ProofScope extends ReadyScope {
  driver: string;
}

export async function addProof(db: Database, scope: ProofScope, proof: Proof): Promise<void> {
  const { rigId, titleId, driver } = scope;
  const { id, atMs, results, basis } = proof;
  await db.insert(proofs).values({
    id,
    rigId,
    titleId,
    driver,
    at: new Date(atMs),
    results: proofResultsSchema.parse(results),
    basis,
  });
}

export async function newestProof(db: Database, scope: ProofScope): Promise<Proof | null> {
  const [row] = await db
    .select()
    .from(proofs)
    .where(
      and(eq(proofs.rigId, scope.rigId), eq(proofs.titleId, scope.titleId), eq(proofs.driver, scope.driver)),
    )
    .orderBy(desc(proofs.at))
    .limit(1);
  if (!row) return null;
  return {
    id: row.id,
    atMs: row.at.getTime(),
    results: proofResultsSchema.parse(row.results),
    basis: row.basis,
  };
}

const reminderKey = (rigId: string) => `rotation-reminder/${rigId}`;

const versionKey = (titleId: string) => `title-version/${titleId}`;

export async function rotationReminder(db: Database, rigId: string): Promise<RotationReminder | null> {
  const value = await readFact(db, reminderKey(rigId));
  return value === undefined || value === null ? null : rotationReminderSchema.parse(value);
}

export async function setRotationReminder(
  db: Database,
  rigId: string,
  reminder: RotationReminder | null,
): Promise<void> {
  await writeFact(db, reminderKey(rigId), reminder);
}

/** The version of a title as the driver wrote it down; empty where nobody did. */
export async function titleVersion(db: Database, titleId: string): Promise<string> {
  const value = await readFact(db, versionKey(titleId));
  return value === undefined ? '' : titleVersionSchema.parse(value).version;
}

export async function setTitleVersion(db: Database, titleId: string, version: string): Promise<void> {
  await writeFact(db, versionKey(titleId), { version });
}
