import { mean, standardDeviation } from '../numeric/moments';
import { median, quantile } from '../numeric/order';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import {
  LEAST_REST_SAMPLES,
  LEAST_SPAN,
  missingAxis,
  neverMoves,
  tooFewSweeps,
  tooLittleRest,
} from './captureProblems';
import { despike } from './despike';
import { longestRestDrift } from './drift';
import { calibrateEnds, findStrokes } from './ends';
import { noiseOverRuns } from './noise';
import { findQuantum, resolutionBits } from './quantum';
import { measuredRate, runsOf, samplesOf, type PhaseRun, type Recording } from './recording';
import { findRoughSpots } from './roughness';
import { countsPerDegree, nominalRotation, type Hold } from './rotation';
import { steeringWarnings } from './steeringWarnings';
import type { SteeringAnalysis } from './steeringAnalysis';

const HOLD_LABEL = /^hold:([+-]?\d+(?:\.\d+)?)$/;

const MOVEMENT = [0.002, 0.998] as const;

/**
 * Everything that a steering capture says: locks, rotation with its uncertainty, centre, return hysteresis, noise,
 * resolution, drift and wear (docs/core.md, axis captures).
 * @param recording needs a `rest` run and three `sweep` strokes lock to lock; `hold:<degrees>` runs (left positive,
 *   from the rest position) give the rotation
 */
export function analyseSteering(recording: Recording): Outcome<SteeringAnalysis> {
  const raw = recording.axes.steering;
  if (!raw) return fail(missingAxis('steering'));
  const rests = runsOf(recording, 'rest').filter((run) => run.to - run.from >= LEAST_REST_SAMPLES);
  const sweeps = runsOf(recording, 'sweep');
  const lacking = [
    ...tooLittleRest(rests, 'steering'),
    ...(sweeps.length > 0 ? [] : tooFewSweeps(null, 'steering')),
  ];
  if (lacking.length > 0) return fail(...lacking);
  const range = recording.rangeMax - recording.rangeMin;
  const movement = quantile(raw, MOVEMENT[1]) - quantile(raw, MOVEMENT[0]);
  if (movement < LEAST_SPAN * range) return fail(neverMoves('steering', movement, range));

  const quantum = findQuantum(raw, range);
  const noise = noiseOverRuns(
    rests.map((run) => raw.subarray(run.from, run.to)),
    quantum,
  );
  const cleaned = despike(raw, noise, quantum, movement);
  const strokes = findStrokes(cleaned.clean, sweeps);
  const full = strokes.filter((stroke) => stroke.full);
  const few = tooFewSweeps(full.length, 'steering');
  if (few.length > 0) return fail(...few);
  const ends = calibrateEnds(full, noise);
  const span = ends.high - ends.low;
  if (!(span >= LEAST_SPAN * range)) return fail(neverMoves('steering', span, range));

  const centre = median(samplesOf(cleaned.clean, rests));
  const holds = findHolds(recording, cleaned.clean);
  const wrong = contradictoryHold(holds, centre);
  if (wrong) return fail(wrong);
  const scale = countsPerDegree(holds, centre);
  const spread = Math.hypot(
    standardDeviation(full.map((s) => s.low)),
    standardDeviation(full.map((s) => s.high)),
  );
  const rotationDeg = scale && span / Math.abs(scale.countsPerDegree);
  const rotationSigmaDeg = scale && rotationDeg! * Math.hypot(scale.relativeSigma, spread / span);
  const nominal = rotationDeg === null ? null : nominalRotation(rotationDeg, rotationSigmaDeg!);
  const degrees = (counts: number) => (scale ? counts / scale.countsPerDegree : null);
  const rateHz = measuredRate(recording.t);
  const travel = cleaned.clean.map((v) => (v - ends.low) / span);
  const rough = findRoughSpots(
    recording.t,
    travel,
    cleaned.replaced,
    full,
    quantum === null ? null : quantum / span,
  );
  const analysis: SteeringAnalysis = {
    axis: 'steering',
    min: ends.low,
    max: ends.high,
    centre,
    inverted: scale !== null && scale.countsPerDegree < 0,
    noise,
    quantum,
    bits: quantum === null ? null : resolutionBits(span, quantum),
    rateHz,
    rotationDeg,
    rotationSigmaDeg,
    snappedDeg: nominal?.isSure ? nominal.degrees : null,
    probablyDeg: nominal && !nominal.isSure ? nominal.degrees : null,
    centreOffsetDeg: degrees(centre - (ends.low + ends.high) / 2),
    returnHysteresisDeg: returnHysteresis(recording, cleaned.clean, rests, degrees),
    degPerStep: quantum === null || !scale ? null : quantum / Math.abs(scale.countsPerDegree),
    holds,
    deadzone: null,
    deadzoneFrom: null,
    saturation: null,
    reachNow: null,
    reachAfter: null,
    roughSpots: rough.spots,
    spikes: cleaned.spikes.length,
    dropouts: cleaned.dropouts.length,
    driftPerMin: longestRestDrift(recording.t, raw, rests, noise),
    warnings: [],
  };
  analysis.warnings = steeringWarnings(analysis, recording, rough);
  return succeed(analysis);
}

function findHolds(recording: Recording, clean: Float64Array): Hold[] {
  return recording.runs.flatMap((run) => {
    const angle = HOLD_LABEL.exec(run.label)?.[1];
    return angle === undefined
      ? []
      : [
          {
            degrees: Number(angle),
            counts: median(clean.subarray(run.from, run.to)),
            tS: recording.t[run.from]!,
          },
        ];
  });
}

/** A hold that lies on the other side of centre than the rest of its sign was turned the wrong way. */
function contradictoryHold(holds: Hold[], centre: number): Problem | null {
  const side = (hold: Hold) => Math.sign(hold.counts - centre) * Math.sign(hold.degrees);
  const sides = holds.filter((hold) => hold.degrees !== 0).map(side);
  const usual = Math.sign(sides.reduce((sum, s) => sum + s, 0));
  const odd = holds.find((hold) => hold.degrees !== 0 && side(hold) !== usual);
  if (!odd || sides.length < 2) return null;
  return {
    code: 'hold-wrong-side',
    message: `The hold at ${odd.degrees}° lies on the same side as the holds of the other sign.`,
    place: { channel: 'steering', phase: `hold:${odd.degrees}`, timeS: odd.tS },
    remedy: 'Left is positive: hold:90 is a quarter turn to the left, hold:-90 to the right. Hold it again.',
  };
}

/** Mean centre after a release from the left less that from the right; `null` where one of them is missing. */
function returnHysteresis(
  recording: Recording,
  clean: Float64Array,
  rests: PhaseRun[],
  degrees: (counts: number) => number | null,
): number | null {
  const centre = median(samplesOf(clean, rests));
  const after = { left: [] as number[], right: [] as number[] };
  for (const rest of rests) {
    const before = recording.runs.findLast((run) => run.to <= rest.from && /^(hold:|sweep$)/.test(run.label));
    if (!before) continue;
    const side = degrees(clean[before.to - 1]! - centre);
    if (side === null || side === 0) continue;
    after[side > 0 ? 'left' : 'right'].push(median(clean.subarray(rest.from, rest.to)));
  }
  if (after.left.length === 0 || after.right.length === 0) return null;
  return degrees(mean(after.left) - mean(after.right));
}
