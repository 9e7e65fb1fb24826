import { AXIS_NAMES } from '@/core/axes/axes';
import type { OwnTitleDocument } from '@/core/formats/ownTitleJson';
import { CARS } from './cars';
import { sameOnEveryAxis, type ShapedAxis } from './dialects';
import { TITLES, type Title } from './titles';
import { TRACKS } from './tracks';

/** A title that the driver described, as the book keeps it. */
export interface OwnTitle extends OwnTitleDocument {
  id: string;
}

const OWN = 'own-';

export const ownTitleId = (id: string) => `${OWN}${id}`;
/** What a title does of which nobody has said how often it gives a force, Hz. */
const USUAL_FORCE_HZ = 100;

const SHAPED = AXIS_NAMES.filter((axis): axis is ShapedAxis => axis !== 'gear');

/** An own title as the rest of the software knows titles. Every car and every road may be driven in it. */
export function titleFromOwn({ id, name, rotation, fields, steering }: OwnTitle): Title {
  return {
    id: ownTitleId(id),
    name,
    about: 'described by yourself',
    carIds: CARS.map((car) => car.id),
    trackIds: TRACKS.map((track) => track.id),
    dialects: sameOnEveryAxis(name, fields, steering),
    carMenu: {},
    pages: [{ path: `${name} › Controls`, layer: 'title', axes: SHAPED }],
    rotation,
    forceHz: USUAL_FORCE_HZ,
    traits: { ownProgram: 'either', mode: 'plain', bindsInOwnPreset: false, quickSweep: false },
  };
}

/** Titles of the catalogue and the driver's own. */
export class Titles {
  readonly all: readonly Title[];
  constructor(own: readonly OwnTitle[]) {
    this.all = [...TITLES, ...own.map(titleFromOwn)];
  }
  /** The title of an id; the first of the catalogue where it was taken out of the book. */
  byId(id: string): Title {
    return this.all.find((title) => title.id === id) ?? this.all[0]!;
  }
}
