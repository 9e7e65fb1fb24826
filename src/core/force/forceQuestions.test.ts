import fc from 'fast-check';
import { CAUSES } from '../feel/causes';
import { COMPLAINTS } from '../feel/complaints';
import { USUAL_SCHOOLS } from '../settings/schools';
import { keyText } from '../settings/setting';
import { SMALL_CAR, SMALL_PLAN } from '../testing/smallWorld';
import { canonicalFacts } from './canonicalFacts';
import { chainOf, type ChainFacts, type KnownForce } from './chainOf';
import { driveForForce, forceQuestions, judgeLogged, type ForceQuestions } from './forceQuestions';
import { EFFECTS } from './effects';
import { BAND_HZ, plainBase, PLAIN_TITLE } from './forceSettings';
import { withForce, rideForce } from './rideForce';
import { forceRecorder } from './forceInputs';
import { feltCar } from './feltCar';
import { heardForce } from './sound';
import { completeRide } from '../vehicle/simulateRide';
import { tries } from '../testing/longRun';

const FORCE: KnownForce = {
  title: { ...PLAIN_TITLE, rateHz: 100 },
  base: plainBase(6),
  hardware: {
    ratedNm: 6,
    frictionNm: 0.15,
    delayS: 0.006,
    inertiaKgM2: 0.012,
    viscousNms: 0.005,
    topRadps: null,
    rotationDeg: 720,
  },
};
const facts = canonicalFacts(FORCE, SMALL_CAR);
const set = (layer: 'title' | 'base', values: Record<string, number>): ChainFacts => ({
  ...facts,
  values: {
    ...facts.values,
    ...Object.fromEntries(
      Object.entries(values).map(([field, to]) => [keyText({ layer, axis: 'steering', field }), to]),
    ),
  },
});
const driven = driveForForce(SMALL_PLAN, FORCE.title.rateHz);
const fresh = () => forceQuestions(driven);

describe('a chain that is known by itself', () => {
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  const known: fc.Arbitrary<KnownForce> = fc.record({
    title: fc.record({
      rateHz: fc.integer({ min: 10, max: 1000 }),
      gain: fc.double({ min: 0.01, max: 20, noNaN: true }),
      minForce: share,
      trails: fc.record({ mechanical: share, pneumatic: share }),
      understeerCue: share,
      effects: fc.record(Object.fromEntries(EFFECTS.map((effect) => [effect, share]))) as fc.Arbitrary<
        KnownForce['title']['effects']
      >,
      damper: share,
      spring: share,
    }),
    base: fc.record({
      strength: share,
      torqueLimitNm: fc.double({ min: 0.5, max: 6, noNaN: true }),
      interpolation: fc.integer({ min: 1, max: 8 }),
      smoothHz: fc.option(fc.double({ min: 12, max: 159, noNaN: true })),
      bands: fc.array(fc.double({ min: 0.1, max: 10, noNaN: true }), {
        minLength: BAND_HZ.length,
        maxLength: BAND_HZ.length,
      }),
      damperChannel: share,
      springChannel: share,
      damperNms: share,
      speedDamping: share,
      frictionNm: share,
      inertiaKgM2: share,
      springNmPerRad: share,
      slewNmPerS: fc.constantFrom(null, 500),
      protects: fc.boolean(),
    }),
    hardware: fc.constant(FORCE.hardware),
  });

  it('is given back to the bit, and its canonical menus say the same within rounding', () => {
    fc.assert(
      fc.property(known, (force) => {
        const said = canonicalFacts(force, SMALL_CAR);
        expect(chainOf(said)).toEqual({ ...force, car: feltCar(SMALL_CAR, force.title.trails) });
        // A copy of the values is read through the menus.
        const read = chainOf({ ...said, values: { ...said.values } });
        expect(read.title.gain).toBeCloseTo(force.title.gain, 9);
        expect(read.base.damperNms).toBeCloseTo(force.base.damperNms, 9);
        expect(read.base.smoothHz ?? 0).toBeCloseTo(force.base.smoothHz ?? 0, 6);
        expect(read.base.inertiaKgM2).toBeCloseTo(force.base.inertiaKgM2, 9);
        expect(read.base.slewNmPerS).toBe(force.base.slewNmPerS);
        expect(read.hardware).toEqual(force.hardware);
      }),
    );
  });
});

describe('questions over one ride', () => {
  type Question = (questions: ForceQuestions, of: ChainFacts) => unknown;
  const QUESTIONS: Question[] = [
    (questions, of) => questions.judge(of, USUAL_SCHOOLS),
    (questions, of) => questions.calm(of, USUAL_SCHOOLS).advice,
    (questions, of) => questions.feel('weak', of, USUAL_SCHOOLS, []),
    (questions, of) => questions.partsOf(of).centre(),
  ];
  const SETTINGS = [
    facts,
    set('title', { gain: 1.6 }),
    set('base', { strength: 0.6 }),
    set('base', { damper: 0.3 }),
  ];

  it('are answered alike whatever was asked before: nothing kept from one setting is given for another', () => {
    const alone = QUESTIONS.map((ask) => SETTINGS.map((of) => JSON.stringify(ask(fresh(), of))));
    const asked = fc.array(
      fc.record({ question: fc.nat(QUESTIONS.length - 1), of: fc.nat(SETTINGS.length - 1) }),
      { minLength: 2, maxLength: 7 },
    );
    fc.assert(
      fc.property(asked, (order) => {
        const questions = fresh();
        for (const { question, of } of order)
          expect(JSON.stringify(QUESTIONS[question]!(questions, SETTINGS[of]!))).toBe(alone[question]![of]);
      }),
      { numRuns: tries(3, 8) },
    );
  });

  it('know what clips: full gain clips, half of it less, and the gain that is advised does not clip much', () => {
    const questions = fresh();
    const clipped = (gain: number) =>
      questions.judge(set('title', { gain }), USUAL_SCHOOLS).judgement.clipShare;
    expect(clipped(6)).toBeGreaterThan(0.05);
    expect(clipped(3)).toBeLessThan(clipped(6));
    const { gain } = questions.judge(set('title', { gain: 6 }), USUAL_SCHOOLS);
    expect(gain).toMatchObject({ key: { field: 'gain', layer: 'title' } });
    expect(clipped(Number(gain!.to))).toBeLessThan(0.02);
  });

  it('know that smoothing costs detail and takes roughness away', () => {
    const questions = fresh();
    const rough = questions.smooth(facts, USUAL_SCHOOLS);
    const soft = questions.smooth(set('base', { smoothing: 0.8 }), USUAL_SCHOOLS);
    expect(soft.smooth.roughness).toBeLessThan(rough.smooth.roughness);
    expect(soft.smooth.detail!).toBeLessThan(rough.smooth.detail!);
    // What is possible is the same, whatever is set of it now.
    expect(soft.points).toEqual(rough.points);
  });

  it('compare another car with the open one, which leads', () => {
    const heavy = { ...SMALL_CAR, id: 'heavy', fullScaleNm: 8 };
    const side = { facts: { ...facts, car: heavy }, plan: { ...SMALL_PLAN, car: heavy } };
    const rows = fresh().cars(facts, [side], 'peak');
    expect(rows).toHaveLength(2);
    expect(fresh().cars(facts, [side], 'peak')).toEqual(rows);
  });

  it('answer every complaint, and refuse one that nobody has', () => {
    const questions = fresh();
    for (const { id, causes } of COMPLAINTS) {
      const { causes: found, next } = questions.feel(id, facts, USUAL_SCHOOLS, []);
      expect(next.measure.length).toBeGreaterThan(10);
      expect(found.length).toBeLessThanOrEqual(causes.length);
      for (const { evidence, says } of found) {
        expect(evidence).toBeGreaterThanOrEqual(0);
        expect(evidence).toBeLessThanOrEqual(1);
        expect(says).not.toMatch(/NaN|undefined/);
      }
    }
    expect(() => questions.feel('haunted', facts, USUAL_SCHOOLS, [])).toThrow('no complaint haunted');
  });

  it('answer from a log how the signal fills its scale, also of a car whose full scale nobody gave', () => {
    const recorder = forceRecorder(FORCE.title.rateHz);
    const bare = completeRide(SMALL_PLAN, recorder);
    const inputs = recorder.finish();
    const quiet = set('title', { gain: 0.1 });
    const log = withForce(bare, inputs, rideForce(inputs, chainOf(quiet), SMALL_PLAN.seed));
    const logs = new Map([[SMALL_CAR.id, { log, settings: quiet.values }]]);
    const says = (of: ChainFacts, ...more: [typeof logs] | []) =>
      fresh()
        .feel('weak', of, USUAL_SCHOOLS, [], ...more)
        .causes.find(({ name }) => name === CAUSES.gainUnused.name)!;
    const assumed = { ...quiet, car: { ...SMALL_CAR, scaleIsAssumed: true } };
    expect(says(assumed)).toMatchObject({ verdict: 'ruled out', isLogged: false, says: /taken as usual/ });
    expect(says(assumed, logs)).toMatchObject({ verdict: 'likely', isLogged: true, says: /^All but/ });
    // The log of a gain is judged at another one as if it had been driven with that.
    const [logged, simulated] = [says({ ...facts }, logs), says(facts)];
    expect(logged.amount).toBeCloseTo(simulated.amount, 0);
    expect(says(assumed, logs).amount - logged.amount).toBeCloseTo(20, 3);
  });

  it('judge a logged ride at another gain; one without force says nothing', () => {
    const recorder = forceRecorder(FORCE.title.rateHz);
    const log = completeRide(SMALL_PLAN, recorder);
    const inputs = recorder.finish();
    const forced = withForce(log, inputs, rideForce(inputs, chainOf(facts), SMALL_PLAN.seed));
    const at = (gain: number) => judgeLogged(forced, facts.values, set('title', { gain }), USUAL_SCHOOLS)!;
    expect(at(4).judgement.clipShare).toBeGreaterThan(at(1).judgement.clipShare);
    expect(judgeLogged(log, facts.values, facts, USUAL_SCHOOLS)).toBeNull();
    // Of a full scale that nobody gave a simulated ride tells no gain; a log does.
    const car = { ...facts.car, scaleIsAssumed: true };
    const quiet = { ...set('title', { gain: 1 }), car };
    const told = (isSimulated: boolean) =>
      judgeLogged(forced, facts.values, quiet, USUAL_SCHOOLS, isSimulated)!;
    expect(told(true).gain).toBeNull();
    expect(told(false).gain).not.toBeNull();
  });

  it('are heard: one setting over the lap, two in turn', () => {
    const questions = fresh();
    const one = heardForce(questions.partsOf(facts), null);
    const two = heardForce(questions.partsOf(facts), questions.partsOf(set('base', { smoothing: 0.8 })));
    expect([one.isPair, two.isPair]).toEqual([false, true]);
    expect(two.sound.length).toBeGreaterThan(one.sound.length);
    expect(two.sound.every((value) => Math.abs(value) <= 0.5)).toBe(true);
  });
});
