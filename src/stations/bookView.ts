import 'server-only';
import { carById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { DRIVERS } from '@/catalog/drivers';
import type { Title } from '@/catalog/titles';
import { axesOf } from '@/core/rig/rigSpec';
import type { CarSpec } from '@/core/vehicle/carSpec';
import {
  preflightStamp,
  type PreflightStamp,
  type RotationReminder,
  type Tick,
} from '@/core/ready/preflight';
import { weaningState, type WeaningPlan, type WeaningState } from '@/core/response/weaning';
import { menuField, type Menus } from '@/core/settings/menus';
import { rotationInForce, type RotationInForce } from '@/core/settings/rotationOf';
import { holdsIn, type Combination } from '@/core/settings/scope';
import type { SettingValues } from '@/core/settings/setting';
import {
  effectiveSettings,
  fieldValues,
  liveChanges,
  valuesOf,
  type Effective,
  type SetEvent,
} from '@/core/settings/trail';
import { database } from '@/data/book';
import { listCaptures, type CaptureRow } from '@/data/captures';
import { listChanges, type RecordedEvent } from '@/data/changes';
import { openCombination, typedInOf } from '@/data/combination';
import type { Database } from '@/data/openBook';
import { weaningOf } from '@/data/plans';
import { listTitles } from '@/data/ownTitles';
import { listTicks, newestProof, rotationReminder, titleVersion, type Proof } from '@/data/readiness';
import type { Schools } from '@/core/settings/schools';
import { schoolsOf } from '@/data/schools';
import { chosenRoad } from '@/data/road';
import { listRigs, type Rig } from '@/data/rigs';
import { axisView, type AxisView } from './axisView';
import { oncePerChange } from './bookChanged';
import { typedInView, type TypedInView } from './card/cardOf';
import { proofBasis } from './proofBasis';
import { rideViews, withRide, type RideView } from './rideViews';
import { roadHealth, type StationHealth } from './roadHealth';

export type { AxisView, CaptureView } from './axisView';
export type { RideView } from './rideViews';

/** Pre-flight of the open rig and title, as the book knows it; what the device shows is added in the page. */
export interface ReadyView {
  ticks: Tick[];
  stamp: PreflightStamp;
  titleVersion: string;
  reminder: RotationReminder | null;
}

/** The newest final check, and whether anything changed since. */
export interface ProofView extends Proof {
  isStale: boolean;
}

/** A title without what only the server needs of it. */
export type TitleView = Pick<
  Title,
  'id' | 'name' | 'about' | 'carIds' | 'trackIds' | 'rotation' | 'forceHz' | 'traits' | 'pages'
>;

export type TrailChange = SetEvent & { why: string; live: boolean };

export interface WeaningView {
  plan: WeaningPlan | null;
  state: WeaningState | null;
  /** RMS rate of the throttle, 1/s. */
  smoothness: number | null;
}

/** Everything that the frame and its stations show of one combination. */
export interface BookView {
  rigs: Rig[];
  rig: Rig;
  combination: Combination;
  names: { rig: string; title: string; car: string; driver: string };
  choices: {
    titles: { id: string; name: string }[];
    cars: { id: string; name: string }[];
    drivers: readonly string[];
  };
  axes: AxisView[];
  ready: ReadyView;
  proof: ProofView | null;
  /** Fingerprint of captures and settings, as a proof made now would carry it. */
  proofBasis: string;
  title: TitleView;
  /** The road that is driven: as chosen, else the title's own. */
  trackId: string;
  car: CarSpec;
  /** What can be set, layer by layer. */
  menus: Menus;
  /** Settings in force by `layer/axis/field`, as a ride made now would carry them, and where each comes from. */
  settings: SettingValues;
  origins: Record<string, Effective>;
  rotation: RotationInForce;
  schools: Schools;
  /** Changes that hold here, in order. */
  trail: TrailChange[];
  rides: RideView[];
  /** The way back to a linear throttle, and how smooth the newest ride with the throttle as it is was. */
  weaning: WeaningView;
  /** When the card was typed in, and what changed since. */
  typedIn: TypedInView | null;
  road: StationHealth[];
}

/** The book of the open combination, or `null` where no rig is in it yet. */
export const bookView = oncePerChange(async () => readBook(await database()));

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
