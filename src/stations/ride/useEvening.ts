'use client';

import { useEffect, useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import type { ChosenColumn } from '@/core/import/importRide';
import { describeProblem, reasonOf, type Outcome } from '@/core/problem';
import { notify } from '@/ui/notices';
import type { KeptLog, LogPreview, LogWorker, RideHead } from '@/workers/log.worker';
import type { StartedWorker } from '@/workers/startedWorker';
import { startWorker } from '@/workers/startWorker';
import type { BookView } from '@/book/model/bookView';
import { importedBefore, rememberColumns } from '@/book/write/rides';
import { lastRoad, sourceOf, type Importing } from './useImport';

/** One file of an evening, and how far it is. */
export interface EveningLog {
  file: File;
  state: 'ready' | 'asks' | 'none' | 'there' | 'kept' | 'refused';
  /** What its columns are called, as a digest; `null` where it is no log. */
  source: string | null;
  /** Why it is none, or was refused. */
  why: string;
}

/** More files than these are a disk, not an evening. */
const MOST_FILES = 400;
/** So many are read at once: one for each core that a small computer has. */
const AT_ONCE = 2;
const isOpen = (chosen: readonly ChosenColumn[]) =>
  !chosen.some(({ channel }) => channel === 't_s') ||
  chosen.some(({ channel, unit }) => channel !== null && unit === null);

/** Logs of one evening: looked at, asked about once for each source, and taken in one after the other. */
export function useEvening(view: BookView) {
  const router = useRouter();
  const [logs, setLogs] = useState<EveningLog[]>([]);
  const [asking, setAsking] = useState<Importing | null>(null);
  const [progress, setProgress] = useState<{ done: number; of: number; what: string } | null>(null);
  const [road, setRoad] = useState('');
  const columns = useRef(new Map<string, ChosenColumn[]>());
  const asked = useRef(new Set<string>());
  const workers = useRef<StartedWorker<LogWorker>[]>([]);
  const stopped = useRef(false);
  const end = () => {
    for (const worker of workers.current) worker.end();
    workers.current = [];
  };
  useEffect(() => end, []);
  const worker = () => {
    const started = startWorker.log();
    workers.current.push(started);
    return started;
  };

  const leave = () => {
    stopped.current = true;
    end();
    setLogs([]);
    setAsking(null);
    setProgress(null);
  };

  const open = async (files: File[]) => {
    leave();
    stopped.current = false;
    columns.current.clear();
    asked.current.clear();
    setRoad(lastRoad(view));
    if (files.length > MOST_FILES)
      return notify(`${files.length} files were chosen; at most ${MOST_FILES} are looked at.`, 'fault');
    const looking = worker();
    const found: EveningLog[] = [];
    const there = new Set(view.rides.map(({ importedFrom }) => importedFrom));
    try {
      for (const [i, file] of files.entries()) {
        setProgress({ done: i, of: files.length, what: `Looking at ${file.name}` });
        found.push(await looked(looking, file, there));
        if (stopped.current) return;
      }
      setLogs(found);
      await askNext(found);
    } catch (error) {
      if (!stopped.current) notify(`The logs were not read: ${reasonOf(error)}`, 'fault');
    } finally {
      if (!stopped.current) setProgress(null);
    }
  };

  const looked = async (
    looking: StartedWorker<LogWorker>,
    file: File,
    there: ReadonlySet<string | null>,
  ): Promise<EveningLog> => {
    const read: Outcome<LogPreview> = await looking.ask((one) => one.peek(file));
    if (!read.ok)
      return { file, state: 'none', source: null, why: read.problems.map(describeProblem).join(' ') };
    const source = await sourceOf(read.value);
    if (!asked.current.has(source)) {
      // Once for each source, not for each of its files.
      asked.current.add(source);
      const before = await importedBefore(source);
      if (before?.length === read.value.columns.length) columns.current.set(source, [...before]);
    }
    if (there.has(file.name))
      return {
        file,
        state: 'there',
        source,
        why: 'A log of this name is on the trail already; chosen alone it can still be taken in.',
      };
    return { file, state: columns.current.has(source) ? 'ready' : 'asks', source, why: '' };
  };

  /** Shows the first log of a source that nobody has spoken of. */
  const askNext = async (all: EveningLog[]) => {
    const next = all.find(({ state }) => state === 'asks');
    if (!next) return setAsking(null);
    const reading = worker();
    const read = await reading.ask((one) => one.read(next.file));
    if (!read.ok) {
      const why = read.problems.map(describeProblem).join(' ');
      const rest = all.map((log): EveningLog => (log === next ? { ...log, state: 'none', why } : log));
      setLogs(rest);
      return askNext(rest);
    }
    const { value: preview } = read;
    setAsking({ name: next.file.name, road: '', preview, chosen: preview.matches, isKnown: false });
  };

  const choose = (i: number, next: ChosenColumn) =>
    setAsking((now) => now && { ...now, chosen: now.chosen.map((column, k) => (k === i ? next : column)) });

  /** What was said of one log holds for all of its source, now and another evening. */
  const confirm = async () => {
    const source = logs.find(({ state }) => state === 'asks')?.source;
    if (!asking || !source) return;
    const chosen = asking.chosen.map(({ channel, unit }) => ({ channel, unit }));
    try {
      await rememberColumns(source, chosen);
      columns.current.set(source, chosen);
      const next = logs.map((log): EveningLog =>
        log.source === source && log.state === 'asks' ? { ...log, state: 'ready' } : log,
      );
      setLogs(next);
      setAsking(null);
      await askNext(next);
    } catch (error) {
      notify(`What you said of the columns was not written down: ${reasonOf(error)}`, 'fault');
    }
  };

  const keep = async () => {
    stopped.current = false;
    const ready = logs.filter(({ state }) => state === 'ready');
    const url = new URL('/api/rides', location.href).href;
    const head: RideHead = {
      trackId: view.trackId,
      seed: 0,
      settings: view.settings,
      notes: road ? { track: road } : {},
    };
    const started = performance.now();
    let done = 0;
    const told = (log: EveningLog, state: EveningLog['state'], why: string) =>
      setLogs((now) => now.map((one) => (one.file === log.file ? { ...one, state, why } : one)));
    const tell = (what: string) => setProgress({ done, of: ready.length, what });
    tell('Reading');
    const queue = [...ready];
    const oneAfterTheOther = async () => {
      const reading = worker();
      for (let log = queue.shift(); log && !stopped.current; log = queue.shift()) {
        const { file, source } = log;
        tell(`Taking in ${file.name}`);
        const chosen = columns.current.get(source!)!;
        const kept: Outcome<KeptLog> = await reading.ask((one) => one.keep(file, chosen, head, url));
        if (stopped.current) return;
        if (kept.ok) told(log, 'kept', saidOf(kept.value));
        else told(log, 'refused', kept.problems.map(describeProblem).join(' '));
        done++;
        tell(`Taking in ${file.name}`);
      }
    };
    try {
      await Promise.all(Array.from({ length: AT_ONCE }, oneAfterTheOther));
      if (stopped.current) return;
      notify(`${done} logs were gone through in ${((performance.now() - started) / 1000).toFixed(0)} s`);
    } catch (error) {
      if (!stopped.current) notify(`The logs were not all taken in: ${reasonOf(error)}`, 'fault');
    } finally {
      end();
      setProgress(null);
      router.refresh();
    }
  };
  /** Ends what is under way; what lies on the trail already stays there. */
  const cancel = () => {
    stopped.current = true;
    end();
    setProgress(null);
    router.refresh();
  };
  return { logs, asking, progress, road, setRoad, open, choose, confirm, keep, cancel, leave, isOpen };
}

const WHERE_FROM = { inside: 'as it says', name: 'as its name says', file: 'by its file’s time' };

function saidOf({ rows, started, knowsSettings, left, missing }: KeptLog): string {
  const when = started
    ? `driven ${new Date(started.atMs).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}, ${WHERE_FROM[started.from]}`
    : 'when it was driven is not known';
  const set = knowsSettings ? [] : ['What was set then nobody noted: it lies there with what is set now'];
  return [`${rows.toLocaleString('en')} rows, ${when}`, ...set, ...left, ...missing].join('. ');
}

export type Evening = ReturnType<typeof useEvening>;
