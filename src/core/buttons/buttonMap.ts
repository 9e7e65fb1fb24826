import { z } from 'zod';
import { areNeighbours, secondsOf, type RimButton } from '../rig/rimButton';
import { ACTION_IDS, ACTIONS, isDriven, whenOf, type ActionId } from './actions';

const buttonIndex = z.number().int().min(0).max(255);

/** What the buttons of a rim do in a title. */
export const buttonMapSchema = z.strictObject({
  /** The button of each action that the title has; `null` where it lies on none. */
  on: z.partialRecord(z.enum(ACTION_IDS), buttonIndex.nullable()),
  /** Actions that have to be held a moment, so that a slip does nothing. */
  held: z.array(z.enum(ACTION_IDS)).max(ACTION_IDS.length),
  /** Whether it is made for practice, where a reset is wanted near. */
  isPractice: z.boolean(),
  /** Whether it is played on a console, which passes fewer buttons. */
  isConsole: z.boolean(),
});
export type ButtonMap = z.output<typeof buttonMapSchema>;

export const EMPTY_MAP: ButtonMap = { on: {}, held: [], isPractice: false, isConsole: false };

/** What is wrong with a map, worst first. */
export type Conflict =
  | { kind: 'danger-beside'; action: ActionId; button: number; beside: ActionId }
  | { kind: 'two-on-one'; action: ActionId; button: number; with: ActionId }
  | { kind: 'not-passed'; action: ActionId; button: number }
  | { kind: 'gone'; action: ActionId; button: number }
  | { kind: 'out-of-reach'; action: ActionId; button: number; seconds: number };

/** A hand that has to leave its grip takes so much longer than the quickest button. */
const HAND_OFF_S = 0.35;

/** Up to which time a button is under a thumb, for who has these buttons. */
export function thumbSeconds(buttons: readonly RimButton[]): number {
  return Math.min(...buttons.map(secondsOf)) + HAND_OFF_S;
}

/** What is wrong with where the actions lie. */
export function conflictsOf(map: ButtonMap, buttons: readonly RimButton[]): Conflict[] {
  const byIndex = new Map(buttons.map((button) => [button.index, button]));
  const placed = ACTION_IDS.flatMap((action) => {
    const button = map.on[action];
    return button === null || button === undefined ? [] : [{ action, button }];
  });
  const found: Conflict[] = [];
  for (const [i, { action, button }] of placed.entries()) {
    const at = byIndex.get(button);
    if (!at) {
      found.push({ kind: 'gone', action, button });
      continue;
    }
    if (ACTIONS[action].isDangerous && !map.held.includes(action)) {
      const beside = placed.find((other) => {
        const there = byIndex.get(other.button);
        return isDriven(other.action) && there && areNeighbours(at, there);
      });
      if (beside) found.push({ kind: 'danger-beside', action, button, beside: beside.action });
    }
    const twin = placed.slice(0, i).find((other) => other.button === button);
    if (twin) found.push({ kind: 'two-on-one', action, button, with: twin.action });
    if (map.isConsole && !at.passes) found.push({ kind: 'not-passed', action, button });
    const seconds = secondsOf(at);
    if (whenOf(action, map.isPractice) === 'mid-corner' && seconds > thumbSeconds(buttons))
      found.push({ kind: 'out-of-reach', action, button, seconds });
  }
  const order: Conflict['kind'][] = ['danger-beside', 'two-on-one', 'not-passed', 'gone', 'out-of-reach'];
  return found.sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind));
}
