'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { Pebble, type PebbleKind } from '@/ui/Pebble';
import type { Health, StationHealth } from '@/book/model/stationHealth';

const PEBBLES: Record<Health, PebbleKind> = {
  untouched: 'empty',
  'under-way': 'dot',
  settled: 'check',
  look: 'alert',
};
const WORDS: Record<Health, string> = {
  untouched: 'untouched',
  'under-way': 'under way',
  settled: 'settled',
  look: 'needs a look',
};
/** The path winds a little; offsets of the pebbles in px. */
const BENDS = [6, 16, 2, 12, 4];
const ROW = 72;

/** The stations in working order: navigation, progress and health in one. */
export function Road({ road }: { road: StationHealth[] }) {
  const path = usePathname();
  const strip = useRef<HTMLElement>(null);
  useEffect(() => {
    // Narrow screens have the road as a strip: where one stands comes into its middle.
    const here = strip.current?.querySelector<HTMLElement>('[aria-current]');
    if (strip.current && here)
      strip.current.scrollLeft = here.offsetLeft - (strip.current.clientWidth - here.offsetWidth) / 2;
  }, [path]);
  const line = road
    .map((_, i) => `${i === 0 ? 'M' : 'L'}${BENDS[i % BENDS.length]! + 14} ${i * ROW + 22}`)
    .join(' ');
  return (
    <nav
      ref={strip}
      aria-label="Road"
      className="relative shrink-0 overflow-x-auto overflow-y-hidden px-4 [scrollbar-width:thin] print:hidden py-2 lg:w-58 lg:overflow-x-hidden lg:overflow-y-auto lg:border-r lg:border-line lg:pt-6"
    >
      <svg
        aria-hidden="true"
        className="absolute top-6 left-4 hidden lg:block"
        width="60"
        height={road.length * ROW}
      >
        <path
          d={line}
          fill="none"
          stroke="var(--line)"
          strokeWidth="7"
          strokeLinejoin="round"
          strokeLinecap="round"
        />
      </svg>
      <ol className="flex gap-2 lg:block">
        {road.map((station, i) => {
          const isHere = path.startsWith(`/${station.id}`);
          return (
            <li key={station.id} className="min-w-40 lg:h-18 lg:min-w-0">
              <Link
                href={station.path}
                prefetch={true}
                aria-label={`${station.name}, ${WORDS[station.health]}: ${station.reason}`}
                aria-current={isHere ? 'page' : undefined}
                className={`relative flex min-h-11 gap-3 rounded-lg py-2 pr-3 hover:bg-raised ${isHere ? 'bg-raised lg:bg-transparent' : ''}`}
              >
                <span
                  className="hidden lg:block"
                  style={{ marginLeft: BENDS[i % BENDS.length], marginRight: 16 - BENDS[i % BENDS.length]! }}
                >
                  <Pebble kind={PEBBLES[station.health]} shape={i} />
                </span>
                <span className="lg:hidden">
                  <Pebble kind={PEBBLES[station.health]} shape={i} />
                </span>
                <span className="min-w-0">
                  <span
                    className={`block text-[16px] leading-tight ${isHere ? 'font-bold underline decoration-2 underline-offset-4' : 'font-semibold'}`}
                  >
                    {station.name}
                  </span>
                  <span
                    className={`mt-1 line-clamp-2 text-sm leading-snug ${station.health === 'look' ? 'text-rust' : 'text-muted'}`}
                  >
                    {station.reason}
                  </span>
                </span>
              </Link>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
