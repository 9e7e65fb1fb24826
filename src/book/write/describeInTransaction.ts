import 'server-only';
import type { RigSpec } from '@/core/rig/rigSpec';
import type { Database } from '@/data/database';
import { describeRig } from '@/data/rigs';
import type { Rig } from '@/core/rig/rig';
import { DONE, refused, type Reply } from './reply';
import { findRigConflicts } from './findConflicts';

/** Writes down that a rig is made of something else, inside a command; refused where what is set on it could not be any more. */
export async function describeInTransaction(book: Database, rig: Rig, spec: RigSpec): Promise<Reply> {
  const conflict = await findRigConflicts(book, rig, spec);
  if (conflict) return refused(conflict);
  await describeRig(book, { ...rig, spec });
  return DONE;
}
