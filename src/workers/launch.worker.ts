import { expose } from 'comlink';
import { readRideCsv } from '@/core/formats/rideCsv';
import { bitePoint, type BitePoint } from '@/core/launch/bitePoint';
import { recommendLaunch, type LaunchAdvice } from '@/core/launch/recommendLaunch';
import type { Outcome } from '@/core/problem';
import type { CarSpec } from '@/core/vehicle/carSpec';
import type { DrivelineSpec } from '@/core/vehicle/drivelineSpec';
import type { PedalSetup } from '@/core/vehicle/pedalChain';

const api = {
  /** Hundreds of launches, off the main thread. */
  advise: (
    car: CarSpec,
    spec: DrivelineSpec,
    throttle: PedalSetup,
    seed: number,
    onProgress: (share: number) => void,
  ): LaunchAdvice => recommendLaunch(car, spec, throttle, seed, undefined, onProgress),
  /** The bite point out of a ride's log. */
  bite(text: string): Outcome<BitePoint> {
    const read = readRideCsv(text);
    return read.ok ? bitePoint(read.value) : read;
  },
};

export type LaunchWorker = typeof api;

expose(api);
