import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { keyText } from '../settings/setting';
import { calmReport } from './calmReport';
import { chainOf, damperAtFull, type ChainFacts } from './chainOf';
import {
  adviceInOrder,
  calmAdvice,
  deadAdvice,
  doubledAdvice,
  gainAdvice,
  isCalm,
  minForceAdvice,
  type CalmReport,
} from './forceAdvice';
import { forceRecorder } from './forceInputs';
import { forceRow } from '../testing/forceRow';
import { judgeForce } from './judgeForce';

function factsOf(rig: string, values: Record<string, number> = {}, title = 'causeway'): ChainFacts {
  const { spec } = simulatedRigById(rig);
  const car = carById(title === 'causeway' ? 'marl-850' : 'spindrift-h4');
  const { forceHz } = titleById(title);
  const menus = menusFor(spec, titleById(title), car);
  return { car, rig: spec, rateHz: forceHz, menus, values, rotationDeg: null };
}

/** A minute of corners at 0.8 of full scale, with a hit of 0.4 more every ten seconds. */
function inputs(rateHz: number, fullScaleNm: number, ratio: number) {
  const recorder = forceRecorder(rateHz);
  for (let i = 0; i < 60 * rateHz; i++) {
    const t = i / rateHz;
    const corner = 0.8 * Math.max(0, Math.sin(t)) + (t % 10 < 0.02 ? 0.4 : 0);
    recorder.push(
      forceRow({
        t,
        distanceM: 30 * (t % 20),
        lap: Math.floor(t / 20),
        speedMps: 30,
        lateralMps2: 10 * corner,
        hand: corner,
        momentMechanical: -corner * fullScaleNm * ratio,
      }),
    );
  }
  return recorder.finish();
}
const QUIET = {
  'title/steering/roadEffect': 0,
  'title/steering/kerbEffect': 0,
  'title/steering/offtrackEffect': 0,
};
const judged = (facts: ChainFacts) => {
  const chain = chainOf(facts);
  const { fullScaleNm, steeringRatio } = facts.car;
  return { chain, judged: judgeForce(inputs(facts.rateHz, fullScaleNm, steeringRatio), chain, 1) };
};

describe('gain', () => {
  it('is proposed on the car where it has one, in its own steps, and each school keeps its word', () => {
    const facts = factsOf('tern', QUIET);
    const { chain, judged: of } = judged(facts);
    const none = gainAdvice(facts, chain, of, 'none')!;
    // The hardest hit lies at 0.8·sin 20 + 0.4 = 1.13: every peak is kept below 100/1.13.
    expect(none).toMatchObject({
      key: { layer: 'car', field: 'gain' },
      label: 'Car heft',
      from: 100,
      to: 85,
    });
    expect(none.evidence).toMatch(/85 keeps every peak: 0 % clipped; one step more clips/);
    const trade = gainAdvice(facts, chain, of, 'trade')!;
    expect(trade.to).toBeGreaterThan(100);
    expect(trade.evidence).toMatch(/gives away only the biggest hits/);
  });

  it('is proposed in the title where no car has one, and not at all where it stands right', () => {
    const facts = factsOf('tern', {}, 'hill-and-hollow');
    const { chain, judged: of } = judged(facts);
    const advice = gainAdvice(facts, chain, of, 'none')!;
    expect(advice.key).toMatchObject({ layer: 'title', field: 'gain' });
    const right = factsOf('tern', { 'title/steering/gain': advice.to }, 'hill-and-hollow');
    const again = judged(right);
    expect(gainAdvice(right, again.chain, again.judged, 'none')).toBeNull();
  });
});

it('clipped pieces, weight and loss are read off the ride', () => {
  const { judged: of } = judged(factsOf('wren', { ...QUIET, 'title/steering/gain': 75 }));
  const { judgement } = of;
  expect(judgement.clipShare).toBeGreaterThan(0.15);
  expect(judgement.trace.kind.filter((kind) => kind === 'sustained').length).toBeGreaterThan(5);
  expect(judgement.headroomDb!).toBeLessThan(0);
  expect(judgement.cornerNm).toBeGreaterThan(1.5);
  expect(judgement.cornerNm).toBeLessThanOrEqual(2.2);
  // Nothing is asked for on the straights; what is lost lies at the edges of the corners.
  expect(judgement.lostShare).toBeGreaterThan(0.01);
  expect(judgement.lostShare).toBeLessThan(0.1);
});

const calmOf = (facts: ChainFacts) => {
  const chain = chainOf(facts);
  return { chain, calm: calmReport(chain, 0.0025, damperAtFull(chain.hardware)) };
};

it('gears get the minimum force that friction asks for, never more than stays still', () => {
  const facts = factsOf('wren');
  const { chain, calm } = calmOf(facts);
  const advice = minForceAdvice(facts, chain, 0.002, calm)!;
  expect(advice).toMatchObject({ label: 'Stir', from: 0 });
  expect(advice.to / 400).toBeLessThanOrEqual(calm.stillMinForce!);
  expect(advice.to / 400).toBeGreaterThan(0.08);
  const kept = { ...facts, values: { 'title/steering/minForce': advice.to } };
  expect(minForceAdvice(kept, chainOf(kept), 0.002, calm)).toBeNull();
});

it.each<[string, Record<string, number>, string]>([
  ['tern', { 'base/steering/strength': 80 }, 'Slow hand'],
  ['gannet', { 'base/steering/strength': 100, 'base/steering/damper': 0 }, 'Oil'],
  // Its base has no damper of its own.
  ['wren', {}, 'Calming'],
  // Here no damper that there is would do, and less strength does.
  ['tern', { 'title/steering/gain': 66, 'base/steering/damper': 100 }, 'Power'],
])('a rim that saws is calm with the one change that is proposed: %s %j', (rig, values, label) => {
  const facts = factsOf(rig, values);
  const { calm } = calmOf(facts);
  expect(isCalm(calm)).toBe(false);
  const advice = calmAdvice(facts, calm)!;
  expect(advice.label).toBe(label);
  expect(advice.evidence).toMatch(
    /^Let go (5|15)° off centre at speed it (saws|rings).*it comes to rest from every release/,
  );
  expect(isCalm(calmOf(factsOf(rig, { ...values, [keyText(advice.key)]: advice.to })).calm)).toBe(true);
});

it('a rim that is calm needs nothing', () => {
  const facts = factsOf('tern', { 'base/steering/strength': 60, 'base/steering/damper': 100 });
  const { calm } = calmOf(facts);
  expect(isCalm(calm)).toBe(true);
  expect(calmAdvice(facts, calm)).toBeNull();
});

it('a dead damper is taken away where nothing needs it, and let through where the rim does', () => {
  const facts = factsOf('tern', { 'title/steering/titleDamper': 30 });
  expect(deadAdvice(facts, true)).toMatchObject([{ label: 'Calming', from: 30, to: 0 }]);
  expect(deadAdvice(facts, false)).toMatchObject([{ label: 'Damping let through', from: 0, to: 100 }]);
  expect(deadAdvice(factsOf('tern'), false)).toEqual([]);
  const twice = factsOf('gannet', { 'title/steering/titleDamper': 30 });
  expect(doubledAdvice(twice)).toMatchObject([
    { label: 'Calming', from: 30, to: 0, evidence: expect.stringMatching(/do the same twice/) as string },
  ]);
  // What is held shut does nothing, and so nothing twice.
  expect(
    doubledAdvice(factsOf('tern', { 'title/steering/titleDamper': 30, 'base/steering/damper': 50 })),
  ).toEqual([]);
});

describe('what is advised, in order', () => {
  const one = (field: string, to: number) => ({
    key: { layer: 'title', axis: 'steering', field } as const,
    label: field,
    from: 50,
    to,
    evidence: '',
  });
  const calmWith = (verdict: 'settles' | 'sticks' | 'rings' | 'saws') =>
    ({ roll: { verdict: 'settles' }, fast: { verdict } }) as unknown as CalmReport;
  const asked = (verdict: 'settles' | 'sticks' | 'rings' | 'saws', gain: number) => ({
    stability: { calm: calmWith(verdict), advice: [one('titleDamper', 60), one('minForce', 60)] },
    ride: { gain: one('gain', gain), weight: null },
    smooth: { advice: [one('smoothing', 60)] },
  });
  const fields = (of: Parameters<typeof adviceInOrder>[0]) => adviceInOrder(of).map(({ key }) => key.field);

  it('a rim that is still gets all of it, stability first', () => {
    for (const verdict of ['settles', 'sticks'] as const)
      expect(fields(asked(verdict, 60))).toEqual(['titleDamper', 'minForce', 'gain', 'smoothing']);
  });

  it('one that moves by itself, or of which nothing is known yet, gets no more force', () => {
    for (const verdict of ['rings', 'saws'] as const)
      expect(fields(asked(verdict, 60))).toEqual(['titleDamper', 'smoothing']);
    expect(fields({ ...asked('settles', 60), stability: null })).toEqual(['smoothing']);
    // Less of it is never withheld.
    expect(fields(asked('saws', 40))).toEqual(['titleDamper', 'gain', 'smoothing']);
  });
});
