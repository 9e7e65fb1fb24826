'use client';

import { Popover } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import { Button } from '@/ui/Button';
import { Pebble } from '@/ui/Pebble';
import type { BookView } from '@/book/model/bookView';
import { setMark } from '@/book/write/rides';
import { lapTime, moment } from '@/words/format';
import { notifyReply } from '@/parts/notifyReply';
import { restoreMoment } from '@/book/write/branches';
import { putBack } from '@/book/write/settings';
import { settingNames } from '@/book/judge/trail';
import { QUESTION_WORDS } from '@/words/questions';
import type { TrailChangeItem, TrailRideItem, TrailView } from '@/book/model/trailView';
import { reasonOf } from '@/core/problem';
import { notify } from '@/ui/notices';
import { fetchFresh } from '@/ui/useFetched';

/** Every change as a pebble in time order, rides as stretches of road between; put back and mark from here. */
export function Trail({ view }: { view: BookView }) {
  const { items, earlier, more } = useEarlierTrail(view.trail);
  const end = useRef<HTMLElement>(null);
  const newest = view.trail.items.at(-1)?.id;
  // The newest lies at the right end; a long trail is shown from there.
  useEffect(() => {
    end.current?.scrollTo({ left: end.current.scrollWidth });
  }, [newest]);
  return (
    <section
      ref={end}
      aria-label="Trail"
      className="relative flex h-18 print:hidden shrink-0 items-center gap-1 overflow-x-auto border-t border-line px-6"
    >
      <div
        aria-hidden="true"
        className="absolute inset-x-6 top-1/2 h-1.5 -translate-y-1/2 rounded-full bg-sunk"
      />
      {items.length === 0 && (
        <p className="relative bg-ground pr-3 text-sm text-muted">
          The trail is empty: changes and rides will lie here in time order.
        </p>
      )}
      {earlier > 0 && (
        <button
          className="relative flex h-11 shrink-0 cursor-pointer items-center bg-ground pr-3 text-sm text-muted underline-offset-4 hover:underline"
          onClick={more}
        >
          {earlier.toLocaleString('en')} earlier
        </button>
      )}
      {items.map((item) =>
        item.kind === 'change' ? (
          <Change key={item.id} item={item} />
        ) : (
          <Ride key={item.id} ride={item} view={view} />
        ),
      )}
      {items.length > 0 && <span className="relative ml-auto bg-ground pl-3 text-sm text-muted">now</span>}
    </section>
  );
}

/** Marks that the page does not carry, asked for some at a time. */
function useEarlierTrail({ items, earlier, lastLive }: TrailView) {
  const [more, setMore] = useState<TrailView | null>(null);
  // After a change the earlier ones may read otherwise: they are asked for again.
  const key = `${items.at(-1)?.id}/${lastLive?.id}`;
  const [of, setOf] = useState(key);
  if (of !== key) {
    setOf(key);
    setMore(null);
  }
  const ask = () =>
    void fetchFresh<TrailView>(`/api/trail?skip=${items.length + (more?.items.length ?? 0)}`).then(
      (found) => setMore((now) => ({ ...found, items: [...found.items, ...(now?.items ?? [])] })),
      (error: unknown) => notify(reasonOf(error), 'fault'),
    );
  return { items: [...(more?.items ?? []), ...items], earlier: more?.earlier ?? earlier, more: ask };
}

const PANEL = 'z-40 w-80 rounded-lg border border-line bg-raised p-4 text-sm';

function Change({ item }: { item: TrailChangeItem }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`Change: ${item.what}${item.live ? '' : ', put back'}`}
        className="relative flex h-11 w-11 shrink-0 cursor-pointer items-center justify-center rounded-lg hover:bg-raised"
      >
        <Pebble kind={item.live ? 'plain' : 'ghost'} shape={item.what.length} size={22} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content side="top" sideOffset={8} className={PANEL} aria-label={item.what}>
          <p className="text-[15px] font-semibold">{item.what}</p>
          <p className="mt-1 text-muted">{moment(item.atMs)}</p>
          <p className="mt-2">{item.why}</p>
          {!item.live && <p className="mt-2 text-muted">This one has been put back.</p>}
          <div className="mt-3 flex flex-wrap gap-2">
            {item.live && (
              <Button
                onClick={() =>
                  void putBack(item.id).then((reply) => notifyReply(reply, `Put back: ${item.what}`))
                }
              >
                Put it back
              </Button>
            )}
            <Button
              look="quiet"
              onClick={() =>
                void restoreMoment(item.id).then((reply) =>
                  notifyReply(reply, 'Everything is as it was at that moment'),
                )
              }
            >
              All as it was then
            </Button>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Ride({ ride, view }: { ride: TrailRideItem; view: BookView }) {
  const laps = ride.counted;
  const time = ride.lapTimeS;
  const { asked } = ride;
  const side = ride.mark ?? asked?.side ?? null;
  const name = asked
    ? `${QUESTION_WORDS[asked.question].ask} Ride ${asked.ride}${asked.side ? `, ${asked.side}` : ''}`
    : `Ride ${ride.mark ?? ''}`.trim();
  // Other settings on purpose are no confusion.
  const isConfounded = !asked && ride.changed.length > 1;
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`${name}, ${laps} laps${isConfounded ? `, ${ride.changed.length} changes before it` : ''}`}
        className="relative flex h-11 w-24 shrink-0 cursor-pointer flex-col items-center justify-center rounded-lg hover:bg-raised"
      >
        <span
          className={`absolute top-0 text-sm font-bold ${ride.mark === 'B' ? 'text-side-b' : 'text-side-a'} ${ride.mark ? '' : 'invisible'}`}
          aria-hidden="true"
        >
          {ride.mark}
        </span>
        <span
          aria-hidden="true"
          className={`border-t-4 ${asked ? 'w-24' : 'w-20'} ${side === 'A' ? 'border-side-a' : side === 'B' ? 'border-dashed border-side-b' : 'border-dotted border-muted'}`}
        />
        {asked && (
          <span className="absolute bottom-0 text-xs text-muted" aria-hidden="true">
            {QUESTION_WORDS[asked.question].short}
          </span>
        )}
        {isConfounded && (
          <span className="absolute bottom-0 text-xs text-rust" aria-hidden="true">
            {ride.changed.length} changes
          </span>
        )}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content side="top" sideOffset={8} className={PANEL} aria-label={name}>
          <p className="text-[15px] font-semibold">
            {name}: {laps} counted lap{laps === 1 ? '' : 's'}
          </p>
          <p className="mt-1 text-muted">{moment(ride.atMs)}</p>
          <p className="mt-2">{time === null ? 'No lap counts.' : `Mean lap ${lapTime(time)}.`}</p>
          {isConfounded && (
            <p className="mt-2 text-rust">
              Confounded: {settingNames(view, ride.changed)} changed before it. What differs cannot be told
              apart.
            </p>
          )}
          <div className="mt-3 flex gap-2">
            {(['A', 'B'] as const).map((mark) => (
              <Button
                key={mark}
                aria-pressed={ride.mark === mark}
                onClick={() =>
                  void setMark(ride.id, ride.mark === mark ? null : mark).then((reply) => notifyReply(reply))
                }
              >
                {ride.mark === mark ? `Not ${mark}` : `Make it ${mark}`}
              </Button>
            ))}
            <a
              className="inline-flex min-h-11 items-center px-2 font-semibold text-muted underline-offset-4 hover:underline"
              href={`/api/rides/file?id=${ride.id}`}
            >
              CSV
            </a>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
