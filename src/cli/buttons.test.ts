import { RIMS } from '@/catalog/rims';
import { EMPTY_MAP } from '@/core/buttons/buttonMap';
import { writeRimJson } from '@/core/formats/rimJson';
import { filesForTests, pebble } from './testing/pebble';

const { file } = filesForTests();

it('buttons says where everything lies best on a rim, and what is badly placed', () => {
  const path = file(
    'tern.rim.json',
    writeRimJson({
      buttons: RIMS.tern,
      map: { ...EMPTY_MAP, on: { pause: 2, 'look-back': 3, reset: null } },
    }),
  );
  const { code, json } = pebble('buttons', path, '--json');
  expect(code).toBe(0);
  const { best, conflicts, reach } = json() as {
    best: Record<string, number>;
    conflicts: { kind: string }[];
    reach: { seconds: number }[];
  };
  expect(conflicts[0]).toMatchObject({ kind: 'danger-beside', action: 'pause', beside: 'look-back' });
  expect(reach).toHaveLength(RIMS.tern.length);
  expect(best['look-back']).not.toBe(best['pause']);
  expect(pebble('buttons', path).out).toMatch(/conflict +Pause lies on left thumb, beside look back/);
  const twice = file(
    'twice.rim.json',
    writeRimJson({ buttons: [RIMS.tern[0]!, RIMS.tern[0]!], map: EMPTY_MAP }),
  );
  expect(pebble('buttons', twice).err).toMatch(/A button stands there once/);
});
