import { parseArguments, UsageError } from './arguments';
import { advise } from './advise';
import { base } from './base';
import { bite } from './bite';
import { blind } from './blind';
import { buttonsCommand } from './buttons';
import { calibrate } from './calibrate';
import { cars } from './cars';
import { centre } from './centre';
import { clipping } from './clipping';
import { compare } from './compare';
import { drill } from './drill';
import type { Command } from './command';
import { InputError } from './files';
import { find } from './find';
import { feel, forceCommand } from './force';
import { gain } from './gain';
import { handsoff } from './handsoff';
import { history } from './history';
import { launch } from './launch';
import { measure } from './measure';
import { notice } from './notice';
import { response } from './response';
import { ride } from './ride';
import { road } from './road';
import { rotation } from './rotation';
import { slide } from './slide';
import { steering } from './steering';
import { translateCommand } from './translate';
import { wean } from './wean';

const COMMANDS: readonly Command[] = [
  calibrate,
  base,
  buttonsCommand,
  advise,
  history,
  response,
  translateCommand,
  wean,
  centre,
  rotation,
  steering,
  clipping,
  handsoff,
  forceCommand,
  gain,
  cars,
  feel,
  ride,
  road,
  measure,
  compare,
  blind,
  find,
  notice,
  bite,
  launch,
  slide,
  drill,
];

const EXIT_INPUT = 1;
const EXIT_USAGE = 2;

/** Runs one command; gives the exit code. Results go to stdout, everything else to stderr. */
export function main(argv: string[], out: (text: string) => void, say: (text: string) => void): number {
  const [name, ...rest] = argv;
  try {
    const command = COMMANDS.find((c) => c.name === name);
    if (!command) throw new UsageError(name ? `unknown command "${name}"` : 'no command given');
    const args = parseArguments(rest, command.options, ['json', ...(command.flags ?? [])]);
    const answer = command.run(args);
    out(args.flags.has('json') ? JSON.stringify(answer.json) : layOut(answer.table));
    return 0;
  } catch (error) {
    if (error instanceof UsageError) {
      say(`pebble: ${error.message}\n\nUsage:\n${COMMANDS.map((c) => `  pebble ${c.usage}`).join('\n')}`);
      return EXIT_USAGE;
    }
    if (error instanceof InputError) {
      say(error.message);
      return EXIT_INPUT;
    }
    throw error;
  }
}

function layOut(table: string[][]): string {
  const columns = Math.max(0, ...table.map((row) => row.length));
  const widths = Array.from({ length: columns }, (_, i) =>
    Math.max(...table.map((row) => (row[i] ?? '').length)),
  );
  return table
    .map((row) => row.map((cell, i) => (i === row.length - 1 ? cell : cell.padEnd(widths[i]!))).join('  '))
    .join('\n');
}
