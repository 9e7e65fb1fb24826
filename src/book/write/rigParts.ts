import 'server-only';
import { deviceSchema, plainRig, type AxisSource, type RigDevice, type RigSpec } from '@/core/rig/rigSpec';
import type { Database } from '@/data/database';
import { listRigs } from '@/data/rigs';
import { refused, type Reply } from './reply';

/** A device that is plugged in. */
export const realDeviceSchema = deviceSchema.options[1];

/** Whether another rig is called so. */
export async function nameTaken(book: Database, name: string, except?: string): Promise<Reply | null> {
  const taken = (await listRigs(book)).some(
    (rig) => rig.id !== except && rig.name.toLowerCase() === name.toLowerCase(),
  );
  return taken
    ? refused({
        code: 'rig-exists',
        message: `There is a rig called ${name} already.`,
        place: {},
        remedy: 'Choose another name.',
      })
    : null;
}

/** A plain rig has what was found on its devices. */
export function plainRigOn(device: RigDevice, isDirect = false, isByHand = false): RigSpec {
  const spec = plainRig(device);
  if (spec.device.kind !== 'real') return spec;
  const has = spec.device.axes;
  return {
    ...spec,
    base: { ...spec.base, drive: isDirect ? 'direct' : spec.base.drive },
    rim: { ...spec.rim, paddleMode: isByHand ? 'brake-throttle' : spec.rim.paddleMode },
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
