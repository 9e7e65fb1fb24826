'use server';

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { AXIS_NAMES } from '@/core/axes/recording';
import {
  deviceSchema,
  plainRig,
  rigNameSchema,
  rigSpecSchema,
  type AxisSource,
  type RigSpec,
} from '@/core/rig/rigSpec';
import { simulatedRigById } from '@/catalog/find';
import { database } from '@/data/book';
import { openCombination } from '@/data/combination';
import type { Database } from '@/data/openBook';
import { addRig, describeRig, listRigs, type Rig } from '@/data/rigs';
import { bookChanged } from '../bookChanged';
import { changeCombination } from '../frame/actions';
import { DONE, refused, type Reply } from '../reply';

const problem = (code: string, message: string, remedy: string) =>
  refused({ code, message, place: {}, remedy });

async function nameTaken(db: Database, name: string, except?: string): Promise<Reply | null> {
  const taken = (await listRigs(db)).some(
    (rig) => rig.id !== except && rig.name.toLowerCase() === name.toLowerCase(),
  );
  return taken
    ? problem('rig-exists', `There is a rig called ${name} already.`, 'Choose another name.')
    : null;
}

const newRigSchema = z.strictObject({
  name: rigNameSchema,
  device: deviceSchema,
  /** Whether the base is known to be a direct drive; cautions follow from it. */
  isDirect: z.boolean().optional(),
});

/** Makes a rig and opens it; a simulated one comes described. */
export async function makeRig(input: z.input<typeof newRigSchema>): Promise<Reply> {
  const parsed = newRigSchema.safeParse(input);
  if (!parsed.success)
    return problem('bad-rig', `${parsed.error.issues[0]?.message ?? 'The rig is not valid'}.`, 'Correct it.');
  const { name, device, isDirect = false } = parsed.data;
  const db = await database();
  const taken = await nameTaken(db, name);
  if (taken) return taken;
  const id = randomUUID();
  const spec =
    device.kind === 'simulated' ? simulatedRigById(device.rig).spec : withItsAxes(plainRig(device), isDirect);
  await addRig(db, { id, name, spec });
  return changeCombination({ rigId: id });
}

/** A plain rig has what was found on its devices. */
function withItsAxes(spec: RigSpec, isDirect: boolean): RigSpec {
  if (spec.device.kind !== 'real') return spec;
  const has = spec.device.axes;
  return {
    ...spec,
    base: { ...spec.base, drive: isDirect ? 'direct' : spec.base.drive },
    pedals: {
      throttle: has.throttle ? 'unknown' : spec.pedals.throttle,
      brake: has.brake ? 'unknown' : spec.pedals.brake,
      clutch: has.clutch ? 'unknown' : null,
    },
    shifter: has.gear ? { kind: 'gate', gears: gatesOf(has.gear) } : null,
    handbrake: has.handbrake ? 'analogue' : null,
    paddles: Boolean(has.paddle_left),
  };
}

/** One button for each gate, the last of them reverse. */
function gatesOf({ place }: AxisSource): number {
  return place.kind === 'buttons' ? Math.min(8, Math.max(1, place.indices.length - 1)) : 6;
}

const describedSchema = z.strictObject({ name: rigNameSchema, spec: rigSpecSchema });

/** Writes down what the open rig is made of. */
export async function saveRig(input: z.input<typeof describedSchema>): Promise<Reply> {
  const parsed = describedSchema.safeParse(input);
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    const place = { column: issue.path.join('.') };
    return refused({ code: 'bad-rig', message: `${issue.message}.`, place, remedy: 'Correct the value.' });
  }
  const db = await database();
  const rig = await openRig(db);
  if (!rig) return NOTHING_OPEN;
  const taken = await nameTaken(db, parsed.data.name, rig.id);
  if (taken) return taken;
  const faults = contradictions(parsed.data.spec);
  if (faults) return faults;
  await describeRig(db, { id: rig.id, ...parsed.data });
  bookChanged();
  return DONE;
}

const NOTHING_OPEN = problem('no-rig', 'No rig is open.', 'Choose or make a rig first.');

function contradictions({ base }: RigSpec): Reply | null {
  const { rotationDeg, maxRotationDeg, brakeForce } = base;
  if (rotationDeg !== null && maxRotationDeg !== null && rotationDeg > maxRotationDeg)
    return problem(
      'rotation-over-maximum',
      `The base cannot be set to ${rotationDeg}°: its greatest rotation is ${maxRotationDeg}°.`,
      'Lower the one, or correct the other.',
    );
  const isScale =
    !brakeForce ||
    (brakeForce.max > brakeForce.min && brakeForce.now >= brakeForce.min && brakeForce.now <= brakeForce.max);
  return isScale
    ? null
    : problem(
        'bad-scale',
        'The brake-force scale does not hold its own value.',
        'The least, the greatest, and a value between them.',
      );
}

/** A second rig like the open one, under another name. */
export async function copyRig(name: string): Promise<Reply> {
  const parsed = rigNameSchema.safeParse(name);
  if (!parsed.success) return problem('bad-rig', `${parsed.error.issues[0]!.message}.`, 'Correct it.');
  const db = await database();
  const rig = await openRig(db);
  if (!rig) return NOTHING_OPEN;
  const taken = await nameTaken(db, parsed.data);
  if (taken) return taken;
  const id = randomUUID();
  await addRig(db, { id, name: parsed.data, spec: rig.spec });
  return changeCombination({ rigId: id });
}

const axisSourceSchema = z.strictObject({
  axis: z.enum(AXIS_NAMES),
  device: z.string().max(320),
  place: z.unknown(),
});

/** Remembers from where one axis of the open rig comes; a simulated rig becomes a real one with it. */
export async function assignAxis(input: { axis: string; device: string; place: unknown }): Promise<Reply> {
  const { axis, device, place } = axisSourceSchema.parse(input);
  const db = await database();
  const rig = await openRig(db);
  if (!rig) return NOTHING_OPEN;
  const axes = rig.spec.device.kind === 'real' ? rig.spec.device.axes : {};
  const next = deviceSchema.parse({ kind: 'real', axes: { ...axes, [axis]: { device, place } } });
  await describeRig(db, { ...rig, spec: { ...rig.spec, device: next } });
  bookChanged();
  return DONE;
}

/** Lets the simulated rig stand in for the open rig's device, or takes the devices' places as they are given. */
export async function takeDevice(input: z.input<typeof deviceSchema>): Promise<Reply> {
  const device = deviceSchema.parse(input);
  const db = await database();
  const rig = await openRig(db);
  if (!rig) return NOTHING_OPEN;
  await describeRig(db, { ...rig, spec: { ...rig.spec, device } });
  bookChanged();
  return DONE;
}

/** Cables or fixings were changed: the ticks that depend on them are void. */
export async function cablingChanged(): Promise<Reply> {
  const db = await database();
  const rig = await openRig(db);
  if (!rig) return NOTHING_OPEN;
  await describeRig(db, { ...rig, spec: { ...rig.spec, cabling: rig.spec.cabling + 1 } });
  bookChanged();
  return DONE;
}

async function openRig(db: Database): Promise<Rig | undefined> {
  const combination = await openCombination(db);
  return (await listRigs(db)).find((rig) => rig.id === combination?.rigId);
}
