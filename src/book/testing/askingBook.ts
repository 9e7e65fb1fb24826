import type { ExperimentPlan } from '@/core/experiment/questions';
import { plainRig } from '@/core/rig/rigSpec';
import { openExperiment } from '@/data/experiments';
import { addRig } from '@/data/rigs';
import { contextIn } from '../read/requestContext';
import { bookView } from '../read/readBook';
import { readExperiment } from '../read/readExperiments';
import { askQuestion, endEarly } from '../write/experiments';
import type { Reply } from '../write/reply';
import { changeCombination } from '../write/settings';
import { bookInMemory } from './bookInMemory';

/** Where the questions of a test are asked. */
export const HERE = {
  rigId: 'rig',
  titleId: 'causeway',
  carId: 'marl-850',
  driver: 'Late shift',
  branch: '',
};

export const codeOf = (reply: Reply) => (reply.ok ? 'done' : reply.problems[0]!.code);
export const isDone = async (reply: Promise<Reply>) => expect(codeOf(await reply)).toBe('done');

/** A book in memory in which questions are asked, one after the other: what a test leaves open is ended. */
export function askingBook() {
  const book = bookInMemory(async (db) => {
    await addRig(db, { id: 'rig', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }) });
    await changeCombination(HERE);
  });
  afterEach(async () => {
    const row = await openExperiment(book.db, HERE);
    if (row) await endEarly(row.id);
  });
  const here = async () => (await contextIn(book.db, HERE))!;
  const view = async () => (await bookView())!;
  return {
    book,
    here,
    view,
    /** Asks something; gives the question as the server has it. */
    async asked(plan: ExperimentPlan) {
      await isDone(askQuestion(plan));
      return (await openExperiment(book.db, HERE))!;
    },
    /** A question as its page shows it. */
    shown: async (id: string) => (await readExperiment(await here(), await view(), id))!,
  };
}
