import { Term } from '@/ui/Term';
import type { ForceReport } from '@/core/force/forceReport';
import type { BookView } from '@/book/model/bookView';
import { Facts } from '@/ui/StationPage';
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
  if (panel === 'cars' || panel === 'listen' || panel === 'feels') return null;
  if (panel === 'smooth') return <SmoothFigures force={force} />;
  if (panel === 'calm') {
    const calm = force.stability?.calm;
    if (!calm) return null;
    const within = (seconds: number | null) => (seconds === null ? '' : `, within ${seconds.toFixed(1)} s`);
    return (
      <Facts
        facts={[
          { value: calm.roll.verdict, meaning: `at a slow roll${within(calm.roll.settleS)}` },
          { value: calm.fast.verdict, meaning: `at 40 m/s${within(calm.fast.settleS)}` },
          {
            value: calm.least.damperNms === null ? 'none' : calm.least.damperNms.toFixed(3),
            meaning: 'N·m·s/rad: the least damper that settles both',
          },
        ]}
      />
    );
  }
  if (panel === 'balance') {
    const still = force.stability?.calm.stillMinForce ?? null;
    return (
      <Facts
        facts={[
          {
            value: percent(judgement.lostShare),
            meaning: (
              <Term
                word="lost in friction"
                meaning="Share of the driving in which the motor asks for less than its own friction: that force never reaches the rim."
              />
            ),
          },
          {
            value: still === null ? '–' : percent(still, 1),
            meaning: 'minimum force up to which the rim stays still by itself',
          },
          { value: percent(judgement.weakest, 1), meaning: 'of full scale: the weakest tenth of the signal' },
        ]}
      />
    );
  }
  const radius = (view.rig.spec.rim.diameterMm ?? 0) / 2000;
  return (
    <Facts
      facts={[
        { value: percent(judgement.clipShare, 1), meaning: 'of the ride is clipped' },
        { value: percent(judgement.sustainedShare, 1), meaning: 'of it held at the limit' },
        {
          value: judgement.headroomDb === null ? '–' : decibels(judgement.headroomDb),
          meaning: 'of headroom over all but the highest thousandth',
        },
        {
          value: `${judgement.cornerNm.toFixed(1)} N·m`,
          meaning:
            radius > 0
              ? `in corners: ${(judgement.cornerNm / radius).toFixed(0)} N at the rim`
              : 'in corners',
        },
        {
          value: `${judgement.carCornerNm.toFixed(1)} N·m`,
          meaning: 'is what the car’s own column asks there',
        },
      ]}
    />
  );
}

function SmoothFigures({ force }: { force: ForceState }) {
  if (!force.smooth) return null;
  const { smooth, centre } = force.smooth;
  return (
    <Facts
      facts={[
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
          value: `${plain(centre.gradientNmPerG, 1)} N·m`,
          meaning: (
            <Term
              word="per g on centre"
              meaning="How fast the weight builds up in a gentle weave at 28 m/s, without the jump that minimum force makes."
            />
          ),
        },
        {
          value: `${centre.deadBandG.toFixed(2)} g`,
          meaning: 'of 0.4 in which the motor asks for less than its friction',
        },
        {
          value: `${plain(centre.hysteresisByAngle, 2)} N·m`,
          meaning: `between the ways there and back over the hand’s angle; ${plain(centre.hysteresisByG, 2)} over the car’s answer`,
        },
      ]}
    />
  );
}
