import type { CarSpec } from './carSpec';
import type { DrivelineSpec } from './drivelineSpec';

/** What a driver may know of a car; each may stay unknown. */
export const KNOWN_OF_A_CAR = [
  'massKg',
  'wheelbaseM',
  'steeringRatio',
  'lockDeg',
  'powerKw',
  'fullScaleNm',
  'mu0',
  'downforceM2',
] as const;
export type KnownOfACar = (typeof KNOWN_OF_A_CAR)[number];

/** How far cars of a class differ in a figure: the least, what is taken where nobody says, the greatest. */
type Usual = Record<KnownOfACar, readonly [least: number, usual: number, greatest: number]>;

/** A class of cars: how far they differ, and a car of it from which the rest is scaled. */
export interface CarClass {
  id: string;
  name: string;
  usual: Usual;
  like: Omit<CarSpec, 'id' | 'name'>;
}

/** Each of them, as far as it is known. */
export const knownOfACar = (of: (key: KnownOfACar) => number | null): Record<KnownOfACar, number | null> =>
  Object.fromEntries(KNOWN_OF_A_CAR.map((key) => [key, of(key)])) as Record<KnownOfACar, number | null>;

/** A car as its driver describes it. */
export type DescribedCar = { name: string; className: string } & Record<KnownOfACar, number | null>;

/** A figure that nobody gave, with what is taken for it and how far cars of the class differ. */
export interface AssumedOfACar {
  key: KnownOfACar;
  value: number;
  low: number;
  high: number;
}

/** What of a car is taken as usual for its class. */
export function assumedOf(car: DescribedCar, { usual }: CarClass): AssumedOfACar[] {
  return KNOWN_OF_A_CAR.filter((key) => car[key] === null).map((key) => {
    const [low, value, high] = usual[key];
    return { key, value, low, high };
  });
}

/**
 * A whole car out of what is known of it and a car of its class. The class's car is scaled: loads and brakes with the mass, the
 * yaw inertia with mass and wheelbase squared, the axles' places with the wheelbase, the ends' downforce alike.
 * @param id of the car in its book
 */
export function carFrom(id: string, described: DescribedCar, { usual, like }: CarClass): CarSpec {
  const known = (key: KnownOfACar) => described[key] ?? usual[key][1];
  const mass = known('massKg') / like.massKg;
  const length = known('wheelbaseM') / (like.frontM + like.rearM);
  const lift = like.liftAreaFrontM2 + like.liftAreaRearM2;
  const downforce = known('downforceM2');
  const frontShare = lift > 0 ? like.liftAreaFrontM2 / lift : 0.45;
  const power = known('powerKw') / like.powerKw;
  return {
    ...like,
    ...scaledDriveline(like, power),
    id,
    name: described.name,
    massKg: known('massKg'),
    yawInertiaKgM2: like.yawInertiaKgM2 * mass * length ** 2,
    frontM: like.frontM * length,
    rearM: like.rearM * length,
    nominalLoadN: like.nominalLoadN * mass,
    fullBrakeN: like.fullBrakeN * mass,
    axleInertiaKgM2: like.axleInertiaKgM2 * mass,
    mu0: known('mu0'),
    liftAreaFrontM2: downforce * frontShare,
    liftAreaRearM2: downforce * (1 - frontShare),
    steeringRatio: known('steeringRatio'),
    lockDeg: known('lockDeg'),
    powerKw: known('powerKw'),
    fullScaleNm: known('fullScaleNm'),
  };
}

/** A driveline for another power: engine and clutch grow with the torque, the gears stay. */
function scaledDriveline(like: CarClass['like'], power: number): Partial<DrivelineSpec> {
  const { engine, clutch, differential } = like;
  if (!engine || !clutch || !differential) return {};
  return {
    engine: {
      ...engine,
      inertiaKgM2: engine.inertiaKgM2 * power,
      dragNm: engine.dragNm * power,
      dragNmPerRadps: engine.dragNmPerRadps * power,
    },
    clutch: { ...clutch, torqueNm: clutch.torqueNm * power },
    differential: { ...differential, preloadNm: differential.preloadNm * power },
  };
}

/**
 * How far a figure of a car can lie from what is shown, over what is assumed of it: every assumed part at its least and its
 * greatest, one at a time.
 * @param of the figure of a whole car
 * @returns least and greatest; both the figure itself where nothing is assumed
 */
export function rangeOverClass(
  described: DescribedCar,
  carClass: CarClass,
  of: (car: CarSpec) => number,
): { value: number; low: number; high: number } {
  const figure = (car: DescribedCar) => of(carFrom('x', car, carClass));
  const value = figure(described);
  const ends = assumedOf(described, carClass).flatMap(({ key, low, high }) => [
    figure({ ...described, [key]: low }),
    figure({ ...described, [key]: high }),
  ]);
  return { value, low: Math.min(value, ...ends), high: Math.max(value, ...ends) };
}
