import { AXIS_WORDS } from '@/core/axes/axes';
import {
  fieldsOn,
  SHAPED_AXES,
  type ShapedAxis,
  type TitleDocument,
  type TitlePage,
} from '@/core/formats/titleJson';
import type { MenuSchema } from '@/core/response/menuSchema';
import type { CarSpec } from '@/core/vehicle/carSpec';
import type { TrackSpec } from '@/core/vehicle/track';
import { CARS } from './cars';
import type { AxisDialects, CarMenu } from './dialects';
import { TITLES, type Title } from './titles';
import { TRACKS } from './tracks';

/** A title that the driver described, as the book keeps it. */
export interface OwnTitle extends TitleDocument {
  id: string;
}

const OWN = 'own-';

export const ownTitleId = (id: string) => `${OWN}${id}`;
/** What a title does of which nobody has said how often it gives a force, Hz. */
const USUAL_FORCE_HZ = 100;

/** An own title as the rest of the software knows titles. Where it does not name its cars and roads, every known one is driven. */
export function titleFromOwn(
  own: OwnTitle,
  ownCars: readonly CarSpec[] = [],
  ownRoads: readonly TrackSpec[] = [],
): Title {
  const { id, name, about, rotation, forceHz, traits, pages, cars, tracks } = own;
  return {
    id: ownTitleId(id),
    name,
    about: about || 'described by yourself',
    carIds: cars ? [...cars, ...ownCars.map((car) => car.id)] : [...ownCars, ...CARS].map((car) => car.id),
    trackIds: [...(tracks ?? TRACKS.map((track) => track.id)), ...ownRoads.map((road) => road.id)],
    dialects: dialectsOf(own),
    carMenu: carMenuOf(own),
    pages: pages.map(({ path, layer, axes, fields }) => ({
      path,
      layer,
      axes,
      fields: fields.map(({ key }) => key),
    })),
    rotation,
    forceHz: forceHz ?? USUAL_FORCE_HZ,
    knowsForceHz: forceHz !== null,
    unsure: pages.flatMap(({ fields }) =>
      fields.filter(({ evidence }) => evidence === 'assumed').map(({ label }) => label),
    ),
    traits,
  };
}

/** Only the title's own layer has a menu for each axis, if an empty one. */
function dialectsOf(document: TitleDocument): AxisDialects {
  const of = (axis: ShapedAxis): MenuSchema => ({
    name: document.name,
    axis: AXIS_WORDS[axis],
    fields: fieldsOn(document, 'title', axis, 0),
  });
  return Object.fromEntries(SHAPED_AXES.map((axis) => [axis, of(axis)])) as unknown as AxisDialects;
}

function carMenuOf(document: TitleDocument): CarMenu {
  const has = SHAPED_AXES.filter((axis) => fieldsOn(document, 'car', axis, 0).length > 0);
  return Object.fromEntries(
    has.map((axis) => [
      axis,
      (carName: string, lockDeg: number): MenuSchema => ({
        name: carName,
        axis: AXIS_WORDS[axis],
        fields: fieldsOn(document, 'car', axis, lockDeg),
      }),
    ]),
  );
}

/** Two locks that no menu starts at: where a car's field follows them it comes at the car's own. */
const PROBED_LOCKS = [611, 733] as const;

const isOfCatalogue = (id: string) => !id.startsWith(OWN);

/** Any title as a document: to be copied and changed, or taken along as a file. */
export function titleDocument(title: Title): TitleDocument {
  const { name, about, rotation, forceHz, knowsForceHz, carIds, trackIds, traits } = title;
  return {
    name,
    about,
    rotation,
    forceHz: knowsForceHz ? forceHz : null,
    pages: title.pages.flatMap((page) => pageDocument(title, page)),
    // One's own cars and roads are driven in any title: none of them belongs to this one.
    cars: carIds.filter(isOfCatalogue),
    tracks: trackIds.filter(isOfCatalogue),
    traits,
    origin: '',
  };
}

function pageDocument(
  title: Title,
  { path, layer, axes, fields, except }: Title['pages'][number],
): TitlePage[] {
  if (layer === 'base') return [];
  const menu = (axis: ShapedAxis, lock: number): MenuSchema | undefined =>
    layer === 'title' ? title.dialects[axis] : title.carMenu[axis]?.('', lock);
  const shaped = SHAPED_AXES.filter((axis) => axes.includes(axis));
  const made: TitlePage['fields'] = [];
  for (const axis of shaped) {
    const [one, other] = PROBED_LOCKS.map((lock) => menu(axis, lock)?.fields ?? []);
    one!.forEach((field, i) => {
      if ((fields && !fields.includes(field.key)) || except?.includes(field.key)) return;
      const known = made.find(({ key }) => key === field.key);
      if (known) return known.axes.push(axis);
      const isOfTheCar = field.neutral !== other![i]!.neutral;
      const { unit = '', ...rest } = field;
      made.push({
        ...rest,
        neutral: isOfTheCar ? null : field.neutral,
        unit,
        axes: [axis],
        evidence: title.unsure.includes(field.label) ? 'assumed' : 'described',
      });
    });
  }
  return made.length === 0 ? [] : [{ path, layer, axes: shaped, fields: made }];
}

/** Titles of the catalogue and the driver's own, and every car and road that is known. */
export class Titles {
  readonly all: readonly Title[];
  readonly cars: readonly CarSpec[];
  readonly tracks: readonly TrackSpec[];
  constructor(
    own: readonly OwnTitle[],
    ownCars: readonly CarSpec[] = [],
    ownRoads: readonly TrackSpec[] = [],
  ) {
    this.cars = [...ownCars, ...CARS];
    this.tracks = [...ownRoads, ...TRACKS];
    const [cars, roads] = [ownCars, ownRoads].map((mine) => mine.map(({ id }) => id));
    // One's own cars and roads may be driven in any title.
    const builtIn = TITLES.map((title) => ({
      ...title,
      carIds: [...title.carIds, ...cars!],
      trackIds: [...title.trackIds, ...roads!],
    }));
    this.all = [...builtIn, ...own.map((one) => titleFromOwn(one, ownCars, ownRoads))];
  }
  /** The title of an id; the first of the catalogue where it was taken out of the book. */
  byId(id: string): Title {
    return this.all.find((title) => title.id === id) ?? this.all[0]!;
  }
  /** The car of an id; the first of the catalogue where it was taken out of the book. */
  car(id: string): CarSpec {
    return this.cars.find((car) => car.id === id) ?? CARS[0]!;
  }
  /** The road of an id; the first of the catalogue where it was taken out of the book. */
  track(id: string): TrackSpec {
    return this.tracks.find((track) => track.id === id) ?? TRACKS[0]!;
  }
  /**
   * A car as it is driven in a title. What the catalogue writes of a full scale holds in its own titles: in one of the driver's
   * own nobody knows it.
   */
  carIn(title: Title, id: string): CarSpec {
    const car = this.car(id);
    if (!title.id.startsWith(OWN) || car.assumed) return car;
    const said = `full-scale torque of the ${car.name} in ${title.name} as elsewhere, ${car.fullScaleNm} N·m`;
    return { ...car, scaleIsAssumed: true, assumed: [said] };
  }
}
