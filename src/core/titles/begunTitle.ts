import { PLAIN_TRAITS, type TitleDocument } from '../formats/titleJson';
import { SHAPES, startingFields } from './startingShapes';
import { pagesOf } from './titleDocument';

/**
 * A title of which only the shape of its numbers is known: the usual controls on that scale, their meaning taken as usual, and
 * nothing of its force.
 * @param shape one of {@link SHAPES}
 */
export function begunTitle(name: string, shape: keyof typeof SHAPES): TitleDocument {
  const fields = startingFields(SHAPES[shape]!, 'title', `${name} › Controls`).filter(({ role }) =>
    CONTROLS.includes(role),
  );
  return {
    name,
    about: 'begun with the usual fields of its scale',
    rotation: 'direct',
    forceHz: null,
    pages: pagesOf(fields)!,
    cars: null,
    tracks: null,
    traits: PLAIN_TRAITS,
    origin: 'begun on the first evening',
  };
}

const CONTROLS: readonly string[] = ['rotation', 'deadzone', 'saturation', 'linearity'];
