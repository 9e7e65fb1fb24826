'use server';

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { DRIVERS } from '@/catalog/drivers';
import { carById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { AXIS_NAMES } from '@/core/axes/recording';
import { checkChange, type Menus } from '@/core/settings/menus';
import { narrowness, usualScope, type Scope } from '@/core/settings/scope';
import { keyText, LAYERS, sameValue, type SettingKey, type SettingValue } from '@/core/settings/setting';
import { checkPutBack, effectiveSettings, valuesOf } from '@/core/settings/trail';
import { database } from '@/data/book';
import { bookTime } from '@/data/bookTime';
import { addChanges, listChanges, settingValueSchema, type RecordedEvent } from '@/data/changes';
import {
  chooseCombination,
  combinationSchema,
  lastCombination,
  openCombination,
  type Combination,
} from '@/data/combination';
import type { Database } from '@/data/openBook';
import { listTitles } from '@/data/ownTitles';
import { listRigs } from '@/data/rigs';
import { asked } from '../asked';
import { bookChanged } from '../bookChanged';
import { DONE, refused, type Reply } from '../reply';
import { spoiltBy } from '../spoilt';

const problem = (code: string, message: string, remedy: string) =>
  refused({ code, message, place: {}, remedy });
const NOTHING_OPEN = problem('no-rig', 'No rig is open.', 'Choose or make a rig first.');

const NO_SUCH_CAR = problem('no-car', 'The open title has no such car.', 'Choose a car of this title.');

const changeSchema = z.strictObject({
  layer: z.enum(LAYERS).default('title'),
  axis: z.enum(AXIS_NAMES),
  field: z.string().max(60),
  /** `null` takes the value away, so that what is set more widely holds again. */
  to: settingValueSchema.nullable(),
  why: z.string().max(1000),
  /** Holds for every driver of the rig, or on the base for this title alone. */
  forEveryone: z.boolean().default(false),
  /** Another car of the open title, where the change is not for the open one. */
  carId: z.string().max(80).optional(),
  thisTitleOnly: z.boolean().default(false),
});

interface Open {
  combination: Combination;
  menus: Menus;
  events: readonly RecordedEvent[];
  carIds: readonly string[];
  menusOf(carId: string): Menus;
}

/** What is open: its menus, and every change on its rig. */
async function openSettings(db: Database): Promise<Open | null> {
  const combination = await openCombination(db);
  const rig = combination && (await listRigs(db)).find((r) => r.id === combination.rigId);
  if (!combination || !rig) return null;
  const title = (await listTitles(db)).byId(combination.titleId);
  const menusOf = (carId: string) => menusFor(rig.spec, title, carById(carId));
  const events = await listChanges(db, rig.id);
  return { combination, menus: menusOf(combination.carId), events, carIds: title.carIds, menusOf };
}

/** The same with another car of the title; `null` where the title has no such car. */
function openWithCar(open: Open, carId: string): Open | null {
  if (!open.carIds.includes(carId)) return null;
  return { ...open, combination: { ...open.combination, carId }, menus: open.menusOf(carId) };
}

/** Books changes of the open combination on the trail: one pebble each, all of them or none. */
export async function applyChanges(inputs: z.input<typeof changeSchema>[]): Promise<Reply> {
  const changes = asked(z.array(changeSchema).max(200), inputs);
  if (!changes.ok) return refused(...changes.problems);
  const db = await database();
  const open = await openSettings(db);
  if (!open) return NOTHING_OPEN;
  const booked: RecordedEvent[] = [];
  const atMs = await bookTime(db);
  for (const { layer, axis, field, to, why, forEveryone, thisTitleOnly, carId } of changes.value) {
    const key = { layer, axis, field };
    const place = carId === undefined ? open : openWithCar(open, carId);
    if (!place) return NO_SUCH_CAR;
    const event = changeEvents(place, booked, { key, atMs, to, why, forEveryone, thisTitleOnly });
    if (!event.ok) return refused(...event.problems);
    booked.push(...event.value);
  }
  const spoilt = await spoiltBy(db, open.combination, booked);
  if (spoilt) return refused(spoilt);
  await addChanges(db, open.combination.rigId, booked);
  if (booked.length > 0) bookChanged();
  return DONE;
}

interface Wish {
  atMs: number;
  key: SettingKey;
  to: SettingValue | null;
  why: string;
  forEveryone: boolean;
  thisTitleOnly: boolean;
}

function changeEvents(
  { combination, menus, events }: Open,
  booked: RecordedEvent[],
  { atMs, key, to, why, forEveryone, thisTitleOnly }: Wish,
) {
  const effective = effectiveSettings([...events, ...booked], combination);
  const values = valuesOf(effective);
  const from = values[keyText(key)] ?? null;
  const checked = checkChange(menus, values, key, to);
  if (!checked.ok) return checked;
  if (sameValue(from, to)) return { ok: true as const, value: [] };
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
  if (!isNarrower) return { ok: true as const, value: [set(wanted, to)] };
  // For everyone means also for this driver: the own value makes way.
  if (forEveryone) return { ok: true as const, value: [set(wanted, to), set(stands, null)] };
  return { ok: true as const, value: [set(stands, to)] };
}

/** Books one change. */
export async function applyChange(input: z.input<typeof changeSchema>): Promise<Reply> {
  return applyChanges([input]);
}

/** Puts a change back, from anywhere on the trail, or says why it cannot be. */
export async function putBack(changeId: string): Promise<Reply> {
  const wanted = asked(z.string().max(60), changeId);
  if (!wanted.ok) return refused(...wanted.problems);
  const undoes = wanted.value;
  const db = await database();
  const open = await openSettings(db);
  if (!open) return NOTHING_OPEN;
  const { combination, menus, events } = open;
  const allowed = checkPutBack(events, undoes);
  if (!allowed.ok) return refused(...allowed.problems);
  const event: RecordedEvent = {
    id: randomUUID(),
    atMs: await bookTime(db),
    kind: 'put-back',
    undoes,
    why: 'put back',
  };
  const { key } = allowed.value;
  const remaining = valuesOf(effectiveSettings([...events, event], combination));
  const checked = checkChange(menus, remaining, key, remaining[keyText(key)] ?? null);
  if (!checked.ok) return refused(...checked.problems);
  const spoilt = await spoiltBy(db, combination, [event], [allowed.value]);
  if (spoilt) return refused(spoilt);
  await addChanges(db, combination.rigId, [event]);
  bookChanged();
  return DONE;
}

/** Opens another combination; what belongs to the one before stays as it is. A rig opens as it was left. */
export async function changeCombination(part: Partial<z.input<typeof combinationSchema>>): Promise<Reply> {
  const db = await database();
  const wanted = asked(combinationSchema.partial(), part);
  if (!wanted.ok) return refused(...wanted.problems);
  const to = wanted.value;
  const now = await openCombination(db);
  const rigId = to.rigId ?? now?.rigId;
  if (!rigId || !(await listRigs(db)).some((rig) => rig.id === rigId)) return NOTHING_OPEN;
  const before = rigId === now?.rigId ? now : ((await lastCombination(db, rigId)) ?? now);
  const title = (await listTitles(db)).byId(to.titleId ?? before?.titleId ?? '');
  const wantedCar = to.carId ?? before?.carId;
  const carId = title.carIds.find((id) => id === wantedCar) ?? title.carIds[0]!;
  const driver = to.driver ?? before?.driver ?? DRIVERS[0];
  // A branch belongs to its combination: another title, car or driver begins on its main one.
  const branch = to.branch ?? '';
  await chooseCombination(db, { rigId, titleId: title.id, carId, driver, branch });
  bookChanged();
  return DONE;
}
