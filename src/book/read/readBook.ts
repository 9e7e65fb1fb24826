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
import { combinationText, holdsIn, type Combination } from '@/core/settings/scope';
import type { SettingValues } from '@/core/settings/setting';
import { effectiveSettings, fieldValues, liveChanges, valuesOf } from '@/core/settings/trail';
import { database } from '@/data/book';
import { listCaptures, type CaptureRow } from '@/data/captures';
import { listChanges, type RecordedEvent } from '@/data/changes';
import { typedInOf } from '@/data/combination';
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
import { combinationOfBrowser, hereIn, type Here } from './here';
import { typedInView } from '../judge/card';
import { proofBasis } from '../judge/proofBasis';
import { rideViews, withRide } from './readRides';
import type { RideView } from '../model/rideView';
import { roadHealth } from '../judge/stationHealth';
import type { ReadyView, TitleView, TrailChange, WeaningView, BookView } from '../model/bookView';

/** What the asking browser has open, or `null` where no rig is in the book yet. */
export async function bookView(): Promise<BookView | null> {
  return viewOf(await combinationOfBrowser());
}

const viewOf = cachedUntilWrite(
  async (asked: Combination | null) => {
    const here = await hereIn(await database(), asked);
    return here && readBook(here);
  },
  (asked) => (asked ? combinationText(asked) : ''),
);

/** Everything that is shown of a place. */
export async function readBook({ book: db, combination, rig }: Here): Promise<BookView> {
  const [rigs, events, titles, typedIn, schools, plan, captures, rides, ready, proof, road] =
    await Promise.all([
      listRigs(db),
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
