import 'server-only';
import { carById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { DRIVERS } from '@/catalog/drivers';
import type { Title } from '@/catalog/titles';
import { axesOf } from '@/core/rig/rigSpec';
import { preflightStamp } from '@/core/ready/preflight';
import { weaningState, type WeaningPlan } from '@/core/response/weaning';
import { menuField, type Menus } from '@/core/settings/menus';
import { rotationInForce } from '@/core/settings/rotationOf';
import { holdsIn, type Combination } from '@/core/settings/scope';
import type { SettingValues } from '@/core/settings/setting';
import { effectiveSettings, fieldValues, liveChanges, valuesOf } from '@/core/settings/trail';
import { database } from '@/data/book';
import { listCaptures, type CaptureRow } from '@/data/captures';
import { listChanges, type RecordedEvent } from '@/data/changes';
import { openCombination, typedInOf } from '@/data/combination';
import type { Database } from '@/data/database';
import { weaningOf } from '@/data/plans';
import { listTitles } from '@/data/ownTitles';
import { listTicks, newestProof, rotationReminder, titleVersion } from '@/data/readiness';
import { schoolsOf } from '@/data/schools';
import { chosenRoad } from '@/data/road';
import { listRigs } from '@/data/rigs';
import type { Rig } from '@/core/rig/rig';
import { axisView } from './readAxis';
import type { AxisView } from '../model/axisView';
import { cachedUntilWrite } from './cachedUntilWrite';
import { typedInView } from '../judge/card';
import { proofBasis } from '../judge/proofBasis';
import { rideViews, withRide } from './readRides';
import type { RideView } from '../model/rideView';
import { roadHealth } from '../judge/stationHealth';
import type { ReadyView, TitleView, TrailChange, WeaningView, BookView } from '../model/bookView';

/** The book of the open combination, or `null` where no rig is in it yet. */
export const bookView = cachedUntilWrite(async () => readBook(await database()));

/** The same of any book, and of a combination that need not be the open one. */
export async function readBook(db: Database, where?: Combination): Promise<BookView | null> {
  const [rigs, combination] = await Promise.all([listRigs(db), where ?? openCombination(db)]);
  const rig = rigs.find((r) => r.id === combination?.rigId);
  if (!combination || !rig) return null;
  const [events, titles, typedIn, schools, plan, captures, rides, ready, proof, road] = await Promise.all([
    listChanges(db, rig.id),
    listTitles(db),
    typedInOf(db, combination),
    schoolsOf(db, combination.driver),
    weaningOf(db, combination),
    listCaptures(db, rig.id),
    rideViews(db, combination),
    readyView(db, rig, combination),
    newestProof(db, combination),
    chosenRoad(db, combination),
  ]);
  const title = titles.byId(combination.titleId);
  const car = carById(combination.carId);
  const menus = menusFor(rig.spec, title, car);
  const effective = effectiveSettings(events, combination);
  const settings = valuesOf(effective);
  const measured = await axisViews(db, { rig, combination, captures, menus, settings });
  const axes = await withRide(db, measured, rides.at(-1), menus, car);
  const basis = proofBasis(axes, settings);
  const view = {
    rigs,
    rig,
    combination,
    names: {
      rig: rig.name,
      title: title.name,
      car: car.name,
      driver: combination.driver,
    },
    choices: {
      titles: titles.all.map(({ id, name }) => ({ id, name })),
      cars: title.carIds.map((id) => ({ id, name: carById(id).name })),
      drivers: DRIVERS,
    },
    axes,
    ready,
    proof: proof && { ...proof, isStale: proof.basis !== basis },
    proofBasis: basis,
    title: titleView(title),
    trackId: title.trackIds.find((id) => id === road) ?? title.trackIds[0]!,
    car,
    menus,
    settings,
    origins: Object.fromEntries(effective),
    rotation: rotationInForce(menus, settings, car.lockDeg, title.rotation === 'stretch'),
    weaning: weaningView(plan, menus, settings, rides),
    schools,
    trail: trailOf(events, combination),
    rides,
  };
  const typed = typedIn && typedInView(typedIn, view);
  return { ...view, typedIn: typed, road: roadHealth({ ...view, typedIn: typed }) };
}

function titleView({
  id,
  name,
  about,
  carIds,
  trackIds,
  rotation,
  forceHz,
  traits,
  pages,
}: Title): TitleView {
  return { id, name, about, carIds, trackIds, rotation, forceHz, traits, pages };
}

function weaningView(
  plan: WeaningPlan | null,
  menus: Menus,
  settings: SettingValues,
  rides: RideView[],
): WeaningView {
  const throttle = (values: SettingValues) => fieldValues(values, 'title', 'throttle');
  const now = JSON.stringify(throttle(settings));
  const newest = rides.findLast((ride) => JSON.stringify(throttle(ride.settings)) === now);
  const smoothness = newest?.smoothness ?? null;
  const field = plan && menuField(menus, { layer: 'title', axis: 'throttle', field: plan.field });
  if (!plan || !field) return { plan: null, state: null, smoothness };
  const value = throttle(settings)[field.key] ?? field.neutral;
  return { plan, state: weaningState(plan, value, Date.now(), smoothness), smoothness };
}

function trailOf(events: readonly RecordedEvent[], combination: Combination): TrailChange[] {
  const live = liveChanges(events);
  return events.flatMap((event) =>
    event.kind === 'set' && holdsIn(event.scope, combination) ? [{ ...event, live: live.has(event.id) }] : [],
  );
}

interface AxesFacts {
  rig: Rig;
  combination: Combination;
  captures: CaptureRow[];
  menus: Menus;
  settings: SettingValues;
}

function axisViews(db: Database, facts: AxesFacts): Promise<AxisView[]> {
  const { rig, combination, captures, menus, settings } = facts;
  return Promise.all(
    axesOf(rig.spec).map((axis) =>
      axisView(db, {
        axis,
        driver: combination.driver,
        captures: captures.filter((row) => row.axis === axis),
        menus,
        settings,
      }),
    ),
  );
}

async function readyView(db: Database, rig: Rig, combination: Combination): Promise<ReadyView> {
  const [ticks, version, reminder] = await Promise.all([
    listTicks(db, combination),
    titleVersion(db, combination.titleId),
    rotationReminder(db, rig.id),
  ]);
  return { ticks, titleVersion: version, stamp: preflightStamp(rig.spec, version), reminder };
}
