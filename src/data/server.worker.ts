import { parentPort } from 'node:worker_threads';
import { expose, type ProxyMarked } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { readBackup, type BackupSink, type ReadRecording } from './readBackup';
import { saveBackup, type SampleSource } from './saveBackup';
import { analyseAxis } from '@/core/axes/analyseAxis';
import type { AxisName, Recording } from '@/core/axes/recording';
import type { BookDocument } from '@/core/formats/bookJson';

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
      recording: (recording) => sink.recording(recording),
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
  analyse(recording: Recording, axis: AxisName) {
    return analyseAxis(recording, axis);
  },
};

export type ServerWorker = typeof api;

expose(api, nodeEndpoint(parentPort!));
