import { asc, eq } from 'drizzle-orm';
import { rigSpecSchema, type RigSpec } from '@/core/rig/rigSpec';
import type { Database } from './openBook';
import { rigs } from './schema';

export interface Rig {
  id: string;
  name: string;
  spec: RigSpec;
}

export async function listRigs(db: Database): Promise<Rig[]> {
  const rows = await db.select().from(rigs).orderBy(asc(rigs.createdAt));
  return rows.map((row) => ({ id: row.id, name: row.name, spec: rigSpecSchema.parse(row.spec) }));
}

export async function addRig(db: Database, rig: Rig): Promise<void> {
  await db.insert(rigs).values({ ...rig, createdAt: new Date() });
}

export async function describeRig(db: Database, { id, name, spec }: Rig): Promise<void> {
  const changed = await db.update(rigs).set({ name, spec }).where(eq(rigs.id, id)).returning({ id: rigs.id });
  if (changed.length === 0) throw new RangeError(`no rig ${id}`);
}
