import { useEffect, useRef, useState } from 'react';
import { describeProblem, reasonOf } from '@/core/problem';
import type { Outcome } from '@/core/problem';
import type { RoadAsked, RoadFromLog } from '@/core/roads/roadFromLog';
import type { StartedWorker } from '@/workers/startedWorker';
import type { RoadWorker } from '@/workers/road.worker';
import { startRoad } from '@/workers/startRoad';

type Ask = (worker: Parameters<Parameters<StartedWorker<RoadWorker>['ask']>[0]>[0]) => unknown;

/** Reads the road of a ride off the page, one at a time; what was asked last is what is told. */
export function useRoadReading(asked: RoadAsked, onRead: (road: RoadFromLog, from: string) => void) {
  const [isBusy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const worker = useRef<StartedWorker<RoadWorker> | null>(null);
  useEffect(() => () => worker.current?.end(), []);
  const read = async (from: string, ask: Ask) => {
    worker.current?.end();
    const mine = (worker.current = startRoad());
    setBusy(true);
    setFault(null);
    try {
      const road = (await mine.ask(ask)) as Outcome<RoadFromLog>;
      if (worker.current !== mine) return;
      if (road.ok) onRead(road.value, from);
      else setFault(road.problems.map(describeProblem).join(' '));
    } catch (error) {
      if (worker.current === mine) setFault(`${from} was not read: ${reasonOf(error)}`);
    } finally {
      if (worker.current === mine) setBusy(false);
      mine.end();
    }
  };
  return {
    isBusy,
    fault,
    ofRide: (id: string, from: string) =>
      read(from, (remote) => remote.ofRide(`/api/rides/file?id=${encodeURIComponent(id)}`, asked)),
    ofFile: async (file: File) => {
      const text = await file.text();
      await read(file.name, (remote) => remote.ofFile(text, asked));
    },
    stop: () => {
      worker.current?.end();
      worker.current = null;
      setBusy(false);
    },
  };
}
