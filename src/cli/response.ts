import { readResponseJson } from '@/core/formats/responseJson';
import { effectiveResponse, respond } from '@/core/response/compose';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

const GRID_STEPS = 200;

export const response: Command = {
  name: 'response',
  usage: 'response FILE.json [--at x,…] [--json]',
  options: ['at'],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('response takes one file');
    const at = args.options.get('at');
    const x = at === undefined ? grid() : at.split(',').map(travel);
    const { layers } = orRefuse(file, readResponseJson(readText(file)));
    const y = x.map((value) => respond(layers, value));
    const {
      slopeStart,
      slopeMiddle,
      slopeEnd,
      travel: left,
      deadzone,
      saturation,
    } = effectiveResponse(layers);
    return {
      json: { y, slopeStart, slopeMiddle, slopeEnd, travel: left, deadzone, saturation },
      table: [
        ['travel', `${shown(left)} (from ${shown(deadzone)} to ${shown(saturation)})`],
        ['slopes', [slopeStart, slopeMiddle, slopeEnd].map(shown).join(', ')],
        ...(at === undefined ? [] : x.map((value, i) => [`y(${value})`, shown(y[i]!)])),
      ],
    };
  },
};

function grid(): number[] {
  return Array.from({ length: GRID_STEPS + 1 }, (_, i) => i / GRID_STEPS);
}

function travel(text: string): number {
  const value = Number(text);
  if (text.trim() === '' || !(Math.abs(value) <= 1))
    throw new UsageError(`--at takes numbers from -1 to 1 with commas between, not "${text}"`);
  return value;
}
