import { and, desc, eq } from 'drizzle-orm';
import { typedInSchema, type TypedIn } from '@/core/card/typedIn';
import { combinationSchema, type Combination } from '@/core/settings/scope';
import type { Database } from './database';
import { combinations, facts } from './schema';
import type { KnownCombination } from '@/core/settings/scope';

const OPEN = 'combination';

const onRig = (rigId: string) => `combination/${rigId}`;

/** The combination that was opened last in this book, by whichever browser. */
export function lastOpened(db: Database): Promise<Combination | null> {
  return readCombination(db, OPEN);
}

/** The combination that was open last on a rig. */
export function lastCombination(db: Database, rigId: string): Promise<Combination | null> {
  return readCombination(db, onRig(rigId));
}

async function readCombination(db: Database, key: string): Promise<Combination | null> {
  const [row] = await db.select().from(facts).where(eq(facts.key, key));
  return row ? combinationSchema.parse(row.value) : null;
}

export async function chooseCombination(db: Database, chosen: Combination): Promise<void> {
  const combination = combinationSchema.parse(chosen);
  for (const key of [OPEN, onRig(combination.rigId)])
    await db
      .insert(facts)
      .values({ key, value: combination })
      .onConflictDoUpdate({ target: facts.key, set: { value: combination } });
  const openedAt = new Date();
  await db
    .insert(combinations)
    .values({ ...combination, openedAt })
    .onConflictDoUpdate({
      target: [
        combinations.rigId,
        combinations.titleId,
        combinations.carId,
        combinations.driver,
        combinations.branch,
      ],
      set: { openedAt },
    });
}

/** Every combination that was ever opened, the latest first. */
export async function listCombinations(db: Database): Promise<KnownCombination[]> {
  const rows = await db.select().from(combinations).orderBy(desc(combinations.openedAt));
  return rows.map(({ openedAt, rigId, titleId, carId, driver, branch }) => ({
    rigId,
    titleId,
    carId,
    driver,
    branch,
    openedAtMs: openedAt.getTime(),
  }));
}

/** Whether a combination was ever opened. */
export async function isKnown(db: Database, combination: Combination): Promise<boolean> {
  return (await db.$count(combinations, isCombination(combination))) > 0;
}

/** When the card of a combination was typed in; `null` before the first time. */
export async function typedInOf(db: Database, combination: Combination): Promise<TypedIn | null> {
  const [row] = await db
    .select({ typedIn: combinations.typedIn })
    .from(combinations)
    .where(isCombination(combination));
  return row?.typedIn ? typedInSchema.parse(row.typedIn) : null;
}

export async function markTypedIn(
  db: Database,
  combination: Combination,
  typedIn: TypedIn | null,
): Promise<void> {
  await db
    .update(combinations)
    .set({ typedIn: typedIn && typedInSchema.parse(typedIn) })
    .where(isCombination(combination));
}

function isCombination({ rigId, titleId, carId, driver, branch }: Combination) {
  return and(
    eq(combinations.rigId, rigId),
    eq(combinations.titleId, titleId),
    eq(combinations.carId, carId),
    eq(combinations.driver, driver),
    eq(combinations.branch, branch),
  );
}
