import { expose } from 'comlink';
import { readRideCsv } from '@/core/formats/rideCsv';
import type { Outcome } from '@/core/problem';
import { roadFromLog, type RoadAsked, type RoadFromLog } from '@/core/roads/roadFromLog';
import { logOf } from './rideLogs';

const api = {
  /** The road of a ride that lies in the book. */
  ofRide: async (url: string, asked: RoadAsked): Promise<Outcome<RoadFromLog>> =>
    roadFromLog(await logOf(url), asked),
  /** The road of a `*.ride.csv`. */
  ofFile(text: string, asked: RoadAsked): Outcome<RoadFromLog> {
    const read = readRideCsv(text);
    return read.ok ? roadFromLog(read.value, asked) : read;
  },
};

export type RoadWorker = typeof api;

expose(api);
