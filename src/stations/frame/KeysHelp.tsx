'use client';

import { Dialog } from 'radix-ui';
import type { StationHealth } from '@/book/model/stationHealth';
import { Button } from '@/ui/Button';

const KEYS: [string, string][] = [
  ['Space', 'Start; during a capture, accept the step'],
  ['K', 'Keep what is being tried'],
  ['U', 'Put back: what is being tried, else the last change; during a capture, do the step again'],
  ['A, B', 'Mark the newest ride'],
  ['Ctrl K', 'Everything by name'],
  ['?', 'These keys'],
];

export function KeysHelp({
  road,
  open,
  onOpenChange,
}: {
  road: readonly Pick<StationHealth, 'name'>[];
  open: boolean;
  onOpenChange(open: boolean): void;
}) {
  // From the road itself: a station more is a key more.
  const keys: [string, string][] = [[`1 … ${road.length}`, road.map(({ name }) => name).join(', ')], ...KEYS];
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-sunk/70" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-24 left-1/2 z-50 w-[30rem] max-w-[calc(100vw-2rem)] -translate-x-1/2 rounded-xl border border-line bg-ground p-6"
        >
          <Dialog.Title className="text-xl font-bold">Keys</Dialog.Title>
          <dl className="mt-4 grid grid-cols-[6rem_1fr] gap-y-3">
            {keys.map(([key, meaning]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd className="rounded border border-line bg-raised px-2 py-1 font-mono text-sm">
                    {key}
                  </kbd>
                </dt>
                <dd>{meaning}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close asChild>
            <Button className="mt-6">Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
