import { parentPort } from 'node:worker_threads';
import { expose, transfer, type ProxyMarked } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { readBackup, type BackupSink, type ReadRecording } from './readBackup';
import { saveBackup, type SampleSource } from './saveBackup';
import { analyseAxis, type AxisAnalysis } from '@/core/axes/analyseAxis';
import { capturePicture } from '@/core/axes/capturePicture';
import type { CaptureHead } from '@/core/axes/checkCapture';
import type { AxisName } from '@/core/axes/axes';
import { takeCapture } from '@/core/axes/sentCapture';
import type { BookDocument } from '@/core/formats/bookJson';
import { riddenTravel, rideFigures, type Ridden } from '@/core/rides/rideFigures';
import { takeRide } from '@/core/rides/sentRide';
import { recordingOf } from './captures';
import type { ForceChain } from '@/core/force/handsOff';
import { forceOfLog } from '@/core/force/forceOfLog';
import { forceRecorder } from '@/core/force/forceInputs';
import { rideForce, withForce } from '@/core/force/rideForce';
import { completeRide, type RidePlan } from '@/core/vehicle/simulateRide';
import { packRide, rideOf, type StoredRide } from './rides';

/** What is asked of whoever started a reading, back through the wire. */
export interface Sink {
  book(document: BookDocument): Promise<void> | void;
  recording(recording: ReadRecording): Promise<void> | void;
  progress(done: number, of: number): Promise<void> | void;
}
export interface Source {
  samples: SampleSource;
  progress(done: number, of: number): Promise<void> | void;
}

/** Long work of the server, beside its own thread: nobody else waits for it. */
const api = {
  read(path: string, nowMs: number, sink: Sink & ProxyMarked) {
    const here: BackupSink = {
      book: (document) => sink.book(document),
      recording: async (found) => sink.recording(await found.stored()),
      progress: (done, of) => sink.progress(done, of),
    };
    return readBackup(path, nowMs, here);
  },
  save(path: string, document: BookDocument, source: Source & ProxyMarked) {
    return saveBackup(
      path,
      document,
      (kind, id) => source.samples(kind, id),
      (done, of) => source.progress(done, of),
    );
  },
  analyse(head: CaptureHead, parts: Uint8Array[], axis: AxisName) {
    return analyseAxis(recordingOf(head, parts), axis);
  },
  capturePicture(head: CaptureHead, parts: Uint8Array[], axis: AxisName, analysis: AxisAnalysis) {
    return capturePicture(recordingOf(head, parts), axis, analysis);
  },
  rideFigures(stored: StoredRide) {
    return rideFigures(rideOf(stored));
  },
  riddenTravel(stored: StoredRide, asked: Ridden[]) {
    return riddenTravel(rideOf(stored), asked);
  },
  /** What settings make of the force that a ride was driven with. */
  forceOfLog(stored: StoredRide, chain: ForceChain, loggedGain: number) {
    return forceOfLog(rideOf(stored), chain, loggedGain);
  },
  /** Both at once: a ride that comes in is unpacked once. */
  rideAtOnce(stored: StoredRide, asked: Ridden[]) {
    const ride = rideOf(stored);
    return { figures: rideFigures(ride), travel: riddenTravel(ride, asked) };
  },
  /** A ride with its force, as the book stores it. */
  async simulate(plan: RidePlan, chain: ForceChain, seed: number) {
    const recorder = forceRecorder(chain.title.rateHz);
    const driven = completeRide(plan, recorder);
    const inputs = recorder.finish();
    const log = withForce(driven, inputs, rideForce(inputs, chain, seed));
    return { notes: log.notes, parts: await packRide(log) };
  },
  takeCapture(packed: Uint8Array) {
    const taken = takeCapture(packed);
    return taken.ok ? transfer(taken, [taken.value.part.t.buffer]) : taken;
  },
  takeRide(packed: Uint8Array) {
    const taken = takeRide(packed);
    return taken.ok ? transfer(taken, [taken.value.log.columns.t_s.buffer]) : taken;
  },
};

export type ServerWorker = typeof api;

expose(api, nodeEndpoint(parentPort!));
