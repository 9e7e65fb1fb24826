import { asc, eq } from 'drizzle-orm';
import { idSchema } from '@/core/text/line';
import { rigNameSchema, rigSpecSchema } from '@/core/rig/rigSpec';
import type { Database } from './database';
import { rigs } from './schema';
import type { Rig } from '@/core/rig/rig';

export async function listRigs(db: Database): Promise<Rig[]> {
  const rows = await db.select().from(rigs).orderBy(asc(rigs.createdAt));
  return rows.map((row) => ({ id: row.id, name: row.name, spec: rigSpecSchema.parse(row.spec) }));
}

export async function addRig(db: Database, rig: Rig): Promise<void> {
  await db.insert(rigs).values({ id: idSchema.parse(rig.id), ...whole(rig), createdAt: new Date() });
}

function whole({ name, spec }: Rig) {
  return { name: rigNameSchema.parse(name), spec: rigSpecSchema.parse(spec) };
}

export async function describeRig(db: Database, { id, ...rig }: Rig): Promise<void> {
  const changed = await db
    .update(rigs)
    .set(whole({ id, ...rig }))
    .where(eq(rigs.id, id))
    .returning({ id: rigs.id });
  if (changed.length === 0) throw new RangeError(`no rig ${id}`);
}
