import { useEffect, useState } from 'react';
import type { ButtonMap } from '@/core/buttons/buttonMap';
import type { RimButton } from '@/core/rig/rimButton';
import { useWorkerAnswer } from '@/parts/useWorkerAnswer';
import { startWorker } from '@/workers/startWorker';

/** What takes longer than this is said to be under way. */
const LONG_MS = 400;

/** Where everything lies best, worked out off the page: two dozen buttons take a second. `null` until it is known. */
export function useBestPlaces(map: ButtonMap, buttons: readonly RimButton[]) {
  // What a button is called changes nothing.
  const question = JSON.stringify([
    { ...map, on: Object.keys(map.on), held: [] },
    buttons.map((button) => ({ ...button, name: '' })),
  ]);
  const [found, setFound] = useState<{ to: string; places: ButtonMap['on'] } | null>(null);
  const [longFor, setLongFor] = useState<string | null>(null);
  const { fault, ask } = useWorkerAnswer(startWorker.buttons);
  useEffect(() => {
    const timer = setTimeout(() => setLongFor(question), LONG_MS);
    void ask(
      'The rim',
      (worker) => worker.place(map, buttons),
      (places) => setFound({ to: question, places }),
    );
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the question says all that it hangs on
  }, [question, ask]);
  const places = found?.to === question ? found.places : null;
  return { places, isLong: places === null && longFor === question, fault };
}
