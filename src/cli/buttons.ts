import { ACTION_IDS, ACTIONS } from '@/core/buttons/actions';
import { assignButtons } from '@/core/buttons/assignButtons';
import { conflictsOf } from '@/core/buttons/buttonMap';
import { readRimJson } from '@/core/formats/rimJson';
import { secondsOf } from '@/core/rig/rimButton';
import { conflictSaid } from '@/words/buttons';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

/** Where the actions of a title lie best on a rim, and what is wrong with where they lie: what Buttons shows. */
export const buttonsCommand: Command = {
  name: 'buttons',
  usage: 'buttons FILE.rim.json [--json]',
  options: [],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('buttons takes one rim');
    const { buttons, map } = orRefuse(file, readRimJson(readText(file)));
    const actions = ACTION_IDS.filter((id) => map.on[id] !== undefined);
    const { isPractice, isConsole } = map;
    const best = assignButtons({ buttons, actions, isPractice, isConsole });
    const conflicts = conflictsOf(map, buttons);
    const seconds = buttons.map((button) => ({ index: button.index, seconds: secondsOf(button) }));
    const nameOf = (index: number | null | undefined) =>
      buttons.find((one) => one.index === index)?.name ?? '–';
    return {
      json: { reach: seconds, best, conflicts },
      table: [
        ['action', 'now', 'best', 's'],
        ...actions.map((id) => {
          const at = buttons.find(({ index }) => index === best[id]);
          return [ACTIONS[id].word, nameOf(map.on[id]), nameOf(best[id]), at ? shown(secondsOf(at)) : '–'];
        }),
        ...conflicts.map((conflict) => ['conflict', conflictSaid(conflict, buttons)]),
      ],
    };
  },
};
