'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { describeProblem, type Problem } from '@/core/problem';
import { Button } from '@/ui/Button';
import { FileButton } from '@/ui/FileButton';
import { notify } from '@/ui/notices';
import { ProgressBar } from '@/ui/ProgressBar';
import { NextStep } from '@/ui/StationPage';
import { date, moment } from '@/words/format';
import { notifyReply } from '@/parts/notifyReply';
import type { RestoreReport } from '@/book/write/acceptBackup';
import { dateToday } from '@/book/write/card';
import type { Step } from '@/book/write/longWork';
import { watchWork, type Answer } from './watchWork';

const KINDS = ['rigs', 'captures', 'rides', 'changes'] as const;
const LARGEST_BYTES = 512 * 1024 * 1024;

const say = (code: string, message: string, remedy: string): Problem => ({
  code,
  message,
  place: {},
  remedy,
});
const AWAY = say('server-away', 'The server does not answer.', 'Nothing was changed.');
const CALLED_OFF = say('called-off', 'Called off.', 'Nothing was changed.');
const TOO_LARGE = say(
  'too-large',
  'The file is larger than 512 MB.',
  'No backup of ours is; choose another file.',
);

/** Long work on the server that one page watches: how far it is, what came of it, and how to call it off. */
function useLongWork() {
  const [step, setStep] = useState<Step | null>(null);
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  const run = async <T,>(path: string, body: File | null): Promise<Answer<T>> => {
    const { signal } = (running.current = new AbortController());
    setStep({ doing: 'Beginning', done: 0, of: 1 });
    try {
      return await watchWork<T>(path, body, setStep, signal);
    } catch {
      return { ok: false, problems: [signal.aborted ? CALLED_OFF : AWAY] };
    } finally {
      setStep(null);
    }
  };
  return { step, run, callOff: () => running.current?.abort() };
}

/** The whole book as a file, and back: what would be replaced is said first. */
export function BackUp() {
  const router = useRouter();
  const { step, run, callOff } = useLongWork();
  const [planned, setPlanned] = useState<{ file: File; report: RestoreReport } | null>(null);
  const [fault, setFault] = useState<{ what: string; problems: Problem[] } | null>(null);
  /** When it was that the book could not be saved because it is dated later. */
  const [futureAt, setFutureAt] = useState<number | null>(null);
  const begin = () => {
    setFault(null);
    setFutureAt(null);
    setPlanned(null);
  };
  const save = async () => {
    begin();
    const answer = await run<{ id: string }>('/api/backup/save', null);
    if (!answer.ok && answer.problems.some(({ code }) => code === 'beyond-tomorrow'))
      return setFutureAt(Date.now());
    if (!answer.ok) return setFault({ what: 'It was not saved.', problems: answer.problems });
    const link = document.createElement('a');
    link.href = `/api/backup?id=${answer.id}`;
    link.download = '';
    link.click();
    notify('Saved, read back, and the same to the last row');
  };
  const redate = async () => {
    if (notifyReply(await dateToday(), 'Dated today; save it again')) begin();
  };
  const restore = async (file: File, isDry: boolean) => {
    begin();
    const what = 'Not a backup that can be restored; nothing was changed.';
    if (file.size > LARGEST_BYTES) return setFault({ what, problems: [TOO_LARGE] });
    const answer = await run<RestoreReport>(`/api/backup?watch${isDry ? '&dry' : ''}`, file);
    if (!answer.ok) return setFault({ what, problems: answer.problems });
    if (isDry) return setPlanned({ file, report: answer });
    notify(`Restored the book of ${moment(answer.madeAtMs)}`);
    router.refresh();
  };
  return (
    <NextStep
      title="Back up the whole book"
      actions={
        step ? (
          <Button onClick={callOff}>Call off</Button>
        ) : (
          <>
            <Button onClick={() => void save()}>Save as .zip</Button>
            <FileButton name="Backup to restore" accept=".zip" onFile={(file) => void restore(file, true)}>
              Restore…
            </FileButton>
          </>
        )
      }
    >
      {!step && !planned && !fault && futureAt === null && (
        <p>Rigs, captures, rides, the trail: after a reset everything is here again.</p>
      )}
      {step && (
        <ProgressBar share={step.of > 0 ? step.done / step.of : 1} label={step.doing}>
          {step.doing}…
        </ProgressBar>
      )}
      {fault && (
        <p className="text-rust">
          {fault.what} {fault.problems.map(describeProblem).join(' ')}
        </p>
      )}
      {futureAt !== null && (
        <div>
          <p className="text-rust">It was not saved: part of the book is dated in the future.</p>
          <p className="mt-2">
            This computer says that it is {date(futureAt)}. If that is wrong, set its clock. If it is right,
            the clock ran ahead when that part was written: it can be dated today, in the order in which it
            was written.
          </p>
          <Button className="mt-2" onClick={() => void redate()}>
            The clock is right: date it today
          </Button>
        </div>
      )}
      {planned && (
        <div>
          <p>
            Saved {moment(planned.report.madeAtMs)}, sound in every row. It would replace everything that is
            in the book now:
          </p>
          <ul className="mt-1">
            {KINDS.map((kind) => (
              <li key={kind}>
                {kind}: {planned.report.before[kind]} → {planned.report.after[kind]}
              </li>
            ))}
          </ul>
          <div className="mt-2 flex flex-wrap gap-2">
            <Button look="next" onClick={() => void restore(planned.file, false)}>
              Replace the book
            </Button>
            <Button onClick={() => setPlanned(null)}>Leave it as it is</Button>
          </div>
        </div>
      )}
    </NextStep>
  );
}
