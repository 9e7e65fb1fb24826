'use server';

import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { z } from 'zod';
import { AXIS_NAMES } from '@/core/axes/axes';
import { deviceSchema, rigNameSchema, rigSpecSchema, type RigSpec } from '@/core/rig/rigSpec';
import { withoutContradiction } from '@/core/rig/rigForm';
import { simulatedRigById } from '@/catalog/find';
import { SIMULATED_RIGS } from '@/catalog/simulatedRigs';
import { line } from '@/core/text/line';
import type { Database } from '@/data/database';
import { addRig } from '@/data/rigs';
import { parseInput } from './parseInput';
import { actionHere, command, commandHere } from './command';
import { describeInTransaction } from './describeInTransaction';
import { openInTransaction } from './openInTransaction';
import { combinationOfBrowser } from '../read/requestContext';
import { nameTaken, plainRigOn } from './rigParts';
import type { Combination } from '@/core/settings/scope';
import { refused, type Reply } from './reply';

const problem = (code: string, message: string, remedy: string) =>
  refused({ code, message, place: {}, remedy });

/** Only that it is another number than before counts. */
const MOST_CABLINGS = 1_000_000;

const playableSchema = deviceSchema.refine(
  (device) => device.kind !== 'simulated' || SIMULATED_RIGS.some(({ id }) => id === device.rig),
  `no such simulated rig; there are ${SIMULATED_RIGS.map(({ id }) => id).join(', ')}`,
);

const newRigSchema = z.strictObject({
  name: rigNameSchema,
  device: playableSchema,
  /** Whether the base is known to be a direct drive; cautions follow from it. */
  isDirect: z.boolean().optional(),
  /** Whether brake and throttle are paddles. */
  isByHand: z.boolean().optional(),
});

/** Makes a rig and opens it; a simulated one comes described. */
export async function makeRig(input: z.input<typeof newRigSchema>): Promise<Reply> {
  const wanted = parseInput(newRigSchema, input);
  if (!wanted.ok) return refused(...wanted.problems);
  const { name, device, isDirect = false, isByHand = false } = wanted.value;
  const spec =
    device.kind === 'simulated' ? simulatedRigById(device.rig).spec : plainRigOn(device, isDirect, isByHand);
  const now = await combinationOfBrowser();
  return command((book) => addAndOpen(book, now, name, spec));
}

async function addAndOpen(
  book: Database,
  now: Combination | null,
  name: string,
  spec: RigSpec,
): Promise<Reply> {
  const taken = await nameTaken(book, name);
  if (taken) return taken;
  const id = randomUUID();
  await addRig(book, { id, name, spec });
  return openInTransaction(book, now, { rigId: id });
}

const describedSchema = z.strictObject({
  name: rigNameSchema,
  spec: rigSpecSchema.extend({ device: playableSchema }),
  /** The rig as the page showed it: where another window described it meanwhile, nothing is changed. */
  seen: z.strictObject({ name: rigNameSchema, spec: rigSpecSchema }).optional(),
});

/** Writes down what the open rig is made of. */
export async function saveRig(input: z.input<typeof describedSchema>): Promise<Reply> {
  const described = parseInput(describedSchema, input);
  if (!described.ok) return refused(...described.problems);
  const { name, spec, seen } = described.value;
  return commandHere(async ({ book, rig }) => {
    if (seen && !isDeepStrictEqual(seen, { name: rig.name, spec: rig.spec })) return DESCRIBED_MEANWHILE;
    const taken = await nameTaken(book, name, rig.id);
    if (taken) return taken;
    const sound = withoutContradiction(spec);
    if (!sound.ok) return refused(...sound.problems);
    return describeInTransaction(book, { ...rig, name }, spec);
  });
}

const DESCRIBED_MEANWHILE = problem(
  'changed-meanwhile',
  'Another window described this rig meanwhile.',
  'Nothing was changed. Reload the page to see it, then write down what is still to be changed.',
);

/** A second rig like the open one, under another name. */
export const copyRig = actionHere(rigNameSchema, ({ book, combination, rig }, name) =>
  addAndOpen(book, combination, name, rig.spec),
);

const axisSourceSchema = z.strictObject({
  axis: z.enum(AXIS_NAMES),
  device: line(320),
  place: z.unknown(),
});

/** Remembers from where one axis of the open rig comes; a simulated rig becomes a real one with it. */
export async function assignAxis(input: { axis: string; device: string; place: unknown }): Promise<Reply> {
  const wanted = parseInput(axisSourceSchema, input);
  if (!wanted.ok) return refused(...wanted.problems);
  const { axis, device, place } = wanted.value;
  return commandHere(async ({ book, rig }) => {
    const axes = rig.spec.device.kind === 'real' ? rig.spec.device.axes : {};
    const next = parseInput(deviceSchema, { kind: 'real', axes: { ...axes, [axis]: { device, place } } });
    if (!next.ok) return refused(...next.problems);
    return describeInTransaction(book, rig, { ...rig.spec, device: next.value });
  });
}

/** Lets the simulated rig stand in for the open rig's device, or takes the devices' places as they are given. */
export const takeDevice = actionHere(playableSchema, ({ book, rig }, input) =>
  describeInTransaction(book, rig, { ...rig.spec, device: input }),
);

/** Cables or fixings were changed: the ticks that depend on them are void. */
export async function cablingChanged(): Promise<Reply> {
  return commandHere(({ book, rig }) =>
    describeInTransaction(book, rig, { ...rig.spec, cabling: (rig.spec.cabling + 1) % MOST_CABLINGS }),
  );
}
