'use client';

import { changeAsked, proposalId, type Proposal } from '@/core/settings/proposal';
import { adviceInOrder } from '@/core/force/forceAdvice';
import { isDescribed } from '@/core/force/chainOf';
import { forceField } from '@/core/force/forceParameters';
import { decimalsOf } from '@/core/response/menuSchema';
import { keyText } from '@/core/settings/setting';
import type { ForceReport, LoggedReport } from '@/core/force/forceReport';
import type { BookView } from '@/book/model/bookView';
import { applyChanges } from '@/book/write/settings';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep } from '@/ui/StationPage';
import { AskAgain } from '@/parts/AskAgain';
import { decline } from '@/book/write/declined';
import { ProposalStep } from '@/parts/ProposalStep';
import { notifyReply } from '@/parts/notifyReply';
import { ApplyButton } from './ApplyButton';
import { heavierCaution } from '@/book/judge/force';
import { FullScaleStep } from './FullScaleStep';
import { SchoolStep } from './SchoolStep';
import type { ForceState } from './useForce';

/** What would help, numbered, and the driver’s schools. */
export function ForceAdviceSteps({
  force,
  report,
  logged,
  view,
}: {
  force: ForceState;
  /** Of the ride that is chosen. */
  report: ForceReport | null;
  /** What the ride that is chosen says by itself; `null` where it is the one that is simulated now. */
  logged: LoggedReport | null;
  view: BookView;
}) {
  const { stability, smooth } = force;
  const all = adviceInOrder({ ride: report, stability, smooth });
  const shown = all.filter((one) => !view.declined.includes(proposalId(one)));
  const least = forceField(view.menus, view.settings, 'title', 'minForce');
  // Of a base that nobody wrote down everything is taken as usual: to say what it is comes first.
  const isMeasured = view.rig.spec.base.measured.length > 0;
  return (
    <>
      {!isDescribed(view.rig.spec) && (
        <NextStep title="What base is it?" actions={<LinkButton href="/rig">Write it down</LinkButton>}>
          Its drive and its rated torque, from the maker’s page: until then all of this is of a usual base.
        </NextStep>
      )}
      {view.car.scaleIsAssumed && <FullScaleStep view={view} logged={logged} />}
      {shown.map((one) => (
        <AdviceStep
          key={proposalId(one)}
          one={one}
          view={view}
          isBusy={force.isBusy}
          onDecline={() => void decline(proposalId(one)).then((reply) => notifyReply(reply))}
        />
      ))}
      {force.isBusy && !force.fault && shown.length === 0 && (
        <p className="py-4 text-muted" role="status">
          Working out what would help…
        </p>
      )}
      {least && (
        <NextStep
          title={`${least.field.label}, found on the rig`}
          actions={<LinkButton href="/seat?do=minimum-force">From the seat</LinkButton>}
        >
          A slow roll, hands off: a few answers by paddle find the greatest value that stays still.
        </NextStep>
      )}
      {!isMeasured && (
        <NextStep
          title="The base, measured by hand"
          actions={<LinkButton href="/base">Measure it</LinkButton>}
        >
          Its friction and inertia are taken{' '}
          {isDescribed(view.rig.spec) ? 'as written down or usual' : 'as usual'}; a few spins tell. Nothing is
          sent to the wheel.
        </NextStep>
      )}
      <AskAgain declined={view.declined} />
      <SchoolStep schools={view.schools} />
    </>
  );
}

function AdviceStep({
  one,
  view,
  isBusy,
  onDecline,
}: {
  one: Proposal;
  view: BookView;
  isBusy: boolean;
  onDecline(): void;
}) {
  const field = view.menus[one.key.layer].steering!.dialect.fields.find(({ key }) => key === one.key.field)!;
  const written = (value: number) => value.toFixed(decimalsOf(field));
  const caution = heavierCaution(view, { ...view.settings, [keyText(one.key)]: one.to });
  const apply = async () =>
    notifyReply(
      await applyChanges([changeAsked(one, view.settings)]),
      `${one.label} ${written(one.from)} → ${written(one.to)} is on the trail`,
    );
  return (
    <ProposalStep
      proposal={one}
      view={view}
      written={written}
      onDecline={onDecline}
      apply={(name) => (
        <ApplyButton caution={caution} name={name} isBusy={isBusy} onApply={() => void apply()}>
          Apply
        </ApplyButton>
      )}
    />
  );
}
