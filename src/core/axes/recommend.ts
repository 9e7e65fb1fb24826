import { percent } from '../text/percent';
import { chanceOfReaching } from '../numeric/distributions';
import { standardDeviation } from '../numeric/moments';
import {
  gridValue,
  toCanonical,
  type MenuSchema,
  type MenuField,
  type Rounding,
} from '../response/menuSchema';
import { effectiveResponse, respond } from '../response/compose';
import type { ResponseLayer } from '../response/layer';
import { layerFromSettings, valueOf, type FieldValues } from '../response/settings';
import type { Proposal } from '../settings/proposal';
import { AXIS_WORDS, restingLimb, strokesOf, type WorkedBy } from './axes';
import type { PedalAnalysis } from './pedalAnalysis';

/** What a pedal's capture asks of the title. */
export interface PedalProposal extends Proposal {
  parameter: 'deadzone' | 'saturation';
}

const ALREADY_GOOD = 0.95;
/** A resting foot that shows less than half a percent beyond the dead zone drags nothing. */
const DRAG_COUNTS = 0.005;
const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

/**
 * What to change in a title's own numbers after a pedal capture: a dead zone that hides the resting foot (or starts
 * at the take-up), a saturation that a comfortable full press reaches. Never rounded to the side that would fail.
 * Settings that already do the job bring no recommendation.
 * @param before layers that the signal passes before it reaches the title
 */
export function recommendPedal(
  analysis: PedalAnalysis,
  dialect: MenuSchema,
  values: FieldValues,
  before: ResponseLayer[] = [],
  by: WorkedBy = 'feet',
): PedalProposal[] {
  const layers = [...before, layerFromSettings(dialect, values)];
  const pedal: Pedal = { analysis, dialect, values, before, by, now: effectiveResponse(layers) };
  return [deadzoneChange(pedal), saturationChange(pedal)].filter((change) => change !== null);
}

interface Pedal {
  analysis: PedalAnalysis;
  dialect: MenuSchema;
  values: FieldValues;
  before: ResponseLayer[];
  by: WorkedBy;
  now: { deadzone: number; saturation: number };
}

function deadzoneChange({ analysis, dialect, values, before, by, now }: Pedal): PedalProposal | null {
  const field = fieldFor(dialect, 'deadzone');
  if (!field || analysis.deadzone === null) return null;
  const cover = analysis.coverTravel;
  const drags = cover !== null && cover.p995 > now.deadzone + DRAG_COUNTS;
  if (now.deadzone >= analysis.deadzone || (analysis.deadzoneFrom === 'cover' && !drags)) return null;
  const change = onGrid(field, values, respond(before, analysis.deadzone), 'atLeast');
  if (!change) return null;
  const does =
    analysis.deadzoneFrom === 'takeup'
      ? `Resistance is felt at ${percent(analysis.deadzone, 1)} of travel: ${change.to} starts the ${AXIS_WORDS[analysis.axis]} there.`
      : `A ${restingLimb(analysis.axis, by)} reads up to ${percent(cover!.p995, 1)}. ${change.to} keeps the straights free of it and costs ${percent(toCanonical(field, change.to) - toCanonical(field, change.from), 1)} of the travel.`;
  return {
    ...change,
    ...named(analysis, field, 'deadzone'),
    evidence: does,
  };
}

function saturationChange({ analysis, dialect, values, before, by, now }: Pedal): PedalProposal | null {
  const field = fieldFor(dialect, 'saturation');
  if (!field || analysis.saturation === null) return null;
  const peaks = analysis.presses.filter((p) => p.counted).map((p) => p.peak);
  const chance = (s: number) =>
    chanceOfReaching(s, analysis.pressMean!, standardDeviation(peaks), peaks.length);
  if (chance(now.saturation) >= ALREADY_GOOD) return null;
  const change = onGrid(field, values, respond(before, analysis.saturation), 'atMost');
  if (!change) return null;
  const then = [...before, layerFromSettings(dialect, { ...values, [field.key]: change.to })];
  const stops = `All ${peaks.length} ${strokesOf(analysis.axis, by)} stop between ${Math.min(...peaks).toFixed(2)} and ${Math.max(...peaks).toFixed(2)} of travel; ${Math.round(100 * chance(now.saturation))} of 100 would read 100 % now.`;
  const after = Math.min(99, Math.floor(100 * chance(effectiveResponse(then).saturation)));
  return {
    ...change,
    ...named(analysis, field, 'saturation'),
    evidence: `${stops} With ${change.to} about ${after} of 100 do: at least 95, at 90 % confidence.`,
  };
}

function named({ axis }: PedalAnalysis, field: MenuField, parameter: PedalProposal['parameter']) {
  const key = { layer: 'title', axis, field: field.key } as const;
  return { parameter, key, label: `${capital(AXIS_WORDS[axis])} ${field.label.toLowerCase()}` };
}

function fieldFor(dialect: MenuSchema, parameter: PedalProposal['parameter']): MenuField | undefined {
  return dialect.fields.find((field) => field.maps.kind.startsWith(parameter));
}

function onGrid(field: MenuField, values: FieldValues, canonical: number, rounding: Rounding) {
  const from = valueOf(field, values);
  const to = gridValue(field, canonical, rounding);
  return to === from ? null : { from, to };
}
