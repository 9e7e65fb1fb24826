import type { AxisName } from '../axes/axes';
import { fail, succeed, type Outcome } from '../problem';
import { holdsIn, narrowness, scopeText, type Combination, type Scope } from './scope';
import {
  keyText,
  sameValue,
  type Layer,
  type SettingKey,
  type SettingValue,
  type SettingValues,
} from './setting';

/** A value was set somewhere; `to` of `null` takes it away there, so that what is set more widely holds again. */
export interface SetEvent {
  id: string;
  atMs: number;
  kind: 'set';
  scope: Scope;
  key: SettingKey;
  /** The value in force before; `null` where nothing was set and the neutral held. */
  from: SettingValue | null;
  to: SettingValue | null;
}

interface PutBackEvent {
  id: string;
  atMs: number;
  kind: 'put-back';
  undoes: string;
}

/** What the trail remembers. Nothing is ever taken off it; the state is the fold of its events. */
export type TrailEvent = SetEvent | PutBackEvent;

/** A value and where it comes from. */
interface Effective {
  key: SettingKey;
  value: SettingValue;
  /** The change that made it so. */
  from: SetEvent;
}

/** Values in force by `layer/axis/field`; a setting that is not there stands at its neutral. */
export type EffectiveSettings = ReadonlyMap<string, Effective>;

/** What is set in one place: the newest change in force of each setting. */
interface Placed {
  scope: Scope;
  cells: Map<string, SetEvent>;
}

/** Changes that have not been put back. */
export function liveChanges(events: readonly TrailEvent[]): Set<string> {
  const undone = new Set(events.flatMap((event) => (event.kind === 'put-back' ? [event.undoes] : [])));
  return new Set(events.flatMap((e) => (e.kind === 'set' && !undone.has(e.id) ? [e.id] : [])));
}

const cellText = (event: SetEvent) => `${keyText(event.key)} ${scopeText(event.scope)}`;

/** A trail only grows: what was folded of it holds as long as its length does. */
const folded = new WeakMap<readonly TrailEvent[], { length: number; places: Placed[] }>();

/** A trail place by place: many combinations share few places. */
function placesOf(events: readonly TrailEvent[]): Placed[] {
  const known = folded.get(events);
  if (known?.length === events.length) return known.places;
  const undone = new Set(events.flatMap((event) => (event.kind === 'put-back' ? [event.undoes] : [])));
  const places = new Map<string, Placed>();
  for (const event of events) {
    if (event.kind !== 'set' || undone.has(event.id)) continue;
    const text = scopeText(event.scope);
    let place = places.get(text);
    if (!place) places.set(text, (place = { scope: event.scope, cells: new Map() }));
    place.cells.set(keyText(event.key), event);
  }
  const found = [...places.values()];
  folded.set(events, { length: events.length, places: found });
  return found;
}

/** What is set where it holds in a combination, the widest places first. */
function placesHere(events: readonly TrailEvent[], combination: Combination): Placed[] {
  return placesOf(events)
    .filter(({ scope }) => holdsIn(scope, combination))
    .sort((a, b) => narrowness(a.scope) - narrowness(b.scope));
}

/**
 * The value of every setting in a combination and the change that it comes from: the one place that knows. Of several
 * places that hold here, the narrowest wins (the driver's own, then the car's, then the title's).
 * @param events in trail order; those of other combinations are passed over
 */
export function effectiveSettings(
  events: readonly TrailEvent[],
  combination: Combination,
): EffectiveSettings {
  const effective = new Map<string, Effective>();
  for (const { cells } of placesHere(events, combination))
    for (const [text, event] of cells)
      if (event.to !== null) effective.set(text, { key: event.key, value: event.to, from: event });
  return effective;
}

/** The values alone, as a ride or a check carries them. */
export function valuesOf(effective: EffectiveSettings): SettingValues {
  return Object.fromEntries([...effective].map(([key, { value }]) => [key, value]));
}

/** Menu numbers of one axis on one layer, as a response reads them. */
export function fieldValues(values: SettingValues, layer: Layer, axis: AxisName): Record<string, number> {
  const prefix = `${layer}/${axis}/`;
  return Object.fromEntries(
    Object.entries(values).flatMap(([key, value]) =>
      key.startsWith(prefix) && typeof value === 'number' ? [[key.slice(prefix.length), value]] : [],
    ),
  );
}

/** Whether a change can be put back now, or why not. */
export function checkPutBack(events: readonly TrailEvent[], id: string): Outcome<SetEvent> {
  const live = liveChanges(events);
  const at = events.findIndex((event) => event.id === id);
  const change = events[at];
  if (!change || change.kind !== 'set')
    return fail({
      code: 'no-such-change',
      message: 'There is no such change on the trail.',
      place: {},
      remedy: 'Reload the page.',
    });
  if (!live.has(id))
    return fail({
      code: 'already-back',
      message: 'This change has been put back already.',
      place: {},
      remedy: 'There is nothing to do.',
    });
  const cell = cellText(change);
  const later = events
    .slice(at + 1)
    .find((e): e is SetEvent => e.kind === 'set' && live.has(e.id) && cellText(e) === cell);
  if (later)
    return fail({
      code: 'changed-again',
      message: `The same setting was changed again later (${valueText(later.from)} → ${valueText(later.to)}).`,
      place: {},
      remedy: 'Put that one back first.',
    });
  return succeed(change);
}

export function valueText(value: SettingValue | null): string {
  if (value === null) return 'not set';
  return typeof value === 'number' ? String(value) : `a curve of ${value.length} points`;
}

/** One step of a way back: a setting in one place, and what it is to be there. */
export interface Restoring {
  key: SettingKey;
  scope: Scope;
  from: SettingValue | null;
  to: SettingValue | null;
}

/**
 * What must be set so that everything that holds in a combination is again as it was right after an event.
 * @param momentId the last event that is to count; `null` for before the first
 */
export function wayBack(
  events: readonly TrailEvent[],
  combination: Combination,
  momentId: string | null,
): Restoring[] {
  const cellsAt = (some: readonly TrailEvent[]) =>
    new Map(
      placesHere(some, combination).flatMap(({ cells }) => [...cells.values()].map((e) => [cellText(e), e])),
    );
  const then = cellsAt(events.slice(0, events.findIndex((event) => event.id === momentId) + 1));
  const now = cellsAt(events);
  return [...new Set([...then.keys(), ...now.keys()])].flatMap((cell) => {
    const { key, scope } = (now.get(cell) ?? then.get(cell))!;
    const from = now.get(cell)?.to ?? null;
    const to = then.get(cell)?.to ?? null;
    return sameValue(from, to) ? [] : [{ key, scope, from, to }];
  });
}
