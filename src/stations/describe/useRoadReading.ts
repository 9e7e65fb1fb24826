import type { RoadAsked, RoadFromLog } from '@/core/roads/roadFromLog';
import { useWorkerAnswer } from '@/parts/useWorkerAnswer';
import { startWorker } from '@/workers/startWorker';

/** Reads the road of a ride off the page. */
export function useRoadReading(asked: RoadAsked, onRead: (road: RoadFromLog, from: string) => void) {
  const { isBusy, fault, ask } = useWorkerAnswer(startWorker.road);
  return {
    isBusy,
    fault,
    ofRide: (id: string, from: string) =>
      ask(
        from,
        (worker) => worker.ofRide(`/api/rides/file?id=${encodeURIComponent(id)}`, asked),
        (road) => onRead(road, from),
      ),
    ofFile: (file: File) =>
      ask(
        file.name,
        (worker) => worker.ofFile(file, asked),
        (road) => onRead(road, file.name),
      ),
  };
}
