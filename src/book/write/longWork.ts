import 'server-only';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Outcome, Problem } from '@/core/problem';
import { CalledOff } from '@/data/serverWorker';
import { notWritten } from './command';

/** What long work says while it is under way: what is being done, and how far it is. */
export interface Step {
  doing: string;
  done: number;
  of: number;
}

export type Tell = (step: Step) => void;

/** Only one of them at a time: two restores would each replace what the other has made. */
const place = globalThis as typeof globalThis & { pebbleLongWork?: string | null };

const BUSY = (what: string): Problem => ({
  code: 'busy',
  message: `${what} just now, from another window.`,
  place: {},
  remedy: 'Wait until it is done, then try again.',
});

/**
 * Runs long work with a folder for its files, which goes with it.
 * @param signal calls it off
 */
export async function longWork<T>(
  what: string,
  signal: AbortSignal,
  work: (folder: string) => Promise<Outcome<T>>,
): Promise<Outcome<T>> {
  if (place.pebbleLongWork) return { ok: false, problems: [BUSY(place.pebbleLongWork)] };
  place.pebbleLongWork = what;
  const folder = await mkdtemp(join(tmpdir(), 'pebble-road-'));
  try {
    return await work(folder);
  } catch (error) {
    if (error instanceof CalledOff || signal.aborted)
      return {
        ok: false,
        problems: [{ code: 'called-off', message: 'Called off.', place: {}, remedy: 'Nothing was changed.' }],
      };
    return { ok: false, problems: [notWritten(error)] };
  } finally {
    place.pebbleLongWork = null;
    await rm(folder, { force: true, recursive: true });
  }
}

/**
 * Answers with lines of JSON as the work goes on: a {@link Step} each, and at the end what came of it. Whoever does not
 * want to watch reads the last line.
 */
export function watched<T extends object>(work: (tell: Tell) => Promise<Outcome<T>>): Response {
  const encoder = new TextEncoder();
  return new Response(
    new ReadableStream({
      async start(controller) {
        const say = (value: object) => {
          try {
            controller.enqueue(encoder.encode(`${JSON.stringify(value)}\n`));
          } catch {
            // Nobody listens any more; the work itself is told by its signal.
          }
        };
        const outcome = await work(say).catch((error: unknown): Outcome<T> => ({
          ok: false,
          problems: [unexpected(error)],
        }));
        say(outcome.ok ? { ok: true, ...outcome.value } : outcome);
        controller.close();
      },
    }),
    { headers: { 'content-type': 'application/x-ndjson' } },
  );
}

function unexpected(error: unknown): Problem {
  return {
    code: 'unexpected',
    message: 'Pebble Road stumbled over it.',
    place: {},
    remedy: `Nothing was changed. ${error instanceof Error ? error.message : String(error)}`,
  };
}
