import { expose } from 'comlink';
import { ACTION_IDS } from '@/core/buttons/actions';
import { assignButtons } from '@/core/buttons/assignButtons';
import type { ButtonMap } from '@/core/buttons/buttonMap';
import { succeed, type Outcome } from '@/core/problem';
import type { RimButton } from '@/core/rig/rimButton';

const api = {
  /** Where the actions of a map lie best on a rim. */
  place({ on, isPractice, isConsole }: ButtonMap, buttons: readonly RimButton[]): Outcome<ButtonMap['on']> {
    const actions = ACTION_IDS.filter((id) => on[id] !== undefined);
    return succeed(assignButtons({ buttons, actions, isPractice, isConsole }));
  },
};

export type ButtonsWorker = typeof api;

expose(api);
