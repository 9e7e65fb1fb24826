import type { Title } from '@/catalog/titles';
import type { ButtonMap } from '@/core/buttons/buttonMap';
import type { CarSpec } from '@/core/vehicle/carSpec';
import type { TrackSpec } from '@/core/vehicle/track';
import type { PreflightStamp, RotationReminder, Tick } from '@/core/ready/preflight';
import type { Noticed } from '@/core/experiment/noticed';
import type { WeaningPlan, WeaningState } from '@/core/response/weaning';
import type { Menus } from '@/core/settings/menus';
import type { RotationInForce } from '@/core/settings/rotationOf';
import type { Combination } from '@/core/settings/scope';
import type { SettingValues } from '@/core/settings/setting';
import type { SetEvent } from '@/core/settings/trail';
import type { Origin } from './origin';
import type { SpeedUnit } from '@/core/text/speedUnit';
import type { Proof } from '@/core/ready/proof';
import type { Schools } from '@/core/settings/schools';
import type { Rig } from '@/core/rig/rig';
import type { AxisView } from './axisView';
import type { TypedInView } from './typedIn';
import type { Asking } from './experimentView';
import type { NewestRide, RideLine } from './rideView';
import type { TrailView } from './trailView';
import type { StationHealth } from './stationHealth';

/** Pre-flight of the open rig and title, as the book knows it; what the device shows is added in the page. */
export interface ReadyView {
  ticks: Tick[];
  stamp: PreflightStamp;
  titleVersion: string;
  reminder: RotationReminder | null;
}

/** The newest final check, and whether anything changed since. */
interface ProofView extends Proof {
  isStale: boolean;
}

/** A title without what only the server needs of it. */
export type TitleView = Pick<
  Title,
  'id' | 'name' | 'about' | 'carIds' | 'rotation' | 'forceHz' | 'knowsForceHz' | 'unsure' | 'traits' | 'pages'
>;

/** A road by name, with what is said of it beside it. */
export interface ShownRoad {
  id: string;
  name: string;
  lengthM: number;
}

export type TrailChange = SetEvent & { why: string; live: boolean };

export interface WeaningView {
  plan: WeaningPlan | null;
  state: WeaningState | null;
  /** RMS rate of the throttle, 1/s. */
  smoothness: number | null;
}

/** Everything that the frame and its stations show of one combination. */
export interface BookView {
  rigs: Pick<Rig, 'id' | 'name'>[];
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
  /** The same where it is one of the driver's own; ours are known to every page. */
  ownTrack: TrackSpec | null;
  /** The roads of the title, the open one among them. */
  roads: ShownRoad[];
  car: CarSpec;
  /** The cars of the title, the open one among them; the others without their driveline. */
  cars: CarSpec[];
  /** What can be set, layer by layer. */
  menus: Menus;
  /** Settings in force by `layer/axis/field`, as a ride made now would carry them, and where each comes from. */
  settings: SettingValues;
  origins: Record<string, Origin>;
  rotation: RotationInForce;
  schools: Schools;
  /** How the driver reads speeds. */
  speedUnit: SpeedUnit;
  /** What the buttons of the rim do in the open title. */
  buttonMap: ButtonMap;
  /** Proposals that are not for this driver here, by `proposalId`. */
  declined: string[];
  /** The newest end of the trail. */
  trail: TrailView;
  /** The newest rides in time order, and those that are marked, of all that there are. */
  rides: RideLine[];
  rideCount: number;
  newestRide: NewestRide | null;
  asking: Asking | null;
  /** What this driver just notices of settings, by their own answers; left out where nothing is known. */
  known?: Record<string, Noticed>;
  /** The way back to a linear throttle, and how smooth the newest ride with the throttle as it is was. */
  weaning: WeaningView;
  /** When the card was typed in, and what changed since. */
  typedIn: TypedInView | null;
  road: StationHealth[];
}
