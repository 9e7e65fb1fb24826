import { readBookJson, captureFile, rideFile, type BookDocument } from '@/core/formats/bookJson';
import { describeProblem } from '@/core/problem';
import { START_FIELD } from '@/core/testing/startField';
import { plainRig } from '@/core/rig/rigSpec';
import { USUAL_SCHOOLS } from '@/core/settings/schools';
import { judgeBook } from './judgeBook';

const NOW = Date.UTC(2026, 10, 27);
const HERE = { rigId: 'tern', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };
const set = (id: string, more: object = {}) => ({
  id,
  atMs: 5,
  rigId: 'tern',
  kind: 'set',
  titleId: 'causeway',
  carId: null,
  driver: 'Late shift',
  branch: '',
  layer: 'title',
  axis: 'brake',
  field: 'deadzone',
  fromValue: null,
  toValue: 4,
  why: 'drags',
  undoes: null,
  ...more,
});
const putBack = (id: string, undoes: string) => ({
  ...set(id),
  kind: 'put-back',
  titleId: null,
  driver: null,
  layer: null,
  axis: null,
  field: null,
  toValue: null,
  undoes,
});
const ride = (id: string, more: object = {}) => ({
  id,
  atMs: 9,
  ...HERE,
  trackId: 'saltmarsh-loop',
  seed: 1,
  settings: {},
  mark: null,
  head: { notes: {} },
  file: rideFile(id),
  ...more,
});
const capture = (id: string, more: object = {}) => ({
  id,
  rigId: 'tern',
  axis: 'brake',
  driver: 'Late shift',
  madeAtMs: 5,
  status: 'kept',
  origin: 'guided',
  head: {
    device: 'x',
    rangeMin: 0,
    rangeMax: 1,
    rateHz: null,
    runs: [{ label: 'rest', from: 0, to: 3 }],
    guide: null,
  },
  rows: 3,
  file: captureFile(id),
  ...more,
});

/** A sound book with everything in it once; what is given takes the place of a part of it. */
function bookWith(over: Record<string, unknown>): BookDocument {
  // As version 1 wrote it: it knew no experiments.
  const written = {
    format: 'pebble-road/book',
    version: 1,
    madeAtMs: NOW,
    rigs: [
      { id: 'tern', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }), createdAtMs: 1 },
      { id: 'loft', name: 'Loft', spec: plainRig({ kind: 'real', axes: {} }), createdAtMs: 1 },
    ],
    combinations: [{ ...HERE, openedAtMs: 2, typedIn: null }],
    facts: [
      { key: 'combination', value: HERE },
      { key: 'schools/Late shift', value: USUAL_SCHOOLS },
    ],
    ticks: [],
    proofs: [],
    changes: [set('one'), putBack('back', 'one'), set('two', { toValue: 9 })],
    ownDialects: [
      {
        id: 'mine',
        kind: 'title',
        atMs: 3,
        document: { name: 'Ferry Lane', rotation: 'direct', fields: [START_FIELD], steering: [] },
      },
    ],
    captures: [capture('c')],
    rides: [ride('first', { mark: 'A' }), ride('second', { mark: 'B' })],
    ...over,
  };
  const read = readBookJson(JSON.stringify(written));
  if (!read.ok) throw new Error(read.problems.map(describeProblem).join(' '));
  return read.value;
}
const said = (over: Record<string, unknown>) => judgeBook(bookWith(over), NOW).map(describeProblem).join(' ');

it('a sound book is sound, with titles of its own as well', () => {
  expect(said({})).toBe('');
  const mine = { ...HERE, titleId: 'own-mine' };
  expect(
    said({
      combinations: [{ ...mine, openedAtMs: 2, typedIn: null }],
      changes: [set('one', { titleId: 'own-mine', field: 'start', toValue: 30 })],
    }),
  ).toBe('');
});

it.each<[string, Record<string, unknown>, RegExp]>([
  [
    'a moment after tomorrow',
    { madeAtMs: NOW + 3 * 86_400_000 },
    /"madeAtMs": 2026-11-30 lies in the future/,
  ],
  [
    'a capture of the far future',
    { captures: [capture('c', { madeAtMs: Date.UTC(2099, 0) })] },
    /2099-01-01/,
  ],
  ['a ride twice', { rides: [ride('a'), ride('a')] }, /"rides\[1\]": "a" stands twice/],
  [
    'a combination twice',
    { combinations: [0, 1].map(() => ({ ...HERE, openedAtMs: 2, typedIn: null })) },
    /twice/,
  ],
  [
    'two rides marked A',
    { rides: [ride('a', { mark: 'A' }), ride('b', { mark: 'A' })] },
    /"A of tern.* stands twice/,
  ],
  [
    'a fact twice',
    { facts: [0, 1].map(() => ({ key: 'schools/x', value: USUAL_SCHOOLS })) },
    /"schools\/x" stands twice/,
  ],
  [
    'a capture in another’s file',
    { captures: [capture('c', { file: captureFile('d') })] },
    /capture c lies in/,
  ],
  ['a ride in another’s file', { rides: [ride('a', { file: rideFile('b') })] }, /ride a lies in/],
  ['phases that end too early', { captures: [capture('c', { rows: 9 })] }, /cover 3 of 9 samples/],
  ['a rig that is not there', { captures: [capture('c', { rigId: 'ghost' })] }, /no rig "ghost"/],
  [
    'a simulated rig that is not there',
    { rigs: [{ id: 'tern', name: 'T', spec: plainRig({ kind: 'simulated', rig: 'wasp' }), createdAtMs: 1 }] },
    /no simulated rig "wasp"/,
  ],
  [
    'a title that is not there',
    { combinations: [{ ...HERE, titleId: 'own-other', openedAtMs: 1, typedIn: null }] },
    /no title "own-other"/,
  ],
  [
    'a car that the title does not have',
    {
      combinations: [{ ...HERE, titleId: 'hill-and-hollow', carId: 'dray-55', openedAtMs: 1, typedIn: null }],
    },
    /has no car "dray-55"/,
  ],
  [
    'a road that the title does not have',
    { rides: [ride('a', { trackId: 'cairn-brae' })] },
    /has no road "cairn-brae"/,
  ],
  [
    'an open combination of another book',
    { facts: [{ key: 'combination', value: { ...HERE, rigId: 'ghost' } }] },
    /no rig "ghost"/,
  ],
  [
    'a put-back of nothing',
    { changes: [putBack('b', 'nothing')] },
    /puts back "nothing", which does not stand/,
  ],
  [
    'a put-back twice',
    { changes: [set('one'), putBack('b', 'one'), putBack('c', 'one')] },
    /which does not stand/,
  ],
  ['a put-back before its change', { changes: [putBack('b', 'one'), set('one')] }, /which does not stand/],
  [
    'a put-back on another rig',
    { changes: [set('one'), { ...putBack('b', 'one'), rigId: 'loft' }] },
    /does not stand/,
  ],
  ['a field that the title does not have', { changes: [set('one', { field: 'gloss' })] }, /no field "gloss"/],
  ['a value between two steps', { changes: [set('one', { toValue: 4.5 })] }, /4\.5 is not what/],
  [
    'a title’s setting of no title',
    { changes: [set('one', { titleId: null })] },
    /does not say where it holds/,
  ],
  [
    'a curve where none can be drawn',
    {
      changes: [
        set('one', {
          field: 'points',
          toValue: [
            [0, 0],
            [1, 1],
          ],
        }),
      ],
    },
    /cannot draw a curve/,
  ],
  [
    'a shifter that is shaped',
    { changes: [set('one', { axis: 'gear' })] },
    /Nothing can be set there: title\/gear/,
  ],
  [
    'settings that leave no travel together',
    { changes: [set('one', { toValue: 60 }), set('two', { field: 'saturation', toValue: 60 })] },
    /leave no travel between them/,
  ],
])('%s is refused with its place', (_, over, why) => {
  expect(said(over)).toMatch(why);
});

it('what was set on a base that was described anew need not fit any more, and says nothing', () => {
  expect(said({ changes: [set('one', { layer: 'base', titleId: null, field: 'gone', toValue: 7 })] })).toBe(
    '',
  );
});
