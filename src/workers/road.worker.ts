import { expose } from 'comlink';
import { gainProbe, type GainProbe } from '@/core/force/gainProbe';
import { readRideCsv } from '@/core/formats/rideCsv';
import type { Outcome } from '@/core/problem';
import { roadFromLog, type RoadAsked, type RoadFromLog } from '@/core/roads/roadFromLog';
import { logOf } from './rideLogs';

const api = {
  /** The road of a ride that lies in the book. */
  ofRide: async (url: string, asked: RoadAsked): Promise<Outcome<RoadFromLog>> =>
    roadFromLog(await logOf(url), asked),
  /** The road of a `*.ride.csv`. */
  async ofFile(file: File, asked: RoadAsked): Promise<Outcome<RoadFromLog>> {
    const read = readRideCsv(await file.text());
    return read.ok ? roadFromLog(read.value, asked) : read;
  },
  /** What two rides of the book at two gains say of a title's numbers. */
  gain: async (a: RideAt, b: RideAt): Promise<Outcome<GainProbe>> =>
    gainProbe({ log: await logOf(a.url), value: a.value }, { log: await logOf(b.url), value: b.value }),
};

/** A ride by where it lies, and what the gain stood at. */
interface RideAt {
  url: string;
  value: number;
}

export type RoadWorker = typeof api;

expose(api);
