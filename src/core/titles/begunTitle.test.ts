import { readTitleDocument } from '../formats/titleJson';
import { begunTitle } from './begunTitle';
import { SHAPES, startingFields } from './startingShapes';
import { numbersFault } from './fieldFault';
import { pagesOf } from './titleDocument';

it.each(Object.keys(SHAPES))(
  'a title begun with %s is sound, and says of nothing that it is known',
  (shape) => {
    const title = begunTitle('Ferry Lane', shape);
    const read = readTitleDocument(title);
    expect(read.ok ? [] : read.problems).toEqual([]);
    const fields = title.pages.flatMap((page) => page.fields);
    expect(fields.map(({ key }) => key).sort()).toEqual(['deadzone', 'linearity', 'rotation', 'saturation']);
    const known = fields.filter(({ evidence }) => evidence !== 'assumed').map(({ key }) => key);
    expect(known.filter((key) => key === 'linearity')).toEqual([]);
    expect(title.forceHz).toBeNull();
  },
);

it.each(Object.entries(SHAPES))('every field that a shape begins with can be: %s', (_, shape) => {
  for (const subject of ['title', 'base'] as const) {
    const fields = startingFields(shape, subject, 'Menu');
    expect(fields.map((field) => numbersFault(field))).toEqual(fields.map(() => null));
    expect(pagesOf(fields)).not.toBeNull();
  }
});
