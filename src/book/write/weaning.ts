'use server';

import { responseParameterOf } from '@/core/response/menuSchema';
import { weaningPlan } from '@/core/response/weaning';
import { fieldValues } from '@/core/settings/trail';
import { keepWeaning } from '@/data/plans';
import { readBook } from '../read/readBook';
import { commandHere } from './command';
import { applyInTransaction } from './applyChanges';
import { DONE, refused, type Reply } from './reply';

const problem = (code: string, message: string, remedy: string) =>
  refused({ code, message, place: {}, remedy });

/** Begins the way back to a linear throttle, from the curve as it is. */
export async function beginWeaning(): Promise<Reply> {
  return commandHere(async (here) => {
    const view = await readBook(here);
    const field = view.menus.title.throttle?.dialect.fields.find(
      ({ maps }) => responseParameterOf(maps) === 'curve',
    );
    const plan = field && weaningPlan(field, fieldValues(view.settings, 'title', 'throttle'), Date.now());
    if (!plan)
      return problem('is-linear', 'The throttle is linear already.', 'There is nothing to wean from.');
    await keepWeaning(here.book, view.combination, {
      ...plan,
      smoothnessAtStep: view.weaning.smoothness,
    });
    return DONE;
  });
}

/** Takes the step that the plan and the measured foot allow. */
export async function takeWeaningStep(): Promise<Reply> {
  return commandHere(async (here) => {
    const view = await readBook(here);
    const { weaning } = view;
    if (!weaning.plan || weaning.state?.kind !== 'go')
      return problem('not-yet', 'The next step is not due yet.', 'Ride a few laps, or wait for its day.');
    const { plan, state, smoothness } = weaning;
    const reply = await applyInTransaction(here, [
      {
        layer: 'title',
        axis: 'throttle',
        field: plan.field,
        to: state.step.value,
        why: 'A step of the way back to a linear throttle.',
        forEveryone: false,
        thisTitleOnly: false,
      },
    ]);
    if (!reply.ok) return reply;
    await keepWeaning(here.book, view.combination, { ...plan, smoothnessAtStep: smoothness });
    return DONE;
  });
}

/** Ends the plan; the curve stays as it is. */
export async function endWeaning(): Promise<Reply> {
  return commandHere(async ({ book, combination }) => {
    await keepWeaning(book, combination, null);
    return DONE;
  });
}
