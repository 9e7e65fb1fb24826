'use client';

import { responseParameterOf, gridValue } from '@/core/response/menuSchema';
import { weaningPlan, WEANING_STEPS, type WeaningPlan } from '@/core/response/weaning';
import { fieldValues } from '@/core/settings/trail';
import { valueOf } from '@/core/response/settings';
import { Button } from '@/ui/Button';
import type { BookView } from '@/book/model/bookView';
import { NextStep } from '@/ui/StationPage';
import type { DraftSettings } from '@/parts/useDraftSettings';
import { date } from '@/words/format';
import { percent } from '@/core/text/percent';
import { notifyReply } from '@/parts/notifyReply';
import { beginWeaning, endWeaning, takeWeaningStep } from '@/book/write/weaning';

/** A curve that leaves the first half of the way to a quarter of the power. */
const CALM_GAMMA = 2;
const STRONG_KW_PER_TONNE = 150;

/** A powerful car is tamed by a calm throttle, and the driver is weaned from it as the foot gets smoother. */
export function WeaningGuide({ view, draft }: { view: BookView; draft: DraftSettings }) {
  const field = view.menus.title.throttle?.dialect.fields.find(
    ({ maps }) => responseParameterOf(maps) === 'curve',
  );
  if (!field) return null;
  const now = valueOf(field, fieldValues(view.settings, 'title', 'throttle'));
  const { car } = view;
  if (view.weaning?.plan) return <Plan view={view} plan={view.weaning.plan} label={field.label} />;
  if (now !== field.neutral && weaningPlan(field, { [field.key]: now }, 0))
    return (
      <NextStep
        title="The way back to linear"
        actions={
          <Button onClick={() => void beginWeaning().then((reply) => notifyReply(reply, 'The plan begins'))}>
            Begin the plan
          </Button>
        }
      >
        From {field.label.toLowerCase()} {now} to {field.neutral} in {WEANING_STEPS} steps at most, one a week
        at the earliest, and each only when your foot is no rougher than before it.
      </NextStep>
    );
  if ((1000 * car.powerKw) / car.massKg < STRONG_KW_PER_TONNE) return null;
  const to = field.maps.kind === 'blend' ? field.neutral : gridValue(field, CALM_GAMMA);
  return (
    <NextStep
      title={`A calm throttle for the ${view.names.car}`}
      actions={
        <Button onClick={() => draft.attempt({ layer: 'title', axis: 'throttle', field: field.key }, to)}>
          Try {field.label.toLowerCase()} {to}
        </Button>
      }
    >
      {Math.round((1000 * car.powerKw) / car.massKg)} kW per tonne and no aids: with half the pedal at a
      quarter of the power the rear stays with you. A plan leads back to linear as you learn it.
    </NextStep>
  );
}

function Plan({ view, plan, label }: { view: BookView; plan: WeaningPlan; label: string }) {
  const { state, smoothness } = view.weaning!;
  const end = (
    <Button
      look="quiet"
      onClick={() => void endWeaning().then((reply) => notifyReply(reply, 'The plan is ended'))}
    >
      End the plan
    </Button>
  );
  const foot =
    smoothness === null
      ? ''
      : ` Your foot: ${smoothness.toFixed(2)} of the way per second (RMS)${plan.smoothnessAtStep === null ? '' : `, ${plan.smoothnessAtStep.toFixed(2)} when this step began`}.`;
  if (!state || state.kind === 'done')
    return (
      <NextStep title="Back at linear" actions={end}>
        The plan has come to its end.{foot}
      </NextStep>
    );
  const words = {
    go: 'Its day has come and your foot is ready.',
    wait: `Not before ${date(state.step.dueMs)}.`,
    ride: 'Its day has come: ride a few laps as it is, so that your foot can be measured.',
    rougher: `Its day has come, but your foot is ${percent(state.kind === 'rougher' ? state.by : 0)} rougher than when this step began: stay a little.`,
  }[state.kind];
  return (
    <NextStep
      title={`Next on the way to linear: ${label.toLowerCase()} ${state.step.value}`}
      actions={
        <>
          {state.kind === 'go' && (
            <Button
              look="next"
              onClick={() =>
                void takeWeaningStep().then((reply) => notifyReply(reply, 'One step nearer to linear'))
              }
            >
              Take the step
            </Button>
          )}
          {end}
        </>
      }
    >
      {words}
      {foot}
    </NextStep>
  );
}
