import { analyseAllAxes, type AxisAnalysis } from '@/core/axes/analyseAxis';
import { brakeForceAdvice, type BrakeForceScale } from '@/core/axes/brakeForce';
import { recommendPedal } from '@/core/axes/recommend';
import { rotationAdvice } from '@/core/axes/rotationAdvice';
import { readCaptureCsv } from '@/core/formats/captureCsv';
import { readSettingsJson } from '@/core/formats/dialectJson';
import { numbersOption, UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

/** What a capture asks for: in a title's own numbers, on a base's own scale, of a wheel's rotation. */
export const advise: Command = {
  name: 'advise',
  usage: 'advise FILE.capture.csv [--settings FILE.json] [--scale MIN,MAX,STEP,NOW] [--json]',
  options: ['settings', 'scale'],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('advise takes one capture file');
    const analyses = orRefuse(file, analyseAllAxes(orRefuse(file, readCaptureCsv(readText(file)))));
    const named = args.options.get('settings');
    const settings = named === undefined ? null : orRefuse(named, readSettingsJson(readText(named)));
    const scale = scaleOf(numbersOption(args, 'scale', 4));
    const axes = analyses.map((analysis) => [analysis.axis, adviceOn(analysis, settings, scale)] as const);
    return {
      json: { axes: Object.fromEntries(axes) },
      table: axes.flatMap(([axis, { changes, rotation, brakeForce }]) => [
        ...changes.map(({ label, from, to, evidence }) => [axis, `${label} ${from} → ${to}`, evidence]),
        ...(rotation
          ? [[axis, `type ${rotation.typeDeg}°`, `measured ${rotation.intervalDeg.map(shown).join(' … ')}°`]]
          : []),
        ...(brakeForce && scale
          ? [[axis, `brake force ${scale.now} → ${brakeForce.withMargin}`, 'instead of the saturation']]
          : []),
      ]),
    };
  },
};

type Settings = Extract<ReturnType<typeof readSettingsJson>, { ok: true }>['value'];

function adviceOn(analysis: AxisAnalysis, settings: Settings | null, scale: BrakeForceScale | null) {
  const isPedal = analysis.axis !== 'gear' && analysis.axis !== 'steering';
  const changes = isPedal && settings ? recommendPedal(analysis, settings.dialect, settings.values) : [];
  const { rotationDeg, rotationSigmaDeg, snappedDeg } =
    analysis.axis === 'steering' ? analysis : { rotationDeg: null, rotationSigmaDeg: null, snappedDeg: null };
  return {
    changes: changes.map(({ parameter, label, from, to, evidence }) => ({
      parameter,
      label,
      from,
      to,
      evidence,
    })),
    rotation:
      rotationDeg === null || rotationSigmaDeg === null
        ? null
        : rotationAdvice(rotationDeg, rotationSigmaDeg, snappedDeg),
    brakeForce:
      isPedal && analysis.axis === 'brake' && scale && analysis.pressMean !== null
        ? brakeForceAdvice(analysis.pressMean, scale)
        : null,
  };
}

function scaleOf(numbers: number[] | null): BrakeForceScale | null {
  if (!numbers) return null;
  const [min, max, step, now] = numbers as [number, number, number, number];
  if (!(max > min && step > 0 && now >= min && now <= max))
    throw new UsageError('--scale takes the least, the greatest, one notch, and a value between the two');
  return { min, max, step, now };
}
