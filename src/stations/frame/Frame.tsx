'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { combinationText } from '@/core/settings/scope';
import { leaveGuarded, UnsavedDialog } from '@/ui/unsavedGuard';
import { Notices } from '@/ui/notices';
import { Pebble } from '@/ui/Pebble';
import { useKeys } from '@/ui/useKeys';
import type { BookView } from '@/book/model/bookView';
import { setMark } from '@/book/write/rides';
import { notifyReply } from '@/parts/notifyReply';
import { putBack } from '@/book/write/settings';
import { AxisBars } from './AxisBars';
import { CombinationSentence } from './CombinationSentence';
import { KeysHelp } from './KeysHelp';
import { openDevice } from '@/live/liveRig';
import { useOwnCombination } from '@/live/ownCombination';
import { Palette } from './Palette';
import { Road } from './Road';
import { Trail } from './Trail';

/** The frame's keys give way to a station's. */
const FRAME_KEYS = 0;

/** Combination on top, road on the left, station in the middle, trail below. */
export function Frame({ view, children }: { view: BookView; children: React.ReactNode }) {
  const router = useRouter();
  const [isPalette, setPalette] = useState(false);
  const [isHelp, setHelp] = useState(false);
  const { combination } = view;

  useOwnCombination(view.combination);
  useOpenDevice(view);
  useFreshOnReturn();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return;
      event.preventDefault();
      setPalette((open) => !open);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  const markNewest = (mark: 'A' | 'B') => {
    const newest = view.rides.at(-1);
    if (newest)
      void setMark(newest.id, mark).then((reply) => notifyReply(reply, `The newest ride is ${mark}`));
  };
  useKeys(
    {
      ...Object.fromEntries(
        view.road.map((station, i) => [String(i + 1), () => leaveGuarded(() => router.push(station.path))]),
      ),
      '?': () => setHelp(true),
      a: () => markNewest('A'),
      b: () => markNewest('B'),
      u: () => {
        const last = view.trail.lastLive;
        if (last) void putBack(last.id).then((reply) => notifyReply(reply, 'The last change is put back'));
      },
    },
    FRAME_KEYS,
  );

  return (
    <div className="flex h-full flex-col print:block print:h-auto">
      <a
        href="#station"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-raised focus:p-3"
      >
        To the station
      </a>
      <header className="flex min-h-14 print:hidden shrink-0 flex-wrap items-center gap-x-6 gap-y-1 border-b border-line px-6 py-1">
        <Link href="/" className="order-1 flex items-center gap-3 font-bold">
          <Pebble kind="plain" shape={1} size={26} />
          Pebble Road
        </Link>
        {/* On a phone the commands stand beside the name, and the sentence below. */}
        <div className="order-3 w-full sm:order-2 sm:w-auto">
          <CombinationSentence view={view} />
        </div>
        <div className="order-2 ml-auto flex items-center gap-4 sm:order-3">
          <AxisBars axes={view.axes} isSequential={view.rig.spec.shifter?.kind === 'sequential'} />
          <button
            onClick={() => setPalette(true)}
            aria-label="Search and commands, Ctrl K"
            className="flex min-h-11 cursor-pointer items-center text-muted hover:text-ink"
          >
            <kbd className="rounded-md border border-line px-2 py-0.5 font-mono text-sm">Ctrl K</kbd>
          </button>
        </div>
      </header>
      <div className="flex min-h-0 grow flex-col lg:flex-row print:block">
        <Road road={view.road} />
        <main
          id="station"
          tabIndex={-1}
          className="relative min-h-0 min-w-0 grow overflow-y-auto px-6 py-5 outline-none print:overflow-visible print:p-0"
          // What is tried belongs to one combination: with another, or another branch of it, every station begins anew.
          key={combinationText(combination)}
        >
          {children}
        </main>
      </div>
      <Trail view={view} />
      <Palette view={view} open={isPalette} onOpenChange={setPalette} onKeys={() => setHelp(true)} />
      <KeysHelp road={view.road} open={isHelp} onOpenChange={setHelp} />
      <UnsavedDialog />
      <Notices />
    </div>
  );
}

/** Opens the rig's device while the frame stands; a new view of the same rig leaves it alone. */
function useOpenDevice({ rig, combination }: BookView) {
  const device = JSON.stringify(rig.spec.device);
  useEffect(
    () => openDevice(JSON.parse(device) as typeof rig.spec.device, combination.driver),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the device by its content, not by its object
    [rig.id, device, combination.driver],
  );
}

/** Another tab may have changed the book meanwhile. */
function useFreshOnReturn() {
  const router = useRouter();
  useEffect(() => {
    const onReturn = () => document.visibilityState === 'visible' && router.refresh();
    document.addEventListener('visibilitychange', onReturn);
    return () => document.removeEventListener('visibilitychange', onReturn);
  }, [router]);
}
