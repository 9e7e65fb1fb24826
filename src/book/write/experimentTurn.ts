import 'server-only';
import { nextStep } from '@/core/experiment/questions';
import type { Step } from '@/core/experiment/questions/question';
import type { SettingValues } from '@/core/settings/setting';
import { effectiveSettings, valuesOf } from '@/core/settings/trail';
import { idSchema } from '@/core/text/line';
import { endExperiment, experimentOf, type ExperimentRow } from '@/data/experiments';
import type { RequestContext } from '../read/requestContext';
import { openSettings } from './applyChanges';
import { commandHere } from './command';
import { IS_OVER, NO_SUCH_QUESTION } from './experimentProblems';
import { parseInput } from './parseInput';
import { DONE, refused, type Reply } from './reply';

/** What comes next of a question; of a blind test only here, where its orders are known. */
export const stepOf = ({ plan, sealed, trials, answers }: ExperimentRow): Step =>
  nextStep(plan.asked, { orders: sealed?.orders ?? plan.orders ?? [], trials, answers });

/** Does something with a question of the asking browser's combination. */
export async function withExperiment(
  asked: string,
  work: (here: RequestContext, row: ExperimentRow) => Promise<Reply>,
): Promise<Reply> {
  const id = parseInput(idSchema, asked);
  if (!id.ok) return refused(...id.problems);
  return commandHere(async (here) => {
    const row = await experimentOf(here.book, here.combination, id.value);
    return row ? work(here, row) : refused(NO_SUCH_QUESTION);
  });
}

/** The same of a question that is under way. */
export const onTurn = (
  id: string,
  work: (here: RequestContext, row: ExperimentRow) => Promise<Reply>,
): Promise<Reply> =>
  withExperiment(id, async (here, row) => (row.state === 'open' ? work(here, row) : refused(IS_OVER)));

/** Ends a question whose last ride or answer was booked just now. */
export async function overIfDone(here: RequestContext, id: string): Promise<Reply> {
  const row = (await experimentOf(here.book, here.combination, id))!;
  if (stepOf(row).kind === 'over') await endExperiment(here.book, row, 'over');
  return DONE;
}

export async function settingsNow(here: RequestContext): Promise<SettingValues> {
  const { events } = await openSettings(here);
  return valuesOf(effectiveSettings(events, here.combination));
}
