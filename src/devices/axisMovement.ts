import { allReadings, isHatValue, samePlace, type Reading } from './readings';

/** The reading that moved most since the watch began: the axis that somebody moved. */
export interface Mover extends Pick<Reading, 'device' | 'place'> {
  /** Share of the reading's range that it moved over. */
  moved: number;
}

/** An axis has moved when its reading has passed over this share of the range. */
const MOVED_ENOUGH = 0.3;
/** Two that moved about as far as each other cannot be told apart by that. */
const TIE = 0.85;
/** A hat reported as an axis jumps between few values; an axis that is moved slowly passes many. */
const LEAST_VALUES = 10;

interface Seen {
  low: number;
  high: number;
  values: Set<number>;
  isHat: boolean;
  reading: Reading;
}

/**
 * Watches all readings of all devices; call `look` on every frame.
 * @param taken places that are assigned already and therefore do not count
 */
export function watchForMovement(taken: readonly Pick<Reading, 'device' | 'place'>[] = []) {
  const seen = new Map<string, Seen>();
  return {
    /** Those that moved enough, the furthest first. Raw reports come before a gamepad's reading of the same. */
    look(): Mover[] {
      for (const reading of allReadings()) {
        if (taken.some((t) => t.device === reading.device && samePlace(t.place, reading.place))) continue;
        const key = `${reading.device}/${JSON.stringify(reading.place)}`;
        const { value } = reading;
        const known = seen.get(key);
        if (!known)
          seen.set(key, {
            low: value,
            high: value,
            values: new Set([value]),
            isHat: isHatValue(value),
            reading,
          });
        else {
          known.low = Math.min(known.low, value);
          known.high = Math.max(known.high, value);
          if (known.values.size <= LEAST_VALUES) known.values.add(value);
          known.isHat ||= isHatValue(value);
        }
      }
      return [...seen.values()]
        .filter(({ isHat, values }) => !isHat && values.size > LEAST_VALUES)
        .map(({ low, high, reading: { device, place, min, max } }) => ({
          device,
          place,
          moved: (high - low) / (max - min),
        }))
        .filter(({ moved }) => moved >= MOVED_ENOUGH)
        .sort((a, b) => b.moved - a.moved || Number(b.place.kind === 'hid') - Number(a.place.kind === 'hid'));
    },
  };
}

/** Whether the second moved about as far as the first: then the driver is asked. */
export function isTie([first, second]: readonly Mover[]): boolean {
  if (!first || !second || second.moved < TIE * first.moved) return false;
  // The same movement, seen raw and as a gamepad, is no tie.
  return (first.place.kind === 'hid') === (second.place.kind === 'hid');
}
