import { percent } from '../text/percent';
import { z } from 'zod';
import type { AxisAnalysis } from '../axes/analyseAxis';
import type { AxisName } from '../axes/axes';
import { isStrong, type RigSpec } from '../rig/rigSpec';
import { line } from '../text/line';
import { listed } from '../text/listed';
import { atMsSchema } from '../text/time';

/** How a title behaves before it runs: what pre-flight has to know of it. */
export interface TitleTraits {
  /** Whether the base's own program has to be open or shut while this title runs. */
  ownProgram: 'open' | 'shut' | 'either';
  /** The mode that the base must be switched to. */
  mode: string;
  /** Takes bindings only in a preset of one's own. */
  bindsInOwnPreset: boolean;
  /** Finds a steering axis only from a quick full lock and back: the rotation has to be small for it. */
  quickSweep: boolean;
}

/** What an item depends on; everything named must hold. */
interface ItemNeeds {
  drive?: RigSpec['base']['drive'][];
  strong?: boolean;
  loadCell?: boolean;
  shifterOrHandbrake?: boolean;
  ownProgram?: TitleTraits['ownProgram'][];
  bindsInOwnPreset?: boolean;
  quickSweep?: boolean;
}

/** What makes a tick void: it was given for another state of these. */
type ResetBy = 'firmware' | 'title-version' | 'cabling';

/** What the software can see itself, and then ticks itself. */
type Sight = 'device-present' | 'axes-alive' | 'all-at-rest' | 'steering-centred' | 'rotation-as-expected';

export interface PreflightItem {
  id: string;
  /** What to do, as one imperative; `{mode}`, `{title}`, `{moved}` and `{levers}` are filled in. */
  text: string;
  /** What it protects against. */
  protects: string;
  needs: ItemNeeds;
  resetBy: ResetBy[];
  sees?: Sight;
  /** Asked alone, with its own yes, on the first start of a strong base. */
  alone?: boolean;
}

/** A tick that somebody gave, and the state it was given for. */
export interface Tick {
  itemId: string;
  atMs: number;
  state: PreflightStamp;
}

/** Fingerprints of what resets ticks. */
export type PreflightStamp = Record<ResetBy, string>;

/** Versions of a whole rig follow each other in one text. */
export const stampSchema = z.strictObject({
  firmware: line(4000),
  'title-version': line(60),
  cabling: line(60),
}) satisfies z.ZodType<PreflightStamp>;

/** The version of a title, in an object: a bare text that looks like a number would come back as one. */
export const titleVersionSchema = z.strictObject({ version: line(40) });

/** The base was turned down so that a title could bind it: the rotation to put back, until it is measured again. */
export const rotationReminderSchema = z.strictObject({
  restoreDeg: z.number().min(0).max(10_000).nullable(),
  sinceMs: atMsSchema,
});
export type RotationReminder = z.output<typeof rotationReminderSchema>;

/** What the live device shows right now; `null` where nothing can be told. */
export type Sights = Record<Sight, { ok: boolean; says: string; waits?: boolean } | null>;

export interface ItemState {
  item: PreflightItem;
  text: string;
  /** `seen`: the software sees it; `waiting`: it will, once the driver has done it; `ticked`: somebody said so; `void`: ticked, but something changed since. */
  state: 'open' | 'ticked' | 'void' | 'waiting' | 'seen' | 'not-so';
  /** Why it is void, or what the software sees. */
  why: string | null;
}

export function preflightStamp(spec: RigSpec, titleVersion: string): PreflightStamp {
  const firmware = spec.software.map(({ part, version }) => `${part} ${version}`).sort();
  return { firmware: firmware.join(', '), 'title-version': titleVersion, cabling: String(spec.cabling) };
}

/** Firmware and version of the title, in one text. */
export const softwareOf = (stamp: PreflightStamp): string =>
  [stamp.firmware, stamp['title-version']].filter(Boolean).join('; ');

/**
 * The items that this rig and title need, in working order, each with its state. What the software will see once the axes
 * are measured is not asked before.
 */
export function preflight(
  items: readonly PreflightItem[],
  rig: RigSpec,
  title: { name: string; traits: TitleTraits },
  ticks: readonly Tick[],
  stamp: PreflightStamp,
  sights: Sights,
): ItemState[] {
  return items
    .filter((item) => isNeeded(item.needs, rig, title.traits) && !(item.sees && !sights[item.sees]))
    .map((item) => {
      const text = item.text
        .replaceAll('{mode}', title.traits.mode)
        .replaceAll('{title}', title.name)
        .replaceAll('{moved}', listed(['wheel', 'pedals', ...leversOf(rig)]))
        .replaceAll('{levers}', listed(leversOf(rig).map((lever) => `the ${lever}`)));
      return { item, text, ...stateOf(item, ticks, stamp, sights) };
    });
}

/** What this rig has beside wheel and pedals. */
function leversOf({ handbrake, shifter, paddles }: RigSpec): string[] {
  return [
    ...(handbrake === null ? [] : ['handbrake']),
    ...(shifter === null ? [] : ['shifter']),
    ...(paddles ? ['clutch paddles'] : []),
  ];
}

const RESET_WORDS: Record<ResetBy, string> = {
  firmware: 'the firmware changed since',
  'title-version': 'the title was updated since',
  cabling: 'the cabling changed since',
};

function stateOf(
  item: PreflightItem,
  ticks: readonly Tick[],
  stamp: PreflightStamp,
  sights: Sights,
): Pick<ItemState, 'state' | 'why'> {
  const sight = item.sees ? sights[item.sees] : null;
  if (sight) return { state: sight.ok ? 'seen' : sight.waits ? 'waiting' : 'not-so', why: sight.says };
  const tick = ticks.findLast((t) => t.itemId === item.id);
  if (!tick) return { state: 'open', why: null };
  const reset = item.resetBy.find((key) => tick.state[key] !== stamp[key]);
  return reset ? { state: 'void', why: RESET_WORDS[reset] } : { state: 'ticked', why: null };
}

function isNeeded(needs: ItemNeeds, rig: RigSpec, traits: TitleTraits): boolean {
  const facts: Record<keyof ItemNeeds, boolean> = {
    drive: needs.drive?.includes(rig.base.drive) ?? true,
    strong: needs.strong === undefined || needs.strong === isStrong(rig),
    loadCell: needs.loadCell === undefined || needs.loadCell === (rig.pedals.brake === 'load-cell'),
    shifterOrHandbrake:
      needs.shifterOrHandbrake === undefined ||
      needs.shifterOrHandbrake === (rig.shifter !== null || rig.handbrake !== null),
    ownProgram: needs.ownProgram?.includes(traits.ownProgram) ?? true,
    bindsInOwnPreset:
      needs.bindsInOwnPreset === undefined || needs.bindsInOwnPreset === traits.bindsInOwnPreset,
    quickSweep: needs.quickSweep === undefined || needs.quickSweep === traits.quickSweep,
  };
  return Object.values(facts).every(Boolean);
}

export function isSettled(state: ItemState): boolean {
  return state.state === 'ticked' || state.state === 'seen';
}

/** Axis readings that the sights are judged by: the newest travel of each axis, `undefined` where it gives nothing. */
export interface LiveFacts {
  isLive: boolean;
  axes: AxisName[];
  /** Axes whose reading has moved over a tenth of its range since the page opened. */
  moved: ReadonlySet<AxisName>;
  /** Travel of the pedals after calibration, 0…1. */
  travel: Partial<Record<AxisName, number>>;
  /** Angle of the steering where it is measured. */
  steeringDeg: number | null;
  /** Measured rotation and what the base is set to. */
  rotation: { measuredDeg: number; sigmaDeg: number; expectedDeg: number } | null;
}

const AT_REST = 0.02;
const CENTRED_DEG = 5;
const ROTATION_SIGMAS = 2;

/** What the software sees of the pre-flight by itself. */
export function seePreflight(live: LiveFacts): Sights {
  const { isLive, axes, moved, travel, steeringDeg, rotation } = live;
  const still = axes.filter((axis) => axis !== 'gear' && !moved.has(axis));
  const pressed = Object.entries(travel).filter(([, x]) => x > AT_REST);
  const off = rotation ? Math.abs(rotation.measuredDeg - rotation.expectedDeg) : 0;
  return {
    'device-present': { ok: isLive, says: isLive ? 'it sends readings' : 'nothing comes from it' },
    'axes-alive': isLive
      ? {
          ok: still.length === 0,
          waits: true,
          says:
            still.length === 0
              ? 'every axis has moved'
              : `not moved yet: ${still.join(', ').replaceAll('_', ' ')}`,
        }
      : null,
    'all-at-rest':
      isLive && Object.keys(travel).length > 0
        ? {
            ok: pressed.length === 0,
            says:
              pressed.length === 0
                ? 'all pedals read 0'
                : pressed.map(([axis, x]) => `${axis.replaceAll('_', ' ')} reads ${percent(x)}`).join(', '),
          }
        : null,
    'steering-centred':
      isLive && steeringDeg !== null
        ? {
            ok: Math.abs(steeringDeg) <= CENTRED_DEG,
            says: `it stands at ${Math.round(steeringDeg)}°`.replace('-', '−'),
          }
        : null,
    'rotation-as-expected': rotation
      ? {
          ok: off <= Math.max(ROTATION_SIGMAS * rotation.sigmaDeg, 1),
          says: `measured ${Math.round(rotation.measuredDeg)}°, the base is set to ${rotation.expectedDeg}°`,
        }
      : null,
  };
}

/** The rotation that a capture measured, against what the base is set to. */
export function rotationFacts(analysis: AxisAnalysis | null, rig: RigSpec): LiveFacts['rotation'] {
  if (analysis?.axis !== 'steering' || analysis.rotationDeg === null || rig.base.rotationDeg === null)
    return null;
  return {
    measuredDeg: analysis.rotationDeg,
    sigmaDeg: analysis.rotationSigmaDeg ?? 0,
    expectedDeg: rig.base.rotationDeg,
  };
}
