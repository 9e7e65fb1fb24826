import { degreesField } from '@/core/settings/menus';
import {
  assistedDeg,
  lockAdvice,
  measuredOtherwise,
  type LockChange,
  type LockFacts,
} from '@/core/rotation/lockAdvice';
import { CIRCLE_M, HELD_RAD } from '@/core/drills/possible';
import { hairpinHand, matchRotation } from '@/core/rotation/matchRotation';
import { carAnswer, SENSITIVITY_SPEEDS, steeredCar } from '@/core/rotation/sensitivity';
import type { MenuField } from '@/core/response/menuSchema';
import type { Proposal } from '@/core/settings/proposal';
import type { Layer } from '@/core/settings/setting';
import { steadySlide } from '@/core/slides/steadySlide';
import { makeTwoTrack } from '@/core/vehicle/twoTrack';
import { tightestCorner } from '@/core/vehicle/track';
import type { BookView } from '../model/bookView';
import type { Finding } from '../model/stationHealth';
import { isSetSince, rotationInput } from './basis';
import { degrees } from '@/words/format';
import { trackOf } from './trackOf';

type Facts = Pick<BookView, 'menus' | 'rotation' | 'schools'> & {
  axes: readonly Pick<BookView['axes'][number], 'axis' | 'name' | 'capture'>[];
};
type LockView = Pick<BookView, 'title' | 'trackId' | 'ownTrack' | 'car' | 'rotation'>;
/** What the three rotations are judged by. */
export type LockJudged = Facts & LockView & Pick<BookView, 'rig' | 'settings' | 'origins'>;

const rangeOf = (field: MenuField | undefined) =>
  field ? { minDeg: field.min, maxDeg: field.max, stepDeg: field.step } : null;

/** What the advice on the lock rests on; `null` where the base cannot be set. */
export function lockFactsOf({ menus, rotation, schools, axes }: Facts): LockFacts | null {
  const base = rangeOf(degreesField(menus, 'base', 'rotation'));
  if (!base) return null;
  const analysis = axes.find((axis) => axis.axis === 'steering')?.capture?.analysis;
  const measured =
    analysis?.axis === 'steering' && analysis.rotationDeg !== null
      ? { deg: analysis.rotationDeg, sigmaDeg: analysis.rotationSigmaDeg ?? 0 }
      : null;
  return {
    rotation,
    school: schools.rotation,
    base,
    title: rangeOf(degreesField(menus, 'title', 'rotation')),
    car: rangeOf(degreesField(menus, 'car', 'lock')),
    measured,
  };
}

const LAYER_FIELD: Record<Layer, 'rotation' | 'lock'> = { base: 'rotation', title: 'rotation', car: 'lock' };

type Named = Facts & Pick<BookView, 'names'>;

/** A rotation that is wanted on a layer, in that layer's own menu; `null` where it has no such setting. */
function lockProposal(view: Named, { layer, toDeg, evidence }: LockChange): Proposal | null {
  const field = degreesField(view.menus, layer, LAYER_FIELD[layer]);
  if (!field) return null;
  const { baseDeg, titleDeg, carDeg } = view.rotation;
  const { title, car } = view.names;
  const where = { base: 'on the base', title: `in ${title}`, car: `for the ${car}` }[layer];
  return {
    key: { layer, axis: 'steering', field: field.key },
    label: `${field.label} ${where}`,
    from: { base: baseDeg, title: titleDeg, car: carDeg }[layer],
    to: toDeg,
    evidence,
  };
}

/** What to change so that base, title and car agree, and the low rotation for a base that ends before the car's lock. */
export function lockProposals(view: Named): { all: Proposal[]; assisted: Proposal[] } {
  const facts = lockFactsOf(view);
  if (!facts) return { all: [], assisted: [] };
  const proposed = (changes: LockChange[]) =>
    changes.map((change) => lockProposal(view, change)).filter((one) => one !== null);
  const toDeg = assistedDeg(facts);
  return {
    all: proposed(lockAdvice(facts)),
    assisted:
      toDeg === null
        ? []
        : proposed([
            { layer: 'base', toDeg, evidence: 'Low rotation for a wheel without the car’s lock.' },
            { layer: 'title', toDeg, evidence: 'One-to-one with the base.' },
          ]),
  };
}

const EASY_DEG = 180;

/** The tightest corner that is driven here, and what it asks of the hands. */
export function hairpinOf(view: LockView) {
  const track = trackOf(view);
  const { radiusM, plusMinusM } = tightestCorner(track);
  const { wheelbaseM, ratio } = steeredCar(view.car);
  const corner = { radiusM, wheelbaseM, ratio, carDeg: view.rotation.carDeg };
  const { handDeg, isEnough } = hairpinHand(corner);
  // The hands turn by what the title makes of it.
  const realDeg = handDeg / matchRotation(view.rotation).gain;
  return {
    trackName: track.name,
    radiusM,
    plusMinusM,
    handDeg: realDeg,
    isEnough: isEnough && realDeg <= view.rotation.baseDeg / 2,
    isEasy: realDeg <= EASY_DEG,
  };
}

/** What holding the slide of the drills asks of the hands, in degrees of this wheel; `null` for a car that cannot hold one. */
export function slideOf({ car, rotation }: Pick<LockView, 'car' | 'rotation'>) {
  const held = steadySlide(makeTwoTrack(car), CIRCLE_M, -HELD_RAD);
  if (!held) return null;
  const handDeg = (Math.abs(held.handRad) * 180) / Math.PI / matchRotation(rotation).gain;
  const angleDeg = (HELD_RAD * 180) / Math.PI;
  return {
    radiusM: CIRCLE_M,
    angleDeg,
    handDeg,
    columnNm: Math.abs(held.columnNm),
    isEnough: handDeg <= rotation.baseDeg / 2,
  };
}

/** Every car of the title with its bump stop on this base. */
export function carRows({ cars, rotation }: Pick<BookView, 'cars' | 'rotation'>) {
  return cars.map((car) => ({ name: car.name, ...carAnswer(car, rotation, SENSITIVITY_SPEEDS) }));
}
export type CarRow = ReturnType<typeof carRows>[number];

/** What the three rotations look like where nothing is wrong with them. */
function agreement({ title, rotation }: LockView): string {
  const match = matchRotation(rotation);
  if (rotation.baseDeg < rotation.carOwnDeg)
    return `The base ends ${degrees(rotation.carOwnDeg - rotation.baseDeg)} before the car’s lock`;
  if (rotation.isStretch && !match.oneToOne)
    return `${title.name} stretches ${degrees(rotation.baseDeg)} over the car’s ${degrees(rotation.carDeg)}`;
  return match.overtravelDeg > 0
    ? `Base and title agree; ${degrees(match.overtravelDeg)} lie beyond the car’s lock`
    : 'Base, title and car agree: 90° shows as 90°';
}

/** What is to be said of the three rotations, most pressing first. */
export function lockFinding(view: LockJudged): Finding {
  const { rotation } = view;
  const match = matchRotation(rotation);
  const hairpin = hairpinOf(view);
  if (!rotation.isStretch && !match.oneToOne)
    return {
      health: 'look',
      reason: `90° shows as ${degrees(match.displayAt90)}`,
      heading: `A quarter turn shows as ${degrees(match.displayAt90)}: base and title disagree`,
    };
  if (!hairpin.isEnough)
    return {
      health: 'look',
      reason: 'The hairpin does not fit',
      heading: `The hairpin of ${hairpin.trackName} asks for more than the lock`,
    };
  const facts = lockFactsOf(view);
  if (facts?.measured && measuredOtherwise(facts) && !isSetSince(view)) {
    const said = `Measured ${degrees(facts.measured.deg)}, set to ${degrees(rotation.baseDeg)}`;
    return { health: 'look', reason: said, heading: `${said}: one of the two is old` };
  }
  const turns = rotation.isStretch
    ? `${degrees(rotation.baseDeg)} over ${degrees(rotation.carDeg)}`
    : `${degrees(rotation.baseDeg)}, and 90° shows as 90°`;
  const heading = agreement(view);
  const open = facts ? lockAdvice(facts).length : 0;
  if (open > 0)
    return {
      health: 'under-way',
      reason: `${open} ${open === 1 ? 'change is' : 'changes are'} open`,
      heading,
    };
  // What nobody measured is open, however well it fits.
  const { evidence } = rotationInput(view);
  if (evidence !== 'measured')
    return {
      health: 'under-way',
      reason: `${degrees(rotation.baseDeg)} ${evidence === 'assumed' ? 'assumed' : 'as it is set'}, not measured`,
      heading: `${heading}, if the base turns ${degrees(rotation.baseDeg)}: it is not measured`,
    };
  return { health: 'settled', reason: turns, heading };
}
