'use server';

import { z } from 'zod';
import { BINDING_ROTATION_DEG, PREFLIGHT } from '@/catalog/preflight';
import { preflightStamp, titleVersionSchema } from '@/core/ready/preflight';
import type { RigSpec } from '@/core/rig/rigSpec';
import { setRotationReminder, setTick, setTitleVersion, titleVersion } from '@/data/readiness';
import { actionHere, commandHere } from './command';
import { describeInTransaction } from './describeInTransaction';
import { DONE, refused, type Reply } from './reply';

/** Ticks an item of pre-flight for firmware, title version and cabling as they are, or takes the tick away. */
export async function tickItem(itemId: string, isTicked: boolean): Promise<Reply> {
  const item = PREFLIGHT.find(({ id }) => id === itemId);
  if (!item)
    return refused({
      code: 'no-item',
      message: 'There is no such item.',
      place: {},
      remedy: 'Reload the page.',
    });
  return commandHere(async ({ book, combination, rig }) => {
    const stamp = preflightStamp(rig.spec, await titleVersion(book, combination.titleId));
    await setTick(book, combination, item.id, isTicked ? stamp : null);
    return DONE;
  });
}

/** Writes down which version of the title is installed; a new one voids what was ticked for the old one. */
export const noteTitleVersion = actionHere(
  titleVersionSchema.shape.version,
  async ({ book, combination }, version) => {
    await setTitleVersion(book, combination.titleId, version);
    return DONE;
  },
);

/** The base is turned down so that a title can bind it; the road reminds of it until the steering is measured again. */
export async function turnDownForBinding(): Promise<Reply> {
  return commandHere(async ({ book, rig }) => {
    const restoreDeg = rig.spec.base.rotationDeg;
    await setRotationReminder(book, rig.id, { restoreDeg, sinceMs: Date.now() });
    return describeInTransaction(book, rig, turnedTo(rig.spec, BINDING_ROTATION_DEG));
  });
}

/** The rotation is said to be put back; measuring the steering settles it as well. */
export const rotationPutBack = actionHere(
  z.number().min(90).max(3600).nullable(),
  async ({ book, rig }, restoreDeg) => {
    await setRotationReminder(book, rig.id, null);
    return describeInTransaction(book, rig, turnedTo(rig.spec, restoreDeg));
  },
);

function turnedTo(spec: RigSpec, rotationDeg: number | null): RigSpec {
  return { ...spec, base: { ...spec.base, rotationDeg } };
}
