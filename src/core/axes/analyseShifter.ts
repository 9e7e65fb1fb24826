import { standardDeviation } from '../numeric/moments';
import { median } from '../numeric/order';
import { fail, succeed, type Outcome } from '../problem';
import { missingAxis } from './captureProblems';
import { findQuantum } from './quantum';
import { measuredRate, runsOf, samplesOf, type PhaseRun, type Recording } from './recording';

/** One gate of a shifter (or one direction of a sequential lever) as a capture read it. */
interface GateReading {
  /** 1… forward or up, −1 reverse or down. */
  gate: number;
  /** The raw value that it gives; `null` where nothing was read. */
  reading: number | null;
  /** Times that the lever was read in this gate, and times too few against the other gates. */
  reads: number;
  missed: number;
  /** Reads that fell out and came back within one movement. */
  doubles: number;
}

/** What one capture says about a shifter. The fields that only an amount can have are `null`. */
export interface ShifterAnalysis {
  axis: 'gear';
  min: number;
  max: number;
  /** Raw value in neutral. */
  centre: number;
  inverted: false;
  noise: number;
  quantum: number | null;
  bits: null;
  rateHz: number;
  gates: GateReading[];
  deadzone: null;
  deadzoneFrom: null;
  saturation: null;
  reachNow: null;
  reachAfter: null;
  roughSpots: [];
  spikes: number;
  dropouts: number;
  driftPerMin: null;
  warnings: string[];
}

const GATE_LABEL = /^gate:(-?\d+)$/;
/** A lever that is out of its gate for less than this has bounced. */
const BOUNCE_S = 0.15;

/**
 * Reads a shifter gate by gate: which raw value each gives, double reads (out and in again within 0.15 s) and missed ones
 * (fewer reads than the typical gate of this capture).
 * @param recording needs `gate:<n>` runs; neutral is the `rest`, or the most common value where there is none
 */
export function analyseShifter(recording: Recording): Outcome<ShifterAnalysis> {
  const raw = recording.axes.gear;
  if (!raw) return fail(missingAxis('gear'));
  const runs = recording.runs.filter((run) => GATE_LABEL.test(run.label));
  if (runs.length === 0)
    return fail({
      code: 'no-gates',
      message: 'There is no gate in the capture.',
      place: { channel: 'gear', phase: 'gate:1' },
      remedy:
        'Record each gate in turn, into it and out again, labelled "gate:1", "gate:2", … and "gate:-1" for reverse.',
    });
  const rests = samplesOf(raw, runsOf(recording, 'rest'));
  const neutral = rests.length > 0 ? median(rests) : mostCommon(raw);
  const gates = [...new Set(runs.map((run) => run.label))].map((label) =>
    readGate(recording.t, raw, neutral, label, runs),
  );
  // The upper median: whole, and not pulled down by one gate that is dead.
  const usual = gates.map((gate) => gate.reads).sort((a, b) => a - b)[gates.length >> 1]!;
  for (const gate of gates)
    gate.missed = gate.reads === 0 ? Math.max(1, usual) : Math.max(0, usual - gate.reads);
  return succeed({
    axis: 'gear',
    min: raw.reduce((a, b) => Math.min(a, b), Infinity),
    max: raw.reduce((a, b) => Math.max(a, b), -Infinity),
    centre: neutral,
    inverted: false,
    noise: rests.length > 1 ? standardDeviation(rests) : 0,
    quantum: findQuantum(raw, recording.rangeMax - recording.rangeMin),
    bits: null,
    rateHz: measuredRate(recording.t),
    gates,
    deadzone: null,
    deadzoneFrom: null,
    saturation: null,
    reachNow: null,
    reachAfter: null,
    roughSpots: [],
    spikes: 0,
    dropouts: gates.reduce((sum, gate) => sum + gate.doubles, 0),
    driftPerMin: null,
    warnings: [...(recording.remarks ?? []), ...gateWarnings(gates)],
  });
}

function readGate(
  t: Float64Array,
  raw: Float64Array,
  neutral: number,
  label: string,
  runs: PhaseRun[],
): GateReading {
  const seen: number[] = [];
  let reads = 0;
  let doubles = 0;
  for (const run of runs.filter((r) => r.label === label)) {
    let outSince: number | null = -Infinity;
    for (let i = run.from; i < run.to; i++) {
      if (raw[i] === neutral) {
        outSince ??= t[i]!;
        continue;
      }
      seen.push(raw[i]!);
      if (outSince === null) continue;
      if (t[i]! - outSince < BOUNCE_S) doubles++;
      else reads++;
      outSince = null;
    }
  }
  const reading = seen.length > 0 ? mostCommon(seen) : null;
  return { gate: Number(GATE_LABEL.exec(label)![1]), reading, reads, missed: 0, doubles };
}

function mostCommon(values: ArrayLike<number>): number {
  const counts = new Map<number, number>();
  for (let i = 0; i < values.length; i++) counts.set(values[i]!, (counts.get(values[i]!) ?? 0) + 1);
  return [...counts].reduce((a, b) => (b[1] > a[1] ? b : a))[0];
}

/** What a gate is called: a sequential lever has two ways, up and down. */
export function gateName(gate: number, isSequential = false): string {
  if (isSequential) return gate > 0 ? 'up' : 'down';
  return gate === -1 ? 'reverse' : `gate ${gate}`;
}

/** Whether these are the two ways of a sequential lever, up and down. */
export const isSequentialLever = (gates: readonly number[]): boolean =>
  gates.length > 0 && gates.length <= 2 && gates.every((gate) => Math.abs(gate) === 1);

function gateWarnings(gates: GateReading[]): string[] {
  const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
  const isSequential = isSequentialLever(gates.map(({ gate }) => gate));
  const name = (gate: number) => capital(gateName(gate, isSequential));
  const times = (n: number) => (n === 1 ? 'once' : `${n} times`);
  return gates.flatMap((gate) => {
    const twin = gates.find((other) => other.gate < gate.gate && other.reading === gate.reading);
    return [
      ...(gate.reading === null ? [`${name(gate.gate)} gave nothing: look at its switch and its plug.`] : []),
      ...(twin && gate.reading !== null
        ? [
            `${name(gate.gate)} reads the same as ${gateName(twin.gate, isSequential)}: the title cannot tell them apart.`,
          ]
        : []),
      ...(gate.reading !== null && gate.missed > 0
        ? [`${name(gate.gate)} was missed ${times(gate.missed)} against the other gates.`]
        : []),
      ...(gate.doubles > 0
        ? [
            `${name(gate.gate)} read double ${times(gate.doubles)}: it falls out and comes back within one movement.`,
          ]
        : []),
    ];
  });
}
