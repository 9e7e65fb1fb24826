import { AXES, isPedalAxis, type AxisName } from './axes';

/** What a step of a guided capture asks the driver to do. */
export type StepKind = 'rest' | 'cover' | 'takeup' | 'sweep' | 'press' | 'hold' | 'gate';

/** One step: what is asked, how its samples are labelled, how often it is wanted and how often at least. */
export interface CaptureStep {
  kind: StepKind;
  label: string;
  wanted: number;
  least: number;
  /** Angle of a hold, left positive. */
  degrees?: number;
  /** Number of a gate: 1… forward, −1 reverse (or down, on a sequential lever). */
  gate?: number;
}

export interface ProgrammeOptions {
  /** Light presses to where resistance is felt: dead zone from the take-up. */
  takeup?: boolean;
  /** Greatest rotation of the base, degrees lock to lock; tells which marked angles can be held. */
  rotationDeg?: number | null;
  /** Angles marked on the rim that are held instead, degrees, each way. */
  angles?: number[];
  shifter?: { kind: 'sequential' | 'gate'; gears: number };
}

const step = (kind: StepKind, wanted = 1, least = wanted, more: Partial<CaptureStep> = {}): CaptureStep => ({
  kind,
  label: kind,
  wanted,
  least,
  ...more,
});
const hold = (degrees: number) => step('hold', 1, 1, { label: `hold:${degrees}`, degrees });
const gate = (n: number, reads: number) => step('gate', reads, 1, { label: `gate:${n}`, gate: n });

const SWEEPS = step('sweep', 3);
const PRESSES = step('press', 6, 4);
const TAKEUPS = step('takeup', 3, 2);

/** A full turn is safely inside the locks from here on; half a turn from there. */
const FULL_TURN_FITS_DEG = 800;
const HALF_TURN_FITS_DEG = 400;
const GATE_READS = 2;
const SEQUENTIAL_READS = 5;

/** Steps of a guided capture of one axis, in the order in which a practitioner works. */
export function programmeFor(axis: AxisName, options: ProgrammeOptions = {}): CaptureStep[] {
  if (axis === 'steering') return steering(options.angles ?? heldAngles(options.rotationDeg ?? null));
  if (axis === 'gear') return shifter(options.shifter ?? { kind: 'gate', gears: 6 });
  if (!isPedalAxis(axis)) throw new RangeError(`no programme for ${axis}`);
  const { hasSlack, isRestedOn } = AXES[axis];
  const slack = hasSlack || options.takeup ? [TAKEUPS] : [];
  const cover = isRestedOn ? [step('cover')] : [];
  return [step('rest'), ...cover, ...slack, SWEEPS, PRESSES];
}

/** Angles that a rim can be held at: from an eighth of a turn to inside the locks, at most four of them. */
export function readAngles(text: string, rotationDeg: number | null): number[] | null {
  const angles = text
    .split(/[,;\s]+/)
    .filter((word) => word !== '')
    .map(Number);
  const most = (rotationDeg ?? WIDEST_DEG) / 2;
  const isGood = angles.length > 0 && angles.length <= 4 && angles.every((a) => a >= 45 && a <= most);
  return isGood ? [...new Set(angles)].sort((a, b) => a - b) : null;
}

/** No base turns further than this from lock to lock. */
const WIDEST_DEG = 3600;

/** Angles that are held each way: a quarter turn finds the scale, a full turn makes it sure. */
export function heldAngles(rotationDeg: number | null): number[] {
  if (rotationDeg !== null && rotationDeg < HALF_TURN_FITS_DEG) return [90];
  return rotationDeg === null || rotationDeg >= FULL_TURN_FITS_DEG ? [90, 360] : [90, 180];
}

function steering(angles: number[]): CaptureStep[] {
  const holds = angles.flatMap((angle) => [hold(angle), step('rest'), hold(-angle), step('rest')]);
  return [step('rest'), SWEEPS, ...holds];
}

function shifter({ kind, gears }: { kind: 'sequential' | 'gate'; gears: number }): CaptureStep[] {
  if (kind === 'sequential') return [step('rest'), gate(1, SEQUENTIAL_READS), gate(-1, SEQUENTIAL_READS)];
  return [
    step('rest'),
    ...Array.from({ length: gears }, (_, i) => gate(i + 1, GATE_READS)),
    gate(-1, GATE_READS),
  ];
}
