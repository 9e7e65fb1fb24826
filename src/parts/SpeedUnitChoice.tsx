'use client';

import { SPEED_UNITS, speedWord, type SpeedUnit } from '@/core/text/speedUnit';
import { chooseSpeedUnit } from '@/book/write/speedUnit';
import { notifyReply } from './notifyReply';

/** How this driver reads speeds, wherever one stands. */
export function SpeedUnitChoice({ unit }: { unit: SpeedUnit }) {
  return (
    <span role="group" aria-label="Speed in" className="inline-flex items-center gap-1 text-sm text-muted">
      Speed in
      {SPEED_UNITS.map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={one === unit}
          onClick={() => void chooseSpeedUnit(one).then((reply) => notifyReply(reply))}
          className={`min-h-11 min-w-11 cursor-pointer rounded-lg px-2 ${one === unit ? 'font-bold text-ink' : 'underline underline-offset-4 hover:text-ink'}`}
        >
          {speedWord(one)}
        </button>
      ))}
    </span>
  );
}
