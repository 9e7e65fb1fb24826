import { readFileSync } from 'node:fs';
import { calmNow, calmWish } from '@/book/judge/calmWish';
import { forceFactsOf } from '@/book/judge/force';
import { carRows, hairpinOf, slideOf } from '@/book/judge/lock';
import { anyRidePlan } from '@/book/judge/ridePlan';
import type { BookView } from '@/book/model/bookView';
import { contextIn } from '@/book/read/requestContext';
import { readPast } from '@/book/read/readAxis';
import { readBook } from '@/book/read/readBook';
import { markedPair } from '@/book/read/readPair';
import { bookInMemory } from '@/book/testing/bookInMemory';
import { carById } from '@/catalog/find';
import type { AxisName } from '@/core/axes/axes';
import { brakeForceAdvice } from '@/core/axes/brakeForce';
import { rotationAdvice } from '@/core/axes/rotationAdvice';
import { effectShown } from '@/core/experiment/compareRides';
import { canonicalFacts } from '@/core/force/canonicalFacts';
import { adviceInOrder } from '@/core/force/forceAdvice';
import { chainOf } from '@/core/force/chainOf';
import { crashSpike } from '@/core/force/crashSpike';
import { driveForForce, forceQuestions } from '@/core/force/forceQuestions';
import { writeCaptureCsv } from '@/core/formats/captureCsv';
import { writeProfileJson } from '@/core/formats/profileJson';
import { writeRideCsv } from '@/core/formats/rideCsv';
import { responseParameterOf, type MenuSchema } from '@/core/response/menuSchema';
import { valueOf, type FieldValues } from '@/core/response/settings';
import { weaningPlan } from '@/core/response/weaning';
import { calmCentre } from '@/core/rotation/calmCentre';
import { respond } from '@/core/response/compose';
import { matchRotation } from '@/core/rotation/matchRotation';
import { steeredCar } from '@/core/rotation/sensitivity';
import { USUAL_SCHOOLS } from '@/core/settings/schools';
import { SMALL_ROAD } from '@/core/testing/smallWorld';
import { completeRide } from '@/core/vehicle/simulateRide';
import type { Combination } from '@/core/settings/scope';
import { loadCapture } from '@/data/captures';
import { readExperiment } from '@/book/read/readExperiments';
import { COMBINATIONS } from '@/data/demoCaptures';
import { EVENING } from '@/data/demoEvening';
import { addRide, loadRide, markRide } from '@/data/rides';
import { filesForTests, pebble as run } from './testing/pebble';
import { isLongRun } from '@/core/testing/longRun';

const { file } = filesForTests();
const book = bookInMemory('begun');

function pebble(command: string, ...argv: string[]): Record<string, unknown> {
  const { code, err, json } = run(command, '--json', ...argv);
  if (code !== 0) throw new Error(err);
  return json();
}

const viewOf = async (combination: Combination) => readBook((await contextIn(book.db, combination))!);
interface Advised {
  changes: unknown[];
  rotation: unknown;
  brakeForce: unknown;
}
/** A settings file: every field of the dialect, at its neutral where nothing is set. */
const settingsText = (dialect: MenuSchema, values: FieldValues) =>
  JSON.stringify({
    format: 'pebble-road/settings',
    version: 1,
    dialect: { format: 'pebble-road/dialect', version: 1, ...dialect },
    values: Object.fromEntries(dialect.fields.map((field) => [field.key, valueOf(field, values)])),
  });
const smallTrack = () =>
  file('small.track.json', JSON.stringify({ format: 'pebble-road/track', version: 1, ...SMALL_ROAD }));
/** As it comes out of the command. */
const plain = (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown;

function profileOf(view: BookView) {
  const { throttle, brake, foot } = anyRidePlan(view, 2, 11);
  const { title, base, hardware } = chainOf(forceFactsOf(view));
  const { names } = view;
  return writeProfileJson({
    name: 'as it is',
    ...names,
    pedals: { throttle, brake },
    foot,
    force: { title, base, hardware },
  });
}

/** One rig goes through all of it for every change, the others in the long run. */
const RIGS = COMBINATIONS.filter(({ rigId }) => isLongRun || rigId === 'wren');

describe.each(RIGS.map((combination) => [combination.rigId, combination] as const))(
  'the %s',
  (_, combination) => {
    it('Axes: a capture says on the command line what its station shows', async () => {
      const { axes } = await viewOf(combination);
      for (const { axis, capture } of axes) {
        if (!capture) continue;
        const { recording } = (await loadCapture(book.db, capture.id))!;
        const own = { ...recording, axes: { [axis]: recording.axes[axis]! } };
        const given = pebble('calibrate', file(`${axis}.capture.csv`, writeCaptureCsv(own)));
        expect((given['axes'] as Record<string, unknown>)[axis]).toEqual(plain(capture.analysis));
      }
    });

    it('History: the same trends over the captures of an axis', async () => {
      const here = (await contextIn(book.db, combination))!;
      const { axes } = await readBook(here);
      // One axis is enough: all go the same way, and each capture is worked out anew.
      const view = axes.toSorted((a, b) => b.captureCount - a.captureCount)[0]!;
      const { history, captures } = await readPast(here, view);
      const files = await Promise.all(
        captures.map(async ({ id, atMs }, i) => {
          const { recording } = (await loadCapture(book.db, id))!;
          const own = { [view.axis]: recording.axes[view.axis]! };
          return file(`${i}.capture.csv`, writeCaptureCsv({ ...recording, axes: own, startedMs: atMs }));
        }),
      );
      // In whichever order they are named.
      const given = pebble('history', ...files.toReversed(), '--deadzone', String(view.effective.deadzone));
      expect((given['axes'] as Record<string, unknown>)[view.axis]).toEqual(plain(history));
    });

    it('Axes and the seat: the same changes, rotation to type in and force of the base', async () => {
      const view = await viewOf(combination);
      const { brakeForce } = view.rig.spec.base;
      const scale = brakeForce && (['min', 'max', 'step', 'now'] as const).map((part) => brakeForce[part]);
      for (const { axis, capture, recommendations, dialect, values } of view.axes) {
        if (!capture) continue;
        const { recording } = (await loadCapture(book.db, capture.id))!;
        const own = { ...recording, axes: { [axis]: recording.axes[axis]! } };
        const given = pebble(
          'advise',
          file(`${axis}.capture.csv`, writeCaptureCsv(own)),
          ...(dialect ? ['--settings', file(`${axis}.settings.json`, settingsText(dialect, values))] : []),
          ...(scale ? ['--scale', scale.join(',')] : []),
        );
        const said = (given['axes'] as Record<string, Advised>)[axis]!;
        expect(said.changes).toEqual(
          recommendations.map(({ parameter, label, from, to, evidence }) => ({
            parameter,
            label,
            from,
            to,
            evidence,
          })),
        );
        const { analysis } = capture;
        if (analysis.axis === 'steering' && analysis.rotationDeg !== null)
          expect(said.rotation).toEqual(
            plain(rotationAdvice(analysis.rotationDeg, analysis.rotationSigmaDeg!, analysis.snappedDeg)),
          );
        if (analysis.axis === 'brake' && analysis.pressMean !== null && brakeForce)
          expect(said.brakeForce).toEqual(plain(brakeForceAdvice(analysis.pressMean, brakeForce)));
      }
    });

    it('Shape: the same guides back to linear and to a calmer centre', async () => {
      const view = await viewOf(combination);
      const curveOf = (axis: AxisName) =>
        view.menus.title[axis]?.dialect.fields.find(({ maps }) => responseParameterOf(maps) === 'curve');
      const throttle = view.menus.title.throttle!.dialect;
      const bend = curveOf('throttle')!;
      const bent = { [bend.key]: bend.max };
      const from = '2026-01-05';
      expect(pebble('wean', file('bent.json', settingsText(throttle, bent)), '--from', from)).toEqual(
        plain(weaningPlan(bend, bent, Date.parse(from))),
      );
      const wish = calmWish(view)!;
      const now = calmNow(view, wish);
      const { min, max, step } = wish.baseField;
      const given = pebble(
        'centre',
        file('wheel.json', settingsText(view.menus.title.steering!.dialect, {})),
        ...['--base', [min, max, step, wish.baseNowDeg].join(','), '--share', '80'],
        ...['--car', view.car.id, '--track', view.trackId],
        ...(wish.isStretch ? ['--stretch'] : []),
      );
      expect(given['now']).toEqual(plain(now));
      expect(given['found']).toEqual(plain(calmCentre({ ...wish, wanted: 0.8 * now.centre })));
    });

    it('Lock: how every car of the title answers to the hands', async () => {
      const view = await viewOf(combination);
      const { baseDeg, titleDeg, isStretch } = view.rotation;
      const stretch = isStretch ? ['--stretch'] : [];
      const given = pebble('steering', `--base=${baseDeg}`, `--title=${titleDeg}`, ...stretch);
      const rows = given['cars'] as { car: string }[];
      for (const row of carRows(view))
        expect({ ...rows.find(({ car }) => car === row.car), name: row.name }).toMatchObject(
          plain(row) as object,
        );
    });

    it('Shape: the same curve, travel and slopes', async () => {
      const { axes } = await viewOf(combination);
      for (const { axis, layers, effective } of axes) {
        const document = { format: 'pebble-road/response', version: 1, layers };
        const { y, ...given } = pebble('response', file(`${axis}.json`, JSON.stringify(document)));
        expect(given).toEqual(plain(effective));
        expect((y as number[])[130]).toBe(respond(layers, 130 / 200));
      }
    });

    it('Lock: the same rotation, and the same corner', async () => {
      const view = await viewOf(combination);
      const { baseDeg, titleDeg, carDeg, isStretch } = view.rotation;
      const { wheelbaseM, ratio } = steeredCar(view.car);
      const hairpin = hairpinOf(view);
      const match = matchRotation(view.rotation);
      const given = pebble(
        'rotation',
        ...[`--base=${baseDeg}`, `--title=${titleDeg}`, `--car=${carDeg}`, `--ratio=${ratio}`],
        ...[`--hairpin=${hairpin.radiusM}`, `--wheelbase=${wheelbaseM}`],
        ...(isStretch ? ['--stretch'] : []),
      );
      expect(given).toMatchObject(plain(match) as object);
      expect(Number(given['hairpinHandDeg']) / match.gain).toBeCloseTo(hairpin.handDeg, 9);
      const slide = slideOf(view);
      const { err, json } = run('slide', '--car', view.car.id, '--radius=25', '--angle=20', '--json');
      if (slide) {
        const held = json() as Record<string, number>;
        expect(Math.abs(held['handDeg']!) / match.gain).toBeCloseTo(slide.handDeg, 9);
        expect(Math.abs(held['columnNm']!)).toBeCloseTo(slide.columnNm, 9);
      } else expect(err).toMatch(/cannot hold a slide of 20°/);
    });

    it('Force and Feels like: the same figures and causes', async () => {
      const view = await viewOf(combination);
      const facts = forceFactsOf(view);
      // One of the three goes over its own road, the others over a short one that both are told of alike.
      const own = anyRidePlan(view, 2, 11);
      const plan = combination.rigId === 'tern' ? own : { ...own, track: SMALL_ROAD };
      const questions = forceQuestions(driveForForce(plan, facts.rateHz));
      const path = file('as-it-is.profile.json', profileOf(view));
      const road = { format: 'pebble-road/track', version: 1, ...plan.track };
      const track = file('road.track.json', JSON.stringify(road));
      const where = ['--car', view.car.id, '--track', track];
      const given = pebble('force', path, ...where);
      const { judgement, balance, cue } = questions.judge(facts, USUAL_SCHOOLS);
      expect(given['judgement']).toEqual(plain(judgement));
      expect(given['balance']).toEqual(plain(balance));
      expect(given['cue']).toEqual(plain(cue));
      // Profiles hold no menus, so what is advised is compared over the same canonical ones.
      const canonical = canonicalFacts(chainOf(facts), view.car);
      const said = {
        ride: questions.judge(canonical, USUAL_SCHOOLS),
        stability: questions.calm(canonical, USUAL_SCHOOLS),
        smooth: questions.smooth(canonical, USUAL_SCHOOLS),
      };
      expect(given['advice']).toEqual(plain(adviceInOrder(said)));
      const parts = questions.partsOf(facts);
      expect(given['smooth']).toEqual(plain(parts.smooth()));
      expect(given['centre']).toEqual(plain(parts.centre()));
      const { roll, fast } = parts.calm();
      expect(given['calm']).toMatchObject(plain({ roll, fast }) as object);
      expect(pebble('handsoff', path, '--speed', '40')['crash']).toEqual(plain(crashSpike(chainOf(facts))));
      const inputs = given['inputs'] as { input: string; evidence: string }[];
      expect(inputs.find(({ input }) => input === 'hardware.ratedNm')?.evidence).toBe('described');

      // The cars of the title, as they are where none has settings of its own.
      const sides = view.title.carIds.filter((id) => id !== view.car.id);
      const cars = pebble('cars', path, ...where, '--others', sides.join(','));
      const others = sides.map((id) => ({
        facts: canonicalFacts(chainOf(facts), carById(id)),
        plan: { ...plan, laps: 1, car: carById(id) },
      }));
      const rows = questions.cars(canonical, others, 'peak');
      expect(cars['cars']).toEqual(
        rows.map(({ carId, name, peak, weightNm, ratio, from }) =>
          plain({ carId, name, peak, weightNm, ratio, from }),
        ),
      );

      // Of two cars with logs their logs are compared; a log holds twice the force, at the same gain.
      const logged = (level: number) =>
        file(
          `${level}.ride.csv`,
          ['t_s,ffb,ay_mps2', ...Array.from({ length: 100 }, (_, i) => `${i / 50},${level},6`)].join('\n'),
        );
      const byLogs = ['--others', sides[0]!, '--logs', `${logged(0.3)},${logged(0.6)}`];
      expect(pebble('cars', path, ...where, ...byLogs)['cars']).toMatchObject([
        { from: 'log', ratio: 1 },
        { from: 'log', ratio: expect.closeTo(2, 6) as number },
      ]);

      const complaint = plan === own ? 'weak' : 'gravel';
      const answer = questions.feel(complaint, canonical, USUAL_SCHOOLS, []);
      expect(pebble('feel', path, ...where, '--complaint', complaint)).toMatchObject(plain(answer) as object);
    });
  },
);

it('Ride: the same laps, measures and clipping, and the same ride judged at its own gain', async () => {
  const view = await viewOf(COMBINATIONS.find(({ rigId }) => rigId === 'tern')!);
  const { id, summary, clipping } = view.newestRide!;
  const path = file('newest.ride.csv', writeRideCsv((await loadRide(book.db, id))!));
  expect(pebble('measure', path)['summary']).toEqual(plain(summary));
  expect(pebble('clipping', path)).toMatchObject(plain(clipping) as object);
  const profile = file('tern.profile.json', profileOf(view));
  // Where the simulated driver goes beside it makes no difference to what was logged.
  const { logged } = pebble('force', profile, '--car', view.car.id, '--track', smallTrack(), '--log', path);
  const { clipShare } = (logged as { judgement: { clipShare: number } }).judgement;
  expect(clipShare).toBeCloseTo(clipping!.clipShare, 9);
});

it('Verdict: the same comparison of the rides marked A and B', async () => {
  const tern = COMBINATIONS.find(({ rigId }) => rigId === 'tern')!;
  const here = (await contextIn(book.db, tern))!;
  const { newestRide } = await readBook(here);
  const first = (await loadRide(book.db, newestRide!.id))!;
  const second = completeRide({ ...anyRidePlan(await readBook(here), 3, 12) });
  const rideOf = { ...tern, trackId: 'saltmarsh-loop', seed: 12, settings: {} };
  await addRide(book.db, { id: 'second', ...rideOf, log: second });
  await markRide(book.db, tern, 'second', 'B');
  const pair = (await markedPair(here, await readBook(here)))!;
  expect(pair.comparisons.length).toBeGreaterThan(3);
  const given = pebble(
    'compare',
    '--order=A1,B1',
    file('a.ride.csv', writeRideCsv(first)),
    '--',
    file('b.ride.csv', writeRideCsv((await loadRide(book.db, 'second'))!)),
  );
  const told = (given['measures'] as { name: string; verdict: string }[]).filter(
    ({ verdict }) => verdict !== 'not enough',
  );
  expect(told).toHaveLength(pair.comparisons.length);
  // Every figure that the command gives is the one on the page.
  const onPage = (name: string) => {
    const found = pair.comparisons.find((c) => c.name === name)!;
    return { ...found, ...effectShown(found) };
  };
  for (const figures of told) expect(plain(onPage(figures.name))).toMatchObject(figures);
});

it('a blind test and a search are judged on the page as their files are', async () => {
  const here = (await contextIn(book.db, EVENING))!;
  const view = await readBook(here);
  const shown = async (id: string) => (await readExperiment(here, view, id))!;
  for (const id of ['demo-tell-strength', 'demo-tell-damper']) {
    const { answer, answers, salt, commitment } = await shown(id);
    if (answer?.kind !== 'blind') throw new Error('it is no blind test');
    const pairs = answers.map(({ place, said }) =>
      said.kind === 'pair' ? { order: answer.orders[place], answer: said.answer, sure: said.sure } : null,
    );
    const text = {
      format: 'pebble-road/blind',
      version: 1,
      question: 'which',
      salt,
      commitment,
      drawn: answer.orders,
      pairs,
    };
    expect(pebble('blind', file(`${id}.blind.json`, JSON.stringify(text)))).toEqual(
      plain({ ...answer.score, commitmentHolds: answer.commitmentHolds }),
    );
  }
  const { answer, asked } = await shown('demo-best-damper');
  if (answer?.kind !== 'best' || asked.question !== 'best') throw new Error('it is no search');
  const { settings, seed } = asked;
  const text = { format: 'pebble-road/find', version: 1, seed, settings, rides: answer.rides };
  const { state, next, best, jnd, evidence, isCheck } = answer.found;
  expect(pebble('find', file('damper.find.json', JSON.stringify(text)))).toEqual(
    plain({ state, next, best, jnd, evidence, isCheck }),
  );
});

it('docs/figures.md names every command that is compared, and no other', () => {
  const lines = readFileSync('docs/figures.md', 'utf8').split('\n');
  const rows = lines.filter((line) => line.startsWith('| ') && !/^\| (-|Station)/.test(line));
  const commands = new Set(rows.map((row) => /`pebble ([a-z]+)/.exec(row)?.[1]));
  const compared = [
    'calibrate',
    'response',
    'translate',
    'rotation',
    'slide',
    'force',
    'feel',
    'handsoff',
    'cars',
    'base',
    'road',
    'buttons',
    'gain',
  ];
  expect([...commands].sort()).toEqual(
    [
      ...compared,
      'measure',
      'clipping',
      'history',
      'compare',
      'blind',
      'find',
      'notice',
      'advise',
      'steering',
      'wean',
      'centre',
    ].sort(),
  );
});
