import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import isEqual from 'fast-deep-equal';
import { FERRY_LANE, START_FIELD } from '@/core/testing/startField';
import { plainRig } from '@/core/rig/rigSpec';
import { bookDocument } from '@/data/backup';
import { judgeBook } from '@/data/judgeBook';
import { expectRoundTrip } from '@/data/testing/roundTrip';
import { addRig } from '@/data/rigs';
import * as axes from './captures';
import { bookView } from '../read/readBook';
import * as beginning from './beginning';
import * as card from './card';
import * as combinations from './branches';
import * as measuredBase from './measuredBase';
import * as blindLoading from './blindLoading';
import * as experiments from './experiments';
import * as frame from './settings';
import * as ready from './readiness';
import type { Reply } from './reply';
import * as buttons from './buttons';
import * as fullScale from './fullScale';
import * as ride from './rides';
import * as roads from './roads';
import * as rig from './rigs';
import * as declined from './declined';
import * as schools from './schools';
import * as speedUnit from './speedUnit';
import * as shape from './weaning';
import * as translate from './titles';
import { bookInMemory } from '../testing/bookInMemory';
import { onServer } from '@/data/testing/bookForTests';
import { isLongRun, tries } from '@/core/testing/longRun';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const book = bookInMemory(async (db) => {
  await addRig(db, { id: 'rig', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }) });
  await frame.changeCombination({
    rigId: 'rig',
    titleId: 'causeway',
    carId: 'marl-850',
    driver: 'Late shift',
  });
});

const spec = plainRig({ kind: 'simulated', rig: 'tern' });

/** A digest, as the page makes it of a log's columns. */
const SOURCE = 'a1'.repeat(32);

type Action = (...args: never[]) => Promise<unknown>;

/** Every room of commands, and what its own page could send to each. A command that isn't listed fails the test below. */
const FRAME = {
  applyChange: [{ axis: 'brake', field: 'deadzone', to: 4, why: 'drags', layer: 'title' }],
  applyChanges: [[{ axis: 'throttle', field: 'linearity', to: 10, why: 'calm' }]],
  putBack: ['a-change'],
  changeCombination: [{ titleId: 'causeway', carId: 'marl-850', driver: 'Noon shift' }],
};
const CALLED: Record<string, [commands: Record<string, unknown>, args: Record<string, unknown[]>]> = {
  settings: [frame, FRAME],
  branches: [combinations, { branchOff: ['wet'], restoreMoment: ['a-change'] }],
  readiness: [
    ready,
    {
      tickItem: ['fixings', true],
      noteTitleVersion: ['1.4'],
      rotationPutBack: [1080],
      turnDownForBinding: [],
    },
  ],
  rigs: [
    rig,
    {
      makeRig: [{ name: 'Second', device: spec.device }],
      saveRig: [{ name: 'Described', spec }],
      copyRig: ['Third'],
      assignAxis: [{ axis: 'brake', device: 'pedals', place: { kind: 'axis', index: 2 } }],
      takeDevice: [{ kind: 'simulated', rig: 'wren' }],
      cablingChanged: [],
    },
  ],
  beginning: [
    beginning,
    {
      begin: [
        {
          rig: {
            name: 'First',
            device: {
              kind: 'real',
              axes: { brake: { device: 'pedals', place: { kind: 'axis', index: 2 } } },
            },
            drive: 'unknown',
            torqueNm: null,
          },
          title: { name: 'First title', shape: 'amounts' },
          car: { name: 'First car', className: 'road' },
        },
      ],
    },
  ],
  measuredBase: [
    measuredBase,
    {
      keepMeasuredBase: [
        {
          method: 'by-hand',
          swings: 16,
          frictionOverInertia: { value: 12, low: 11.8, high: 12.2 },
          dampingOverInertia: { value: 0.6, low: 0.5, high: 0.7 },
          inertiaKgM2: null,
          frictionNm: null,
          dampingNmsPerRad: null,
        },
      ],
      forgetMeasuredBase: [1],
    },
  ],
  titles: [
    translate,
    {
      saveTitle: [{ document: FERRY_LANE }],
      saveCar: [
        {
          car: {
            name: 'Loft Special',
            className: 'road',
            massKg: 900,
            wheelbaseM: null,
            steeringRatio: 14,
            lockDeg: 720,
            powerKw: null,
            fullScaleNm: null,
            mu0: null,
            downforceM2: null,
          },
        },
      ],
      saveBase: [{ name: 'Loft base', steering: [], axes: ['brake'], fields: [START_FIELD] }],
    },
  ],
  buttons: [
    buttons,
    {
      saveRim: [
        {
          buttons: [
            {
              ...{ index: 3, name: 'left thumb', kind: 'button', spot: 'left-middle' },
              ...{ seconds: 0.5, hitInstead: [], passes: true },
            },
          ],
          paddleMode: 'two-stage',
          fields: [{ label: 'Rev lights', value: 'from 85 %' }],
        },
      ],
      saveMap: [{ on: { 'look-back': 3 }, held: [], isPractice: false, isConsole: false }],
    },
  ],
  fullScale: [fullScale, { keepFullScale: [12.5] }],
  roads: [
    roads,
    {
      saveRoad: [
        {
          road: {
            name: 'Loft Lane',
            widthM: null,
            closed: false,
            segments: [{ straightM: 300, radiusM: 40, angleDeg: 90, clothoidM: 10 }],
            origin: '',
          },
        },
      ],
    },
  ],
  rides: [
    ride,
    {
      setMark: ['a-ride', 'A'],
      takeRoad: ['saltmarsh-loop'],
      importedBefore: [SOURCE],
      rememberColumns: [SOURCE, [{ channel: 't_s', unit: 's' }]],
    },
  ],
  experiments: [
    experiments,
    {
      askQuestion: [
        {
          question: 'change',
          way: 'title',
          a: { 'title/brake/deadzone': 0 },
          b: { 'title/brake/deadzone': 4 },
          pairs: 4,
          lapsPerRide: 2,
          named: 'lapTimeS',
          dimension: 'weight',
        },
      ],
      bookTrial: [{ id: 'a-question', place: 0, outcome: 'ridden', rideId: null }],
      sayAnswer: [
        { id: 'a-question', place: 0, said: { kind: 'pair', answer: 'first', sure: 'sure', noticed: false } },
      ],
      rate: [{ id: 'a-question', place: 0, ratings: { weight: 5 } }],
      endEarly: ['a-question'],
      lookNow: ['a-question'],
      rideOn: ['a-question', 2],
      decide: ['a-question', 'kept', 'It is quicker.'],
      takeLogs: ['a-question'],
    },
  ],
  blindLoading: [
    blindLoading,
    {
      slotSaved: [{ id: 'a-question', place: 0 }],
      loadHere: [{ id: 'a-question', place: 0 }],
      helperLoaded: [{ id: 'a-question', place: 0, what: 'neutral' }],
    },
  ],
  captures: [
    axes,
    {
      discardDraft: ['brake'],
      removeCapture: ['a-capture'],
      signProof: [[{ item: { axis: 'brake', kind: 'rest' }, passed: true, shown: 0 }]],
    },
  ],
  schools: [schools, { chooseSchool: [{ clipping: 'none' }] }],
  speedUnit: [speedUnit, { chooseSpeedUnit: ['mph'] }],
  declined: [declined, { decline: ['title/brake/deadzone:4'], askAgain: [] }],
  card: [card, { cardTypedIn: [true], dateToday: [] }],
  weaning: [shape, { beginWeaning: [], takeWeaningStep: [], endWeaning: [] }],
};

const CALLS = Object.values(CALLED).flatMap(([commands, args]) =>
  Object.entries(args).map(([name, given]) => [name, commands[name] as Action, given] as const),
);

it('no room of commands and no command is forgotten here', () => {
  const rooms = readdirSync('src/book/write')
    .filter(
      (name) =>
        name.endsWith('.ts') && readFileSync(join('src/book/write', name), 'utf8').startsWith("'use server'"),
    )
    .map((name) => name.replace('.ts', ''));
  expect(rooms.sort()).toEqual(Object.keys(CALLED).sort());
  for (const [commands, args] of Object.values(CALLED))
    expect(Object.keys(args).sort()).toEqual(Object.keys(commands).sort());
});

/** Asked in good form, but of something that this book does not have. */
const POINTLESS = [
  'forgetMeasuredBase',
  'putBack',
  'restoreMoment',
  'setMark',
  'beginWeaning',
  'takeWeaningStep',
  'bookTrial',
  'sayAnswer',
  'rate',
  'endEarly',
  'lookNow',
  'rideOn',
  'decide',
  'takeLogs',
  'helperLoaded',
  'slotSaved',
  'loadHere',
];

const ODD: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom(
    undefined,
    null,
    '',
    ' ',
    '__proto__',
    'valueOf',
    'x'.repeat(5000),
    -1,
    0.5,
    1e300,
    NaN,
    [],
    {},
    true,
  ),
  fc.anything({ maxDepth: 2 }),
);

/** The same value with something in it that is not as it should be. */
function spoilt(value: unknown): fc.Arbitrary<unknown> {
  if (typeof value !== 'object' || value === null) return ODD;
  const more = ODD.map((odd) =>
    Array.isArray(value) ? [...(value as unknown[]), odd] : { ...value, extra: odd },
  );
  const keys = Object.keys(value);
  if (keys.length === 0) return more;
  const within = fc
    .constantFrom(...keys)
    .chain((key) =>
      spoilt((value as Record<string, unknown>)[key]).map((odd) =>
        Array.isArray(value) ? value.with(Number(key), odd) : { ...value, [key]: odd },
      ),
    );
  return fc.oneof({ weight: 6, arbitrary: within }, ODD, more);
}

let known: unknown;

/** Refused in words, and then nothing may have changed; or done, and then the book can still be read whole. */
async function askSomething(action: Action, args: unknown[]): Promise<boolean> {
  const reply = (await action(...(args as never[]))) as Reply | null | unknown[];
  if (reply === null || Array.isArray(reply)) return true;
  const now = await bookDocument(book.db, 0);
  // A backup of it could be restored.
  expect(judgeBook(now, Date.now())).toEqual([]);
  if (reply.ok) expect((await bookView())?.rigs.length).toBeGreaterThan(0);
  else {
    expect(reply.problems.length).toBeGreaterThan(0);
    for (const { message, remedy } of reply.problems) expect([message, remedy]).not.toContain('');
    expect(now).toEqual(known);
  }
  known = now;
  return reply.ok;
}

it.each(CALLS)(
  '%s answers anything that a page could send, and leaves a book that can be read',
  async (name, action, args) => {
    const before = await bookDocument(book.db, 0);
    known = before;
    expect(await askSomething(action, args)).toBe(!POINTLESS.includes(name));
    await fc.assert(
      fc.asyncProperty(spoilt(args), async (odd) => {
        await askSomething(action, Array.isArray(odd) ? odd : [odd]);
      }),
      { numRuns: onServer(tries(4, 16)) },
    );
    if (isLongRun && !isEqual(known, before)) await expectRoundTrip(book.book);
  },
);

it('what they left together can be saved and restored', () => expectRoundTrip(book.book));
