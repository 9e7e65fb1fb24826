import { chainOf } from '@/core/force/chainOf';
import { CATCHES_S, halfTurn } from '@/core/force/halfTurn';
import { FAST_MPS } from '@/core/force/handsOff';
import { WEAVE_MPS } from '@/core/force/onCentre';
import { speedText, type SpeedUnit } from '@/core/text/speedUnit';
import { Term } from '@/ui/Term';
import type { ForceReport } from '@/core/force/forceReport';
import type { BookView } from '@/book/model/bookView';
import { basisOf } from '@/book/judge/basis';
import type { Basis } from '@/core/rig/evidence';
import { Facts, restOn } from '@/parts/Facts';
import { decibels, plain } from '@/words/format';
import { percent } from '@/core/text/percent';
import type { Panel } from '@/words/forcePanels';
import type { ForceState } from './useForce';

/** The figures of a part of the force. */
export function ForceFigures({
  panel,
  force,
  report,
  view,
}: {
  panel: Panel;
  force: ForceState;
  /** Of the ride that is chosen. */
  report: ForceReport;
  view: BookView;
}) {
  const { judgement } = report;
  const basis = basisOf(view);
  if (panel === 'cars' || panel === 'listen' || panel === 'feels') return null;
  if (panel === 'smooth') return <SmoothFigures force={force} basis={basis.smooth} unit={view.speedUnit} />;
  if (panel === 'calm') {
    const calm = force.stability?.calm;
    if (!calm) return null;
    const within = (seconds: number | null) => (seconds === null ? '' : `, within ${seconds.toFixed(1)} s`);
    return (
      <Facts
        facts={restOn(basis.calm, [
          { value: calm.roll.verdict, meaning: `hands off at a slow roll${within(calm.roll.settleS)}` },
          {
            value: calm.fast.verdict,
            meaning: `hands off at ${speedText(FAST_MPS, view.speedUnit)}${within(calm.fast.settleS)}`,
          },
          {
            value: calm.least.damperNms === null ? 'none' : calm.least.damperNms.toFixed(3),
            meaning: 'N·m·s/rad: the least damper that settles both',
          },
          halfTurnFact(force),
        ])}
      />
    );
  }
  if (panel === 'balance') {
    const still = force.stability?.calm.stillMinForce ?? null;
    return (
      <Facts
        facts={[
          {
            basis: basis.lost,
            value: percent(judgement.lostShare),
            meaning: (
              <Term
                word="lost in friction"
                meaning="Share of the driving in which the motor asks for less than its own friction: that force never reaches the rim."
              />
            ),
          },
          {
            basis: basis.calm,
            value: still === null ? '–' : percent(still, 1),
            meaning: 'minimum force up to which the rim stays still by itself',
          },
          {
            basis: basis.signal,
            value: percent(judgement.weakest, 1),
            meaning: 'of full scale: the weakest tenth of the signal',
          },
        ]}
      />
    );
  }
  const radius = (view.rig.spec.rim.diameterMm ?? 0) / 2000;
  return (
    <Facts
      facts={[
        ...restOn(basis.signal, [
          { value: percent(judgement.clipShare, 1), meaning: 'of the ride is clipped' },
          { value: percent(judgement.sustainedShare, 1), meaning: 'of it held at the limit' },
          {
            value: judgement.headroomDb === null ? '–' : decibels(judgement.headroomDb),
            meaning: 'of headroom over all but the highest thousandth',
          },
        ]),
        {
          basis: basis.torque,
          value: `${judgement.cornerNm.toFixed(1)} N·m`,
          meaning:
            radius > 0
              ? `in corners: ${(judgement.cornerNm / radius).toFixed(0)} N at the rim`
              : 'in corners',
        },
        {
          basis: basis.signal,
          value: `${judgement.carCornerNm.toFixed(1)} N·m`,
          meaning: 'is what the car’s own column asks there',
        },
      ]}
    />
  );
}

/** Whether the rim can follow a slide by itself, beside the damper that calms it: some bases have room for both. */
function halfTurnFact(force: ForceState) {
  const { nowS, unguardedS } = halfTurn(chainOf(force.facts));
  const text = (seconds: number | null) => (seconds === null ? 'over 1 s' : `${seconds.toFixed(2)} s`);
  const price =
    nowS === unguardedS
      ? ''
      : ` Without the base’s hands-off guard: ${text(unguardedS)}; the guard fades just when a slide asks for speed.`;
  return {
    value: text(nowS),
    meaning: (
      <Term
        word="half a turn by itself"
        meaning={`How soon a let-go rim turns 180° at two thirds of full force. Under ${CATCHES_S[0].toFixed(2)} s it catches nearly every slide by itself, over ${CATCHES_S[1].toFixed(2)} s hardly one.${price}`}
      />
    ),
  };
}

function SmoothFigures({ force, basis, unit }: { force: ForceState; basis: Basis; unit: SpeedUnit }) {
  if (!force.smooth) return null;
  const { smooth, centre } = force.smooth;
  return (
    <Facts
      facts={restOn(basis, [
        {
          value: smooth.detail === null ? '–' : percent(smooth.detail),
          meaning: (
            <Term
              word="of the detail reaches the rim"
              meaning="Between 8 and 60 Hz, what agrees with the title’s own signal. What the base adds by itself is no detail and does not count."
            />
          ),
        },
        {
          value: smooth.roughness.toFixed(1),
          meaning: 'times as rough as the title means it, kerbs and bumps apart',
        },
        {
          value: smooth.shakesNm === null ? '–' : `${smooth.shakesNm.toPrecision(2)} N·m`,
          meaning: (
            <Term
              word="shakes the stand"
              meaning="The torque between 20 and 200 Hz, as RMS: what a desk, a floor and the next room get of it. How loud that is hangs on what it stands on."
            />
          ),
        },
        {
          value: `${plain(centre.gradientNmPerG, 1)} N·m`,
          meaning: (
            <Term
              word="per g on centre"
              meaning={`How fast the weight builds up in a gentle weave at ${speedText(WEAVE_MPS, unit)}, without the jump that minimum force makes.`}
            />
          ),
        },
        {
          value: `${centre.deadBandG.toFixed(2)} g`,
          meaning: 'of 0.4 in which the motor asks for less than its friction',
        },
        {
          value: `${plain(centre.hysteresisByG, 2)} N·m`,
          meaning: (
            <Term
              word="hysteresis on centre"
              meaning={`Height of the loop at 0 g: the torque on the way there less that on the way back. Friction makes it higher, a filter that lags makes it lower and the centre no better: over the hand’s angle it is ${plain(centre.hysteresisByAngle, 2)} N·m, below zero where the torque comes later than the hand.`}
            />
          ),
        },
      ])}
    />
  );
}
