'use client';

import { useState } from 'react';
import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import { AXIS_WORDS, type AxisName } from '@/core/axes/axes';
import type { Recording } from '@/core/axes/recording';
import { describeProblem, reasonOf, type Problem } from '@/core/problem';
import { Button } from '@/ui/Button';
import { FileInput } from '@/ui/FileInput';
import { notify } from '@/ui/notices';
import { readCapture } from '@/workers/readCapture';
import { sendColumns } from '@/workers/sendColumns';
import { useRouter } from 'next/navigation';
import type { AxisView } from '@/book/model/axisView';
import { beginReplay, endReplay, useLiveRig } from '@/live/liveRig';
import { CompareCaptures } from './CompareCaptures';

interface Read {
  name: string;
  recording: Recording;
  analyses: AxisAnalysis[];
  problems: Problem[];
}

/** A capture out of a file: analysed in a worker, compared, played as a device, or kept in the history. */
export function FilePanel({ axis }: { axis: AxisView }) {
  const router = useRouter();
  const [read, setRead] = useState<Read | null>(null);
  const [faults, setFaults] = useState<Problem[]>([]);
  const [isBusy, setBusy] = useState(false);
  const replay = useLiveRig((live) => live.replay);
  const open = async (file: File) => {
    setBusy(true);
    setFaults([]);
    setRead(null);
    try {
      const outcome = await readCapture(file);
      if (outcome.ok) setRead({ name: file.name, ...outcome.value });
      else setFaults(outcome.problems);
    } catch (error) {
      notify(`${file.name} was not read: ${reasonOf(error)}`, 'fault');
    } finally {
      setBusy(false);
    }
  };
  const keep = async ({ recording, analyses }: Read) => {
    setBusy(true);
    const kept: AxisName[] = [];
    try {
      for (const { axis: name } of analyses) {
        const problems = await sendCapture(recording, name);
        if (problems.length > 0) {
          // What is kept already is not kept once more.
          setRead((now) => now && { ...now, analyses: now.analyses.filter((a) => !kept.includes(a.axis)) });
          return setFaults(problems);
        }
        kept.push(name);
      }
      setRead(null);
    } finally {
      setBusy(false);
      if (kept.length > 0) {
        notify(`Kept: ${kept.map((name) => AXIS_WORDS[name]).join(', ')}`);
        router.refresh();
      }
    }
  };
  const same = read?.analyses.find((a) => a.axis === axis.axis);
  return (
    <details className="border-b border-line py-3">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">Captures as files</summary>
      <div className="grid gap-2 pb-2 text-[15px]">
        {axis.capture && (
          <a
            className="min-h-8 underline underline-offset-4"
            href={`/api/captures/file?id=${axis.capture.id}`}
          >
            Save the newest capture as CSV
          </a>
        )}
        <FileInput label="Analyse a capture file" accept=".csv,text/csv" onFile={(file) => void open(file)} />
        <p role="status">{isBusy ? 'Reading and analysing…' : ''}</p>
        {faults.length > 0 && (
          <div role="alert" className="border-l-4 border-rust pl-3">
            {faults.slice(0, 4).map((fault) => (
              <p key={fault.code + fault.message}>{describeProblem(fault)}</p>
            ))}
            <p className="text-muted">Nothing of that was kept.</p>
          </div>
        )}
        {read && (
          <>
            <p>
              {read.name}: {read.analyses.map((a) => AXIS_WORDS[a.axis]).join(', ')}
              {read.recording.device && `, of ${read.recording.device}`}.
            </p>
            {axis.capture && read.recording.device && read.recording.device !== axis.capture.device && (
              <p className="text-rust">
                Another device than this rig’s ({axis.capture.device}): its ends and presses do not hold here.
              </p>
            )}
            {read.problems.map((problem) => (
              <p key={problem.code + (problem.place.channel ?? '')} className="text-rust">
                {describeProblem(problem)}
              </p>
            ))}
            {same && axis.capture && (
              <CompareCaptures
                a={{ name: 'Newest here', analysis: axis.capture.analysis }}
                b={{ name: 'File', analysis: same }}
              />
            )}
            <div className="flex flex-wrap gap-2">
              <Button onClick={() => beginReplay(read.recording)}>Play it as a device</Button>
              <Button disabled={isBusy || read.analyses.length === 0} onClick={() => void keep(read)}>
                Keep in the history
              </Button>
            </div>
          </>
        )}
        {replay && <Button onClick={endReplay}>End the replay</Button>}
      </div>
    </details>
  );
}

/** Sends one axis of a recording as a capture to keep. */
async function sendCapture(recording: Recording, axis: AxisName): Promise<Problem[]> {
  const { device, rangeMin, rangeMax, rateHz, runs, t } = recording;
  const { reply } = await sendColumns('/api/captures', {
    head: {
      id: crypto.randomUUID(),
      axis,
      status: 'kept',
      origin: 'file',
      fromRow: 0,
      capture: { device, rangeMin, rangeMax, rateHz, runs, guide: null },
    },
    columns: { t, [axis]: recording.axes[axis]! },
  });
  return (reply as { problems?: Problem[] }).problems ?? [];
}
