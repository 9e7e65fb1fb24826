'use client';

import { useEffect, useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import type { ChosenColumn } from '@/core/import/importRide';
import { describeProblem, reasonOf, type Problem } from '@/core/problem';
import { notify } from '@/ui/notices';
import type { LogPreview, LogWorker } from '@/workers/log.worker';
import type { StartedWorker } from '@/workers/startedWorker';
import { startWorker } from '@/workers/startWorker';
import { sendColumns } from '@/workers/sendColumns';
import type { BookView } from '@/book/model/bookView';
import { importedBefore, rememberColumns } from '@/book/write/rides';

export interface Importing {
  name: string;
  preview: LogPreview;
  chosen: ChosenColumn[];
  /** Whether the columns are as the driver said last time. */
  isKnown: boolean;
  /** The road that it was driven on, as the driver calls it. */
  road: string;
}

/** Two logs of one logger carry the same names in the same order. */
export async function sourceOf({ columns }: LogPreview): Promise<string> {
  const text = columns.map(({ name, unit }) => `${name}/${unit ?? ''}`).join('|');
  const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text));
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** Logs of one evening are mostly of one road. */
export function lastRoad({ rides }: BookView): string {
  const last = rides.findLast(({ road, importedFrom }) => road.kind === 'own' && road.name !== importedFrom);
  return last?.road.kind === 'own' ? last.road.name : '';
}

/** A log from elsewhere: read, shown, corrected by the driver, and only then kept. */
export function useImport(view: BookView) {
  const router = useRouter();
  const [importing, setImporting] = useState<Importing | null>(null);
  const [faults, setFaults] = useState<Problem[]>([]);
  const [isBusy, setBusy] = useState(false);
  const opened = useRef<StartedWorker<LogWorker> | null>(null);
  const source = useRef('');
  useEffect(() => () => opened.current?.end(), []);

  const leave = () => {
    opened.current?.end();
    opened.current = null;
    setImporting(null);
    setFaults([]);
  };
  const open = async (file: File) => {
    leave();
    setBusy(true);
    try {
      const log = startWorker.log();
      opened.current = log;
      const read = await log.ask((worker) => worker.read(file));
      if (!read.ok) return setFaults(read.problems);
      const preview = read.value;
      source.current = await sourceOf(preview);
      const before = await importedBefore(source.current);
      const isKnown = before?.length === preview.columns.length;
      setImporting({
        name: file.name,
        road: lastRoad(view),
        preview,
        chosen: isKnown ? before : preview.matches,
        isKnown,
      });
    } catch (error) {
      notify(`${file.name} was not read: ${reasonOf(error)}`, 'fault');
    } finally {
      setBusy(false);
    }
  };
  const choose = (i: number, next: ChosenColumn) =>
    setImporting(
      (now) => now && { ...now, chosen: now.chosen.map((column, k) => (k === i ? next : column)) },
    );
  const callRoad = (road: string) => setImporting((now) => now && { ...now, road });
  const keep = async () => {
    const [kept, keptSource] = [opened.current, source.current];
    if (!importing || !kept) return;
    // The driver may open the next log while this one is still being told about: that one stays.
    const isNext = () => opened.current !== null && opened.current !== kept;
    setBusy(true);
    setFaults([]);
    try {
      const chosen = importing.chosen.map(({ channel, unit }) => ({ channel, unit }));
      const taken = await kept.ask((worker) => worker.take(chosen));
      if (!taken.ok) return setFaults(taken.problems);
      const { log, left, missing } = taken.value;
      const head = {
        trackId: view.trackId,
        seed: 0,
        settings: view.settings,
        notes: { ...log.notes, file: importing.name, ...(importing.road && { track: importing.road }) },
      };
      const answer = await sendColumns('/api/rides', {
        head,
        columns: log.columns as Record<string, Float64Array>,
      });
      const reply = answer.reply as { ok: boolean; problems?: Problem[] };
      if (!reply.ok) return setFaults(reply.problems ?? []);
      await rememberColumns(keptSource, chosen);
      notify([`${importing.name} is on the trail`, ...left, ...missing].join('. '));
      if (!isNext()) leave();
      router.refresh();
    } catch (error) {
      notify(`Nothing was kept: ${reasonOf(error)}`, 'fault');
    } finally {
      if (!isNext()) setBusy(false);
    }
  };
  return { importing, faults: faults.map(describeProblem), isBusy, open, choose, callRoad, keep, leave };
}
