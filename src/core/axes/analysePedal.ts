import { mean } from '../numeric/moments';
import { median, quantile } from '../numeric/order';
import { fail, succeed, type Outcome } from '../problem';
import { travelOf, type PedalCalibration } from './calibration';
import { coverDeadzone, rulingDeadzone, takeupDeadzone } from './deadzone';
import { despike, type Despiked } from './despike';
import { longestRestDrift } from './drift';
import {
  LEAST_REST_SAMPLES,
  LEAST_SPAN,
  missingAxis,
  neverMoves,
  tooFewSweeps,
  tooLittleRest,
} from './captureProblems';
import { calibrateEnds, findStrokes } from './ends';
import { noiseOverRuns } from './noise';
import type { PedalAnalysis } from './pedalAnalysis';
import { pedalWarnings } from './pedalWarnings';
import { findPresses } from './presses';
import { findQuantum, resolutionBits } from './quantum';
import type { PedalAxis } from './axes';
import { measuredRate, runsOf, samplesOf, type PhaseRun, type Recording } from './recording';
import { findRoughSpots } from './roughness';
import { LEAST_PRESSES, recommendSaturation } from './saturation';

/** Quantiles that bound the movement before spikes are known. */
const MOVEMENT = [0.002, 0.998] as const;
const DRAG_QUANTILE = 0.995;

/**
 * Everything that a pedal capture says: ends, resolution, noise, drift, wear, the drag of a resting foot and the
 * reach of a full press (docs/core.md, axis captures).
 * @param recording needs a `rest` run and three full `sweep` strokes; `cover`, `takeup` and `press` each add
 *   what they can tell, and are `null` in the result where they are missing
 * @returns the analysis, or every reason why there can be none
 */
export function analysePedal(recording: Recording, axis: PedalAxis): Outcome<PedalAnalysis> {
  const raw = recording.axes[axis];
  if (!raw) return fail(missingAxis(axis));
  const rests = runsOf(recording, 'rest').filter((run) => run.to - run.from >= LEAST_REST_SAMPLES);
  const sweeps = runsOf(recording, 'sweep');
  const range = recording.rangeMax - recording.rangeMin;
  const problems = [...tooLittleRest(rests, axis), ...(sweeps.length > 0 ? [] : tooFewSweeps(null, axis))];
  if (problems.length > 0) return fail(...problems);

  const movement = quantile(raw, MOVEMENT[1]) - quantile(raw, MOVEMENT[0]);
  if (movement < LEAST_SPAN * range) return fail(neverMoves(axis, movement, range));

  const quantum = findQuantum(raw, range);
  const noise = noiseOverRuns(
    rests.map((run) => raw.subarray(run.from, run.to)),
    quantum,
  );
  const centre = median(samplesOf(raw, rests));
  const inverted = readsInverted(raw, centre, sweeps);
  const cleaned = despike(raw, noise, quantum, movement);
  const rising = inverted ? cleaned.clean.map((v) => -v) : cleaned.clean;
  const strokes = findStrokes(rising, sweeps);
  const full = strokes.filter((stroke) => stroke.full);
  const lacking = tooFewSweeps(full.length, axis);
  if (lacking.length > 0) return fail(...lacking);

  const ends = calibrateEnds(full, noise);
  const span = ends.high - ends.low;
  if (!(span >= LEAST_SPAN * range)) return fail(neverMoves(axis, span, range));
  const calibration: PedalCalibration = inverted
    ? { released: -ends.low, pressed: -ends.high }
    : { released: ends.low, pressed: ends.high };
  const travel = cleaned.clean.map((v) => travelOf(calibration, v));
  const rateHz = measuredRate(recording.t);
  const sigma = noise / span;

  const drag = dragUnderFoot(recording, travel, sigma);
  const presses = findPresses(travel, runsOf(recording, 'press'), drag.coverTravel?.median ?? 0);
  const rough = findRoughSpots(
    recording.t,
    travel,
    cleaned.replaced,
    full,
    quantum === null ? null : quantum / span,
  );
  const analysis: PedalAnalysis = {
    axis,
    min: Math.min(calibration.released, calibration.pressed),
    max: Math.max(calibration.released, calibration.pressed),
    centre,
    inverted,
    calibration,
    noise,
    quantum,
    bits: quantum === null ? null : resolutionBits(span, quantum),
    rateHz,
    restTravel: Math.max(0, travelOf(calibration, centre)),
    ...drag,
    sweeps: strokes.map((s) => ({
      tS: recording.t[s.from]!,
      low: (s.low - ends.low) / span,
      high: (s.high - ends.low) / span,
      full: s.full,
    })),
    endReached: ends.highReached,
    presses: presses.map((p) => ({ tS: recording.t[p.from]!, peak: p.peak, counted: p.counted })),
    ...reachOf(presses.filter((p) => p.counted).map((p) => p.peak)),
    roughSpots: rough.spots,
    ...faults(cleaned),
    driftPerMin: longestRestDrift(recording.t, raw, rests, noise),
    warnings: [],
  };
  analysis.warnings = pedalWarnings(analysis, recording, rough);
  return succeed(analysis);
}

/** Released reads above pressed: the rest lies nearer the top of what the sweeps covered. */
function readsInverted(raw: Float64Array, centre: number, sweeps: PhaseRun[]): boolean {
  const swept = samplesOf(raw, sweeps);
  return centre > (quantile(swept, 0.02) + quantile(swept, 0.98)) / 2;
}

function dragUnderFoot(recording: Recording, travel: Float64Array, sigma: number) {
  const cover = samplesOf(travel, runsOf(recording, 'cover'));
  const takeups = runsOf(recording, 'takeup').map((run) => travel.subarray(run.from, run.to));
  const takeupTravel = takeupDeadzone(takeups);
  const ruling = rulingDeadzone(cover.length > 0 ? coverDeadzone(cover, sigma) : null, takeupTravel);
  return {
    coverTravel: cover.length > 0 ? { median: median(cover), p995: quantile(cover, DRAG_QUANTILE) } : null,
    takeupTravel,
    deadzone: ruling?.deadzone ?? null,
    deadzoneFrom: ruling?.from ?? null,
  };
}

function reachOf(peaks: number[]) {
  if (peaks.length < LEAST_PRESSES)
    return {
      pressMean: peaks.length > 0 ? mean(peaks) : null,
      pressSd: null,
      saturation: null,
      reachNow: null,
      reachAfter: null,
    };
  const { mean: pressMean, sd: pressSd, saturation, reachNow, reachAfter } = recommendSaturation(peaks);
  return { pressMean, pressSd, saturation, reachNow, reachAfter };
}

function faults(cleaned: Despiked) {
  return { spikes: cleaned.spikes.length, dropouts: cleaned.dropouts.length };
}
