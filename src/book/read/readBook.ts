import 'server-only';
import { isDeepStrictEqual } from 'node:util';
import { menusFor } from '@/catalog/menusFor';
import { DRIVERS } from '@/catalog/drivers';
import type { CarSpec } from '@/core/vehicle/carSpec';
import { DRIVELINE_PARTS } from '@/core/vehicle/drivelineSpec';
import type { Titles } from '@/catalog/ownTitle';
import type { Title } from '@/catalog/titles';
import { TRACKS } from '@/catalog/tracks';
import { axesOf, workedByOf } from '@/core/rig/rigSpec';
import { preflightStamp } from '@/core/ready/preflight';
import { weaningState, type WeaningPlan } from '@/core/response/weaning';
import { menuField, type Menus } from '@/core/settings/menus';
import { rotationInForce } from '@/core/settings/rotationOf';
import { combinationText, type Combination } from '@/core/settings/scope';
import type { SettingValues } from '@/core/settings/setting';
import { effectiveSettings, fieldValues, valuesOf, type EffectiveSettings } from '@/core/settings/trail';
import { database } from '@/data/book';
import { buttonMapOf } from '@/data/buttons';
import { listCaptures, type CaptureRow } from '@/data/captures';
import { listChanges, type RecordedEvent } from '@/data/changes';
import { typedInOf } from '@/data/combination';
import { declinedIn } from '@/data/declined';
import { speedUnitOf } from '@/data/speedUnit';
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
import { combinationOfBrowser, contextIn, type RequestContext } from './requestContext';
import { typedInView } from '../judge/card';
import { proofBasis } from '../judge/proofBasis';
import { ridesShown } from './readRides';
import { askingIn, readNoticed } from './readExperiments';
import { readTrail } from './readTrail';
import { newestRide, rideLine } from '../judge/rideLine';
import type { Origin } from '../model/origin';
import type { RideView } from '../model/rideView';
import { chainOf } from '@/core/force/chainOf';
import { FAST_MPS, handsOff, ROLL_MPS } from '@/core/force/handsOff';
import { forceFactsOf, type ForceFacts } from '../judge/force';
import { roadHealth } from '../judge/road/roadHealth';
import { memo } from './memo';
import { trackLength, type TrackSpec } from '@/core/vehicle/track';
import type { ReadyView, ShownRoad, TitleView, WeaningView, BookView } from '../model/bookView';

/** A place, and what is shown of it on every page. */
export interface ShownPlace {
  here: RequestContext;
  view: BookView;
}

/** Where the asking browser is, or `null` where no rig is in the book yet. */
export async function shownPlace(): Promise<ShownPlace | null> {
  return placeOf(await combinationOfBrowser());
}

export async function bookView(): Promise<BookView | null> {
  return (await shownPlace())?.view ?? null;
}

const placeOf = cachedUntilWrite(
  async (asked: Combination | null): Promise<ShownPlace | null> => {
    const here = await contextIn(await database(), asked);
    return here && { here, view: await readBook(here) };
  },
  (asked) => (asked ? combinationText(asked) : ''),
);

/** Everything that is shown of a place. */
export async function readBook(here: RequestContext): Promise<BookView> {
  const { book: db, combination, rig } = here;
  const [
    rigs,
    events,
    titles,
    typedIn,
    schools,
    plan,
    captures,
    ridden,
    ready,
    proof,
    road,
    declined,
    speedUnit,
    buttonMap,
    asking,
  ] = await Promise.all([
    listRigs(db),
    listChanges(db, rig.id),
    listTitles(db),
    typedInOf(db, combination),
    schoolsOf(db, combination.driver),
    weaningOf(db, combination),
    listCaptures(db, rig.id),
    ridesShown(db, combination),
    readyView(db, rig, combination),
    newestProof(db, combination),
    chosenRoad(db, combination),
    declinedIn(db, combination),
    speedUnitOf(db, combination.driver),
    buttonMapOf(db, combination),
    askingIn(db, combination),
  ]);
  const title = titles.byId(combination.titleId);
  const cars = title.carIds.map((id) => titles.carIn(title, id));
  // The same object: a page carries it once.
  const car = cars.find(({ id }) => id === combination.carId) ?? titles.carIn(title, combination.carId);
  const menus = menusFor(rig.spec, title, car);
  const effective = effectiveSettings(events, combination);
  const settings = valuesOf(effective);
  const axes = await axisViews(db, { rig, combination, captures, menus, settings, declined });
  const known = await readNoticed(here, menus);
  const { rides, count: rideCount } = ridden;
  const basis = proofBasis(axes, settings);
  const newest = rides.at(-1);
  const view = {
    rigs: rigs.map(({ id, name }) => ({ id, name })),
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
      cars: title.carIds.map((id) => ({ id, name: titles.car(id).name })),
      drivers: DRIVERS,
    },
    axes,
    ready,
    proof: proof && { ...proof, isStale: proof.basis !== basis },
    proofBasis: basis,
    title: titleView(title),
    ...shownTrack(titles, title.trackIds.find((id) => id === road) ?? title.trackIds[0]!),
    roads: title.trackIds.map((id) => shownRoad(titles.track(id))),
    car,
    cars: cars.map((one) => (one === car ? car : withoutDriveline(one))),
    menus,
    settings,
    origins: originsOf(effective, events),
    rotation: rotationInForce(menus, settings, car.lockDeg, title.rotation === 'stretch'),
    weaning: weaningView(plan, menus, settings, rides),
    schools,
    declined,
    speedUnit,
    buttonMap,
    trail: await readTrail({ book: db, combination, menus, events }),
    rides: rides.map(rideLine),
    rideCount,
    newestRide: newest ? newestRide(newest) : null,
    asking,
    ...(Object.keys(known).length > 0 && { known }),
  };
  const typed = typedIn && typedInView(typedIn, view);
  const judged = roadHealth({ ...view, rides, typedIn: typed, motion: motionOf(db, view) });
  return { ...view, typedIn: typed, road: judged };
}

function shownRoad(track: TrackSpec): ShownRoad {
  return { id: track.id, name: track.name, lengthM: Math.round(trackLength(track)) };
}

/** Ours are known to every page: only a road of one's own is carried. */
/** Of the other cars only the steering is shown: their engines need not travel. */
function withoutDriveline(car: CarSpec): CarSpec {
  const shown = { ...car };
  for (const part of DRIVELINE_PARTS) delete shown[part];
  return shown;
}

function shownTrack(titles: Titles, trackId: string): Pick<BookView, 'trackId' | 'ownTrack'> {
  const isOurs = TRACKS.some(({ id }) => id === trackId);
  return { trackId, ownTrack: isOurs ? null : titles.track(trackId) };
}

/** What the rim does that is let go, worked out once for each set of the force. */
function motionOf(db: Database, view: Parameters<typeof forceFactsOf>[0]): ForceFacts['motion'] {
  const facts = forceFactsOf(view);
  const key = JSON.stringify([
    facts.car,
    facts.rateHz,
    facts.rotationDeg,
    facts.rig,
    Object.entries(facts.values).sort(),
  ]);
  return memo(db, `motion:${key}`, () => {
    const chain = chainOf(facts);
    const at = (speedMps: number) => {
      const { verdict, fromDeg } = handsOff(chain, speedMps);
      return { verdict, fromDeg };
    };
    return { roll: at(ROLL_MPS), fast: at(FAST_MPS) };
  });
}

/** A title without its menus, which the page has for the open axes already. */
function titleView({ dialects: _, carMenu: __, trackIds: ___, ...title }: Title): TitleView {
  return title;
}

function weaningView(
  plan: WeaningPlan | null,
  menus: Menus,
  settings: SettingValues,
  rides: RideView[],
): WeaningView {
  const throttle = (values: SettingValues) => fieldValues(values, 'title', 'throttle');
  const now = throttle(settings);
  const newest = rides.findLast((ride) => isDeepStrictEqual(throttle(ride.settings), now));
  const smoothness = newest?.smoothness ?? null;
  const field = plan && menuField(menus, { layer: 'title', axis: 'throttle', field: plan.field });
  if (!plan || !field) return { plan: null, state: null, smoothness };
  const value = throttle(settings)[field.key] ?? field.neutral;
  return { plan, state: weaningState(plan, value, Date.now(), smoothness), smoothness };
}

/** Where each value in force comes from, with the reason that was written beside it. */
export function originsOf(
  effective: EffectiveSettings,
  events: readonly RecordedEvent[],
): Record<string, Origin> {
  const whys = new Map(events.map(({ id, why }) => [id, why]));
  return Object.fromEntries(
    [...effective].map(([text, { value, from }]) => [
      text,
      { value, scope: from.scope, atMs: from.atMs, why: whys.get(from.id) ?? '' },
    ]),
  );
}

interface AxesFacts {
  rig: Rig;
  combination: Combination;
  captures: CaptureRow[];
  menus: Menus;
  settings: SettingValues;
  declined: readonly string[];
}

function axisViews(db: Database, facts: AxesFacts): Promise<AxisView[]> {
  const { rig, combination, captures, menus, settings, declined } = facts;
  return Promise.all(
    axesOf(rig.spec).map((axis) =>
      axisView(db, {
        axis,
        by: workedByOf(rig.spec),
        driver: combination.driver,
        captures: captures.filter((row) => row.axis === axis),
        menus,
        settings,
        declined,
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
