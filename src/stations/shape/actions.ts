'use server';

import { responseParameterOf } from '@/core/response/dialect';
import { weaningPlan } from '@/core/response/weaning';
import { fieldValues } from '@/core/settings/trail';
import { database } from '@/data/book';
import { keepWeaning } from '@/data/plans';
import { bookChanged } from '../bookChanged';
import { bookView } from '../bookView';
import { applyChange } from '../frame/actions';
import { DONE, refused, type Reply } from '../reply';

const problem = (code: string, message: string, remedy: string) =>
  refused({ code, message, place: {}, remedy });

/** Begins the way back to a linear throttle, from the curve as it is. */
export async function beginWeaning(): Promise<Reply> {
  const view = await bookView();
  const field = view?.menus.title.throttle?.dialect.fields.find(
    ({ maps }) => responseParameterOf(maps) === 'curve',
  );
  const plan =
    view && field && weaningPlan(field, fieldValues(view.settings, 'title', 'throttle'), Date.now());
  if (!view || !plan)
    return problem('is-linear', 'The throttle is linear already.', 'There is nothing to wean from.');
  await keepWeaning(await database(), view.combination, {
    ...plan,
    smoothnessAtStep: view.weaning?.smoothness ?? null,
  });
  bookChanged();
  return DONE;
}

/** Takes the step that the plan and the measured foot allow. */
export async function takeWeaningStep(): Promise<Reply> {
  const view = await bookView();
  const weaning = view?.weaning;
  if (!view || !weaning?.plan || weaning.state?.kind !== 'go')
    return problem('not-yet', 'The next step is not due yet.', 'Ride a few laps, or wait for its day.');
  const { plan, state, smoothness } = weaning;
  const reply = await applyChange({
    axis: 'throttle',
    field: plan.field,
    to: state.step.value,
    why: 'A step of the way back to a linear throttle.',
  });
  if (!reply.ok) return reply;
  await keepWeaning(await database(), view.combination, { ...plan, smoothnessAtStep: smoothness });
  bookChanged();
  return DONE;
}

/** Ends the plan; the curve stays as it is. */
export async function endWeaning(): Promise<Reply> {
  const view = await bookView();
  if (view) await keepWeaning(await database(), view.combination, null);
  bookChanged();
  return DONE;
}
