'use server';

import { z } from 'zod';
import { BINDING_ROTATION_DEG, PREFLIGHT } from '@/catalog/preflight';
import { preflightStamp } from '@/core/ready/preflight';
import { database } from '@/data/book';
import { openCombination, type Combination } from '@/data/combination';
import type { Database } from '@/data/openBook';
import { setRotationReminder, setTick, setTitleVersion, titleVersion } from '@/data/readiness';
import { describeRig, listRigs, type Rig } from '@/data/rigs';
import { asked } from '../asked';
import { bookChanged } from '../bookChanged';
import { DONE, refused, type Reply } from '../reply';

const NOTHING_OPEN = refused({
  code: 'no-rig',
  message: 'No rig is open.',
  place: {},
  remedy: 'Choose or make a rig first.',
});

interface Open {
  db: Database;
  scope: Combination;
  rig: Rig;
}

async function whatIsOpen(): Promise<Open | null> {
  const db = await database();
  const scope = await openCombination(db);
  const rig = (await listRigs(db)).find((r) => r.id === scope?.rigId);
  return scope && rig ? { db, scope, rig } : null;
}

/** Ticks an item of pre-flight for firmware, title version and cabling as they are, or takes the tick away. */
export async function tickItem(itemId: string, isTicked: boolean): Promise<Reply> {
  const open = await whatIsOpen();
  if (!open) return NOTHING_OPEN;
  const item = PREFLIGHT.find(({ id }) => id === itemId);
  if (!item)
    return refused({
      code: 'no-item',
      message: 'There is no such item.',
      place: {},
      remedy: 'Reload the page.',
    });
  const { db, scope, rig } = open;
  const stamp = preflightStamp(rig.spec, await titleVersion(db, scope.titleId));
  await setTick(db, scope, item.id, isTicked ? stamp : null);
  bookChanged();
  return DONE;
}

/** Writes down which version of the title is installed; a new one voids what was ticked for the old one. */
export async function noteTitleVersion(version: string): Promise<Reply> {
  const open = await whatIsOpen();
  if (!open) return NOTHING_OPEN;
  const installed = asked(z.string().trim().max(40), version);
  if (!installed.ok) return refused(...installed.problems);
  await setTitleVersion(open.db, open.scope.titleId, installed.value);
  bookChanged();
  return DONE;
}

/** The base is turned down so that a title can bind it; the road reminds of it until the steering is measured again. */
export async function turnDownForBinding(): Promise<Reply> {
  const open = await whatIsOpen();
  if (!open) return NOTHING_OPEN;
  const { db, rig } = open;
  const restoreDeg = rig.spec.base.rotationDeg;
  await setRotationReminder(db, rig.id, { restoreDeg, sinceMs: Date.now() });
  await describeRig(db, withRotation(rig, BINDING_ROTATION_DEG));
  bookChanged();
  return DONE;
}

/** The rotation is said to be put back; measuring the steering settles it as well. */
export async function rotationPutBack(restoreDeg: number | null): Promise<Reply> {
  const open = await whatIsOpen();
  if (!open) return NOTHING_OPEN;
  const degrees = asked(z.number().min(90).max(3600).nullable(), restoreDeg);
  if (!degrees.ok) return refused(...degrees.problems);
  await setRotationReminder(open.db, open.rig.id, null);
  await describeRig(open.db, withRotation(open.rig, degrees.value));
  bookChanged();
  return DONE;
}

function withRotation(rig: Rig, rotationDeg: number | null): Rig {
  return { ...rig, spec: { ...rig.spec, base: { ...rig.spec.base, rotationDeg } } };
}
