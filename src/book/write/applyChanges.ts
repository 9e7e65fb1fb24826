import 'server-only';
import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { menusFor } from '@/catalog/menusFor';
import { whySchema } from '@/core/formats/bookJson';
import { succeed, type Outcome, type Problem } from '@/core/problem';
import { checkChange, menuField, type Menus } from '@/core/settings/menus';
import { narrowness, usualScope, type Combination, type Scope } from '@/core/settings/scope';
import {
  keyText,
  sameValue,
  settingKeySchema,
  settingValueSchema,
  type SettingKey,
  type SettingValue,
} from '@/core/settings/setting';
import { effectiveSettings, valuesOf, valueText } from '@/core/settings/trail';
import { idSchema } from '@/core/text/line';
import { bookTime } from '@/data/bookTime';
import { addChanges, listChanges, type RecordedEvent } from '@/data/changes';
import { listTitles } from '@/data/ownTitles';
import type { RequestContext } from '../read/requestContext';
import { DONE, refused, type Reply } from './reply';
import { findConflicts } from './findConflicts';

export const changeSchema = z.strictObject({
  layer: settingKeySchema.shape.layer.default('title'),
  axis: settingKeySchema.shape.axis,
  field: settingKeySchema.shape.field,
  /** `null` takes the value away, so that what is set more widely holds again. */
  to: settingValueSchema.nullable(),
  /** What the page showed as the value in force, `null` for none: where it is another one by now, nothing is changed. */
  seen: settingValueSchema.nullable().optional(),
  why: whySchema,
  /** Holds for every driver of the rig, or on the base for this title alone. */
  forEveryone: z.boolean().default(false),
  /** Another car of the open title, where the change is not for the open one. */
  carId: idSchema.optional(),
  thisTitleOnly: z.boolean().default(false),
});
export type WantedChange = z.output<typeof changeSchema>;

/** Where changes are made: a combination, its menus, and every change on its rig. */
export interface OpenSettings {
  combination: Combination;
  menus: Menus;
  events: readonly RecordedEvent[];
  carIds: readonly string[];
  menusOf(carId: string): Menus;
}

export async function openSettings({ book, combination, rig }: RequestContext): Promise<OpenSettings> {
  const titles = await listTitles(book);
  const title = titles.byId(combination.titleId);
  const menusOf = (carId: string) => menusFor(rig.spec, title, titles.car(carId));
  const events = await listChanges(book, rig.id);
  return { combination, menus: menusOf(combination.carId), events, carIds: title.carIds, menusOf };
}

/** The same with another car of the title; `null` where the title has no such car. */
function withCar(open: OpenSettings, carId: string): OpenSettings | null {
  if (!open.carIds.includes(carId)) return null;
  return { ...open, combination: { ...open.combination, carId }, menus: open.menusOf(carId) };
}

const NO_SUCH_CAR: Problem = {
  code: 'no-car',
  message: 'The open title has no such car.',
  place: {},
  remedy: 'Choose a car of this title.',
};

/** Books changes of the open combination on the trail: one pebble each, all of them or none. Inside a command. */
export async function applyInTransaction(
  here: RequestContext,
  changes: readonly WantedChange[],
): Promise<Reply> {
  const open = await openSettings(here);
  const booked: RecordedEvent[] = [];
  const atMs = await bookTime(here.book);
  for (const change of changes) {
    const place = change.carId === undefined ? open : withCar(open, change.carId);
    if (!place) return refused(NO_SUCH_CAR);
    const events = changeEvents(place, booked, atMs, change);
    if (!events.ok) return refused(...events.problems);
    booked.push(...events.value);
  }
  const conflict = await findConflicts(here.book, open.combination, booked);
  if (conflict) return refused(conflict);
  await addChanges(here.book, open.combination.rigId, booked);
  return DONE;
}

function changeEvents(
  { combination, menus, events }: OpenSettings,
  booked: readonly RecordedEvent[],
  atMs: number,
  { layer, axis, field, to, seen, why, forEveryone, thisTitleOnly }: WantedChange,
): Outcome<RecordedEvent[]> {
  const key = { layer, axis, field };
  const effective = effectiveSettings([...events, ...booked], combination);
  const values = valuesOf(effective);
  const from = values[keyText(key)] ?? null;
  if (seen !== undefined && !sameValue(seen, from) && !sameValue(to, from))
    return { ok: false, problems: [changedMeanwhile(menus, key, seen, from)] };
  const checked = checkChange(menus, values, key, to);
  if (!checked.ok) return checked;
  if (sameValue(from, to)) return succeed([]);
  const usual = usualScope(key.layer, combination);
  const wanted = {
    ...usual,
    driver: forEveryone ? null : usual.driver,
    titleId: thisTitleOnly ? combination.titleId : usual.titleId,
  };
  // What is set more narrowly would go on holding: it is changed where it stands.
  const stands = effective.get(keyText(key))?.from.scope;
  const isNarrower = stands !== undefined && narrowness(stands) > narrowness(wanted);
  const set = (scope: Scope, value: SettingValue | null): RecordedEvent => ({
    id: randomUUID(),
    atMs,
    kind: 'set',
    scope,
    key,
    from,
    to: value,
    why,
  });
  if (!isNarrower) return succeed([set(wanted, to)]);
  // For everyone means also for this driver: the own value makes way.
  if (forEveryone) return succeed([set(wanted, to), set(stands, null)]);
  return succeed([set(stands, to)]);
}

/** Another window was there first: nobody's value is overwritten without a word. */
function changedMeanwhile(
  menus: Menus,
  key: SettingKey,
  seen: SettingValue | null,
  now: SettingValue | null,
): Problem {
  const name = menuField(menus, key)?.label ?? key.field;
  return {
    code: 'changed-meanwhile',
    message: `${name} is ${valueText(now)} by now; this page still showed ${valueText(seen)}.`,
    place: { channel: key.axis },
    remedy: 'Nothing was changed. Look at what another window set, then choose again.',
  };
}
