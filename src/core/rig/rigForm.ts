import { z } from 'zod';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import { rigNameSchema, rigSpecSchema, type RigSpec } from './rigSpec';

/**
 * What its owner writes down of a rig, in one go. Where its axes come from and how often it was cabled anew are kept on
 * their own.
 */
const describedSchema = z.strictObject({
  name: rigNameSchema,
  spec: rigSpecSchema.omit({ device: true, cabling: true }),
});
type Described = z.output<typeof describedSchema>['spec'];

/** What can't be true of one rig at once; the place is the path of the number to look at first. */
function contradictions({ base }: Pick<RigSpec, 'base'>): Problem[] {
  const { rotationDeg, maxRotationDeg, brakeForce } = base;
  const found: Problem[] = [];
  if (rotationDeg !== null && maxRotationDeg !== null && rotationDeg > maxRotationDeg)
    found.push({
      code: 'rotation-over-maximum',
      message: `The base cannot be set to ${rotationDeg}°: its greatest rotation is ${maxRotationDeg}°.`,
      place: { column: 'base.rotationDeg' },
      remedy: 'Lower the one, or correct the other.',
    });
  if (brakeForce && !(brakeForce.max > brakeForce.min))
    found.push({
      code: 'bad-scale',
      message: `The brake-force scale ends at ${brakeForce.max} and begins at ${brakeForce.min}.`,
      place: { column: 'base.brakeForce.max' },
      remedy: 'The greatest lies above the least.',
    });
  else if (brakeForce && !(brakeForce.now >= brakeForce.min && brakeForce.now <= brakeForce.max))
    found.push({
      code: 'bad-scale',
      message: `The brake force of ${brakeForce.now} lies outside its scale.`,
      place: { column: 'base.brakeForce.now' },
      remedy: `It goes from ${brakeForce.min} to ${brakeForce.max}.`,
    });
  return found;
}

/** Passes on what can be true of one rig. */
export function withoutContradiction<T extends Pick<RigSpec, 'base'>>(spec: T): Outcome<T> {
  const found = contradictions(spec);
  return found.length > 0 ? fail(...found) : succeed(spec);
}

/** The same for a form: what is wrong stands beside the field that is to be looked at. */
export const rigFormSchema = describedSchema.superRefine(({ spec }, context) => {
  for (const { message, remedy, place } of contradictions(spec))
    context.addIssue({
      code: 'custom',
      path: ['spec', ...place.column!.split('.')],
      message: `${message} ${remedy}`,
    });
});

/** What the form begins with. */
export function rigForm(
  name: string,
  { device: _, cabling: __, ...spec }: RigSpec,
): z.input<typeof rigFormSchema> {
  return { name, spec };
}

/** The rig as the form describes it; what is kept on its own stays. */
export function describedRig(spec: Described, { device, cabling }: RigSpec): RigSpec {
  return { ...spec, device, cabling };
}
