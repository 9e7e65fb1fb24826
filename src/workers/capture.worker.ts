import { expose } from 'comlink';
import { analyseAxis, type AxisAnalysis } from '@/core/axes/analyseAxis';
import type { AxisName } from '@/core/axes/axes';
import type { Recording } from '@/core/axes/recording';
import { readCaptureCsv } from '@/core/formats/captureCsv';
import { succeed, type Outcome, type Problem } from '@/core/problem';

export interface ReadCapture {
  recording: Recording;
  analyses: AxisAnalysis[];
  /** Why single axes could not be analysed. */
  problems: Problem[];
}

const api = {
  /** Parses a capture file and analyses every axis in it, off the main thread. */
  read(text: string): Outcome<ReadCapture> {
    const read = readCaptureCsv(text);
    if (!read.ok) return read;
    const results = (Object.keys(read.value.axes) as AxisName[]).map((axis) => analyseAxis(read.value, axis));
    return succeed({
      recording: read.value,
      analyses: results.flatMap((result) => (result.ok ? [result.value] : [])),
      problems: results.flatMap((result) => (result.ok ? [] : result.problems)),
    });
  },
};

export type CaptureWorker = typeof api;

expose(api);
