import 'server-only';
import type { RigSpec } from '@/core/rig/rigSpec';
import type { Database } from '@/data/openBook';
import { describeRig, type Rig } from '@/data/rigs';
import { DONE, refused, type Reply } from './reply';
import { spoiltByRig } from './spoilt';

/** Writes down that a rig is made of something else, inside a command; refused where what is set on it could not be any more. */
export async function describeInside(db: Database, rig: Rig, spec: RigSpec): Promise<Reply> {
  const spoilt = await spoiltByRig(db, rig, spec);
  if (spoilt) return refused(spoilt);
  await describeRig(db, { ...rig, spec });
  return DONE;
}
