'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { describeProblem, type Problem } from '@/core/problem';
import { Button } from '@/ui/Button';
import { notify } from '@/ui/notices';
import { NextStep } from '../StationPage';
import { moment } from '../words';
import type { RestoreReport } from './acceptBackup';

type Answer = RestoreReport | { ok: false; problems: Problem[] };

async function post(file: File, isDry: boolean): Promise<Answer> {
  const answer = await fetch(`/api/backup${isDry ? '?dry' : ''}`, { method: 'POST', body: file });
  return (await answer.json()) as Answer;
}

const KINDS = ['rigs', 'captures', 'rides', 'changes'] as const;

/** The whole book as a file, and back: what would be replaced is said first. */
export function BackUp({ number }: { number: number }) {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState('');
  const [planned, setPlanned] = useState<{ file: File; report: RestoreReport } | null>(null);
  const [problems, setProblems] = useState<Problem[]>([]);
  const run = async (file: File, isDry: boolean) => {
    setBusy(isDry ? 'Reading every row of it…' : 'Restoring…');
    setProblems([]);
    setPlanned(null);
    try {
      const answer = await post(file, isDry);
      if (!answer.ok) setProblems(answer.problems);
      else if (isDry) setPlanned({ file, report: answer });
      else {
        notify(`Restored the book of ${moment(answer.madeAtMs)}`);
        router.refresh();
      }
    } catch {
      setProblems([
        {
          code: 'server-away',
          message: 'The server does not answer.',
          place: {},
          remedy: 'Nothing was changed.',
        },
      ]);
    }
    setBusy('');
  };
  return (
    <NextStep
      number={number}
      title="Back up the whole book"
      actions={
        <>
          <a
            href="/api/backup"
            download
            className="inline-flex min-h-11 items-center rounded-lg border border-line px-4 text-[15px] font-medium hover:bg-raised"
          >
            Save as .zip
          </a>
          <Button onClick={() => input.current?.click()} disabled={busy !== ''}>
            Restore…
          </Button>
          <input
            ref={input}
            type="file"
            accept=".zip"
            aria-label="Backup to restore"
            className="sr-only"
            tabIndex={-1}
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (file) void run(file, true);
            }}
          />
        </>
      }
    >
      {busy === '' && !planned && problems.length === 0 && (
        <p>Rigs, captures, rides, the trail: after a reset everything is here again.</p>
      )}
      <div role="status">{busy}</div>
      {problems.length > 0 && (
        <p className="text-rust">
          Not a backup that can be restored; nothing was changed. {problems.map(describeProblem).join(' ')}
        </p>
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
            <Button look="next" onClick={() => void run(planned.file, false)}>
              Replace the book
            </Button>
            <Button onClick={() => setPlanned(null)}>Leave it as it is</Button>
          </div>
        </div>
      )}
    </NextStep>
  );
}
