import { hardwareInputs } from '@/core/force/chainOf';
import { basisOn, type Basis, type Input } from '@/core/rig/evidence';
import type { RigSpec } from '@/core/rig/rigSpec';
import { degreesField } from '@/core/settings/menus';
import { keyText } from '@/core/settings/setting';
import { degrees } from '@/words/format';
import { DRIVE_WORDS } from '@/words/hardware';
import type { AxisView } from '../model/axisView';
import type { BookView } from '../model/bookView';
import type { NewestRide } from '../model/rideView';
import { trackOf } from './trackOf';

type Facts = Pick<
  BookView,
  'rig' | 'menus' | 'settings' | 'origins' | 'rotation' | 'car' | 'title' | 'trackId' | 'ownTrack'
> & {
  axes: readonly Pick<AxisView, 'axis' | 'name' | 'capture'>[];
};

const captured = (axes: Facts['axes'], name: string) =>
  axes.find(({ axis }) => axis === name)?.capture?.analysis ?? null;

/** Whether the base was set to another rotation after it was measured: then the measurement speaks of what it was. */
export function isSetSince({ axes, menus, origins }: Pick<Facts, 'axes' | 'menus' | 'origins'>): boolean {
  const capture = axes.find(({ axis }) => axis === 'steering')?.capture;
  const field = degreesField(menus, 'base', 'rotation');
  const origin = field && origins[keyText({ layer: 'base', axis: 'steering', field: field.key })];
  return Boolean(capture && origin && origin.atMs > capture.madeAtMs);
}

/** What the base turns, and how that is known: measured lock to lock, set or written down by its owner, or usual. */
export function rotationInput(facts: Omit<Facts, 'car' | 'title' | 'trackId' | 'ownTrack'>): Input {
  const { axes, rig, menus, settings, rotation } = facts;
  const analysis = captured(axes, 'steering');
  const measured = analysis?.axis === 'steering' && analysis.rotationDeg !== null && !isSetSince(facts);
  const field = degreesField(menus, 'base', 'rotation');
  const isSet =
    field !== undefined &&
    settings[keyText({ layer: 'base', axis: 'steering', field: field.key })] !== undefined;
  const { base } = rig.spec;
  const isSaid = isSet || base.rotationDeg !== null || base.program !== null;
  return {
    says: `the base turns ${degrees(rotation.baseDeg)}`,
    evidence: measured ? 'measured' : isSaid ? 'described' : 'assumed',
  };
}

/** The simulated driver's own line and speed are nobody's. */
const DRIVER: Input = { says: 'the line and the speed of the simulated driver', evidence: 'assumed' };

/** Whose foot is simulated: measured where its pedal was. */
function footInput({ axes }: Pick<Facts, 'axes'>): Input {
  const isMeasured = captured(axes, 'brake') !== null;
  return {
    says: isMeasured ? 'the brake as it was measured' : 'an even foot',
    evidence: isMeasured ? 'measured' : 'assumed',
  };
}

/** How the road is known: from rides on it, or as it is laid. */
function roadInput(facts: Pick<Facts, 'trackId' | 'ownTrack'>): Input {
  const { name, course } = trackOf(facts);
  // A road that was laid and made to close is a course as well: its corners are off by nothing.
  return course?.corners.some(({ plusMinusM }) => plusMinusM !== 0)
    ? { says: `${name} as it was driven`, evidence: 'measured' }
    : { says: `${name} as it is laid`, evidence: 'described' };
}

/** What a prediction of a let-go rim rests on, of the base alone. */
export const calmBasis = (spec: RigSpec): Basis => basisOn(...Object.values(hardwareInputs(spec)));

/** What every kind of figure rests on here. A new kind is an entry here; figures name theirs. */
export function basisOf(facts: Facts) {
  const { rig, car, title } = facts;
  const hardware = hardwareInputs(rig.spec);
  const described = (says: string): Input => ({ says, evidence: 'described' });
  const ofCar: Input[] = [
    described(`the ${car.name} as its document has it`),
    ...(car.assumed ?? []).map((says): Input => ({ says, evidence: 'assumed' })),
  ];
  const menus: Input[] = [
    described(`the menus of ${title.name} as they are described`),
    ...title.unsure.map((label): Input => ({
      says: `what the numbers of ${label} mean`,
      evidence: 'assumed',
    })),
  ];
  const settings = described('the settings as they are noted here');
  const rate: Input = {
    says: `force at ${title.forceHz} Hz`,
    evidence: title.knowsForceHz ? 'described' : 'assumed',
  };
  const steering = rotationInput(facts);
  const signal = [...ofCar, ...menus, settings, rate, footInput(facts), DRIVER];
  const loop = calmBasis(rig.spec).inputs;
  return {
    /** What was read from this axis by itself. */
    capture: basisOn({
      says: `read on the ${DRIVE_WORDS[rig.spec.base.drive]} rig itself`,
      evidence: 'measured',
    }),
    /** Spins of the rim by hand; their angle is as good as the rotation. */
    hand: basisOn({ says: `spins of the ${rig.name} by hand`, evidence: 'measured' }, steering),
    /** What the driver said after every ride, of values that were loaded as they were asked for. */
    answers: basisOn({ says: 'what the driver answered after every ride', evidence: 'measured' }, ...menus),
    response: basisOn(...menus, settings),
    rotation: basisOn(steering, ...menus, settings),
    hairpin: basisOn(steering, ...ofCar, settings, roadInput(facts)),
    slide: basisOn(steering, ...ofCar, settings),
    signal: basisOn(...signal),
    torque: basisOn(...signal, hardware.torque, hardware.scales),
    lost: basisOn(...signal, hardware.torque, hardware.friction),
    smooth: basisOn(...signal, hardware.torque, hardware.delay, hardware.scales),
    calm: basisOn(...ofCar, ...menus, settings, ...loop),
    crash: basisOn(settings, ...menus, ...loop),
  } satisfies Record<string, Basis>;
}
export type FigureKind = keyof ReturnType<typeof basisOf> | 'ride';

/** A ride as it was logged, or as the simulated driver drove it. */
export function rideBasis(facts: Facts, ride: Pick<NewestRide, 'importedFrom'>): Basis {
  return ride.importedFrom === null
    ? basisOf(facts).signal
    : basisOn({ says: `logged in ${ride.importedFrom}`, evidence: 'measured' });
}
