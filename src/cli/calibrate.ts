import { analyseAllAxes, type AxisAnalysis } from '@/core/axes/analyseAxis';
import type { ShifterAnalysis } from '@/core/axes/analyseShifter';
import type { SteeringAnalysis } from '@/core/axes/steeringAnalysis';
import { readCaptureCsv } from '@/core/formats/captureCsv';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

export const calibrate: Command = {
  name: 'calibrate',
  usage: 'calibrate FILE.capture.csv [--json]',
  options: [],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('calibrate takes one capture file');
    const recording = orRefuse(file, readCaptureCsv(readText(file)));
    const axes = orRefuse(file, analyseAllAxes(recording));
    const json = Object.fromEntries(axes.map((analysis) => [analysis.axis, analysis]));
    return { json: { axes: json }, table: axes.flatMap(axisTable) };
  },
};

function axisTable(analysis: AxisAnalysis): string[][] {
  const rows: [string, string][] = [
    ['min … max', `${shown(analysis.min)} … ${shown(analysis.max)} counts`],
    ['centre', `${shown(analysis.centre)} counts`],
    ['inverted', shown(analysis.inverted)],
    ['noise σ', `${shown(analysis.noise)} counts`],
    ['quantum', `${shown(analysis.quantum)} counts, ${shown(analysis.bits)} bits`],
    ...(analysis.axis === 'steering' ? rotationRows(analysis) : []),
    ...(analysis.axis === 'gear' ? gateRows(analysis) : []),
    ['dead zone', `${shown(analysis.deadzone)} of travel (${shown(analysis.deadzoneFrom)})`],
    ['saturation', `${shown(analysis.saturation)} of travel`],
    ['reach now, after', `${shown(analysis.reachNow)}, ${shown(analysis.reachAfter)}`],
    ['spikes, dropouts', `${analysis.spikes}, ${analysis.dropouts}`],
    ['drift', `${shown(analysis.driftPerMin)} counts/min`],
    ...analysis.roughSpots.map((s): [string, string] => [
      'rough',
      `${shown(s.from)} … ${shown(s.to)} of travel`,
    ]),
    ...analysis.warnings.map((warning): [string, string] => ['note', warning]),
  ];
  return rows.map(([name, value]) => [analysis.axis, name, value]);
}

function rotationRows(analysis: SteeringAnalysis): [string, string][] {
  return [
    ['rotation', `${shown(analysis.rotationDeg)} ± ${shown(analysis.rotationSigmaDeg)}° (σ)`],
    ['nominal', `${shown(analysis.snappedDeg)}°`],
    ['centre offset', `${shown(analysis.centreOffsetDeg)}°`],
    ['return hysteresis', `${shown(analysis.returnHysteresisDeg)}°`],
    ['per step', `${shown(analysis.degPerStep)}°`],
  ];
}

function gateRows({ gates }: ShifterAnalysis): [string, string][] {
  return gates.map(({ gate, reading, reads, missed, doubles }) => [
    `gate ${gate}`,
    `reads ${shown(reading)}: ${reads} read, ${missed} missed, ${doubles} double`,
  ]);
}
