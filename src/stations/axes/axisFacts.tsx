import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import { gateName, isSequentialLever, type ShifterAnalysis } from '@/core/axes/analyseShifter';
import type { SteeringAnalysis } from '@/core/axes/steeringAnalysis';
import { AXES, restingLimb, strokeOf, strokesOf, type WorkedBy } from '@/core/axes/axes';
import type { PedalAnalysis } from '@/core/axes/pedalAnalysis';
import type { Fact as MarkedFact } from '@/parts/Facts';
import { Term } from '@/ui/Term';
import { capital, degrees } from '@/words/format';
import { percent } from '@/core/text/percent';

type Fact = Omit<MarkedFact, 'basis'>;

/** The figures of a capture, number first. */
export function axisFacts(analysis: AxisAnalysis, by: WorkedBy = 'feet'): Fact[] {
  if (analysis.axis === 'steering') return steeringFacts(analysis);
  if (analysis.axis === 'gear') return shifterFacts(analysis);
  return pedalFacts(analysis, by);
}

/** Two numbers that belong together stay on one line. */
function OneLine({ children }: { children: React.ReactNode }) {
  return <span className="text-base whitespace-nowrap">{children}</span>;
}

/** Raw counts of a 16-bit axis are whole; a gamepad's run from −1 to 1. */
const rawCount = (value: number) => (Math.abs(value) < 10 ? value.toFixed(3) : value.toFixed(0));

const BITS = (
  <Term
    word="resolution"
    meaning="Resolution between the calibrated ends: log2 of the steps that the sensor can tell apart."
  />
);
const NOISE = (
  <Term
    word="noise (σ)"
    meaning="Standard deviation of the untouched axis, spikes taken out, as a share of the travel."
  />
);
const bits = (value: number | null) => (value === null ? 'smoothed' : `${value.toFixed(1)} bit`);
const ends = (a: { min: number; max: number }): Fact => ({
  value: <OneLine>{`${rawCount(a.min)} … ${rawCount(a.max)}`}</OneLine>,
  meaning: 'calibrated ends, raw',
});
const drift = (perMin: number | null, span: number): Fact => ({
  value: perMin === null ? 'none shown' : `${percent(perMin / span, 1)} / min`,
  meaning: 'drift at rest',
});

function pedalFacts(analysis: PedalAnalysis, by: WorkedBy): Fact[] {
  const span = analysis.max - analysis.min;
  const strokes = strokesOf(analysis.axis, by);
  const counted = analysis.presses.filter((p) => p.counted);
  const full = counted.filter((p) => p.peak >= 1).length;
  const takeup: Fact[] =
    analysis.takeupTravel === null
      ? []
      : [{ value: percent(analysis.takeupTravel, 1), meaning: 'of slack before resistance is felt' }];
  return [
    ...(analysis.coverTravel || AXES[analysis.axis].isRestedOn
      ? [
          {
            value: analysis.coverTravel ? percent(Math.max(0, analysis.coverTravel.median), 1) : '–',
            meaning: `under a ${restingLimb(analysis.axis, by)}`,
          },
        ]
      : []),
    ...takeup,
    { value: `${full} of ${counted.length}`, meaning: `${strokes} reach the stop` },
    {
      value:
        analysis.pressMean === null ? (
          '–'
        ) : (
          <OneLine>{`${analysis.pressMean.toFixed(3)}${analysis.pressSd === null ? '' : ` ± ${analysis.pressSd.toFixed(3)}`}`}</OneLine>
        ),
      meaning: (
        <Term
          word={`travel of your ${strokes}`}
          meaning={`Mean and standard deviation of the plateaus of your comfortable full ${strokes}; 1 is the calibrated stop.`}
        />
      ),
    },
    { value: percent(analysis.noise / span, 2), meaning: NOISE },
    { value: bits(analysis.bits), meaning: BITS },
    {
      value:
        analysis.reachNow === null ? (
          '–'
        ) : (
          <OneLine>{`${percent(analysis.reachNow)} → ${percent(analysis.reachAfter ?? 0)}`}</OneLine>
        ),
      meaning: `chance that a ${strokeOf(analysis.axis, by)} reaches 100 %, without and with the saturation found`,
    },
    ends(analysis),
    { value: percent(analysis.endReached), meaning: 'chance that a full sweep reaches the calibrated end' },
    { value: `${analysis.spikes}, ${analysis.dropouts}`, meaning: 'spikes, dropouts' },
    drift(analysis.driftPerMin, span),
  ];
}

const Z95 = 1.96;

function steeringFacts(analysis: SteeringAnalysis): Fact[] {
  const { rotationDeg, rotationSigmaDeg, centreOffsetDeg, returnHysteresisDeg, degPerStep } = analysis;
  const span = analysis.max - analysis.min;
  const perCount = rotationDeg === null ? null : rotationDeg / span;
  return [
    {
      value: rotationDeg === null ? '–' : `${degrees(rotationDeg)} ± ${degrees(Z95 * rotationSigmaDeg!)}`,
      meaning: (
        <Term
          word="rotation, 95 %"
          meaning="Lock to lock from the calibrated ends and the counts per degree of your holds; the interval carries the hand’s error of 1.5° per hold and the spread of the ends."
        />
      ),
    },
    {
      value: centreOffsetDeg === null ? '–' : degrees(centreOffsetDeg, 1),
      meaning: (
        <Term
          word="centre offset"
          meaning="Where the released wheel stands against the middle of the two locks; left positive."
        />
      ),
    },
    {
      value: returnHysteresisDeg === null ? '–' : degrees(returnHysteresisDeg, 1),
      meaning: (
        <Term
          word="return hysteresis"
          meaning="Resting place after a release from the left less that from the right: friction holds the wheel off its centre by half of it."
        />
      ),
    },
    { value: degPerStep === null ? '–' : degrees(degPerStep, 3), meaning: 'per step of the sensor' },
    {
      value: perCount === null ? percent(analysis.noise / span, 3) : degrees(analysis.noise * perCount, 3),
      meaning: NOISE,
    },
    { value: bits(analysis.bits), meaning: BITS },
    ends(analysis),
    { value: analysis.inverted ? 'lower' : 'higher', meaning: 'raw counts to the left' },
    { value: `${analysis.spikes}, ${analysis.dropouts}`, meaning: 'spikes, dropouts' },
    drift(analysis.driftPerMin, span),
  ];
}

function shifterFacts({ gates, centre }: ShifterAnalysis): Fact[] {
  const name = (gate: number) => gateName(gate, isSequentialLever(gates.map((one) => one.gate)));
  return [
    { value: String(centre), meaning: 'in neutral' },
    ...gates.map((gate) => ({
      value: gate.reading === null ? 'nothing' : String(gate.reading).replace('-', '−'),
      meaning: `${capital(name(gate.gate))}: ${gate.reads} read, ${gate.missed} missed, ${gate.doubles} double`,
    })),
  ];
}
