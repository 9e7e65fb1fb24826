import type { Scope } from '@/core/settings/scope';
import type { Origin } from '../model/origin';
import { date } from '@/words/format';

/** "every car", "every title, for everyone": how widely something was set. */
export function whereOf({ titleId, carId, driver }: Scope): string {
  return [carId ? 'this car' : titleId ? 'every car' : 'every title', driver ? null : 'everyone']
    .filter(Boolean)
    .join(', for ');
}

/** "for every car, since 3 November 2026": where a value comes from; a neutral comes from nowhere. */
export function originText(origin: Origin | undefined): string {
  return origin ? `for ${whereOf(origin.scope)}, since ${date(origin.atMs)}` : 'neutral';
}
