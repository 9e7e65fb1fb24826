import { areNeighbours, secondsOf, type RimButton } from '../rig/rimButton';
import { ACTIONS, isDriven, perMinute, whenOf, type ActionId } from './actions';
import { thumbSeconds, type ButtonMap } from './buttonMap';
import { leastCost } from './leastCost';

/** A hand that leaves its grip in mid-corner costs more than the time. */
const HAND_OFF_IN_A_CORNER = 4;
/** Looked for in a menu, s. */
const UNMAPPED_S = 4;
/** A dangerous action that lies on no button is worth so much to its driver, as s a minute. */
const DANGER_UNMAPPED = 0.5;
/** What a dangerous action costs for each second that it is nearer than the farthest button. */
const NEARNESS = 0.1;

interface Asked {
  buttons: readonly RimButton[];
  /** Actions that the title has and the driver wants. */
  actions: readonly ActionId[];
  isPractice: boolean;
  isConsole: boolean;
}

/**
 * Where actions lie best: frequency × time from the resting grip, least in sum; what is wanted in mid-corner under a thumb; and no
 * action that costs the ride on a button beside one that is pressed while driving. Paddles are left for shifting. A dangerous
 * action for which no button is left lies on none.
 * O(bᵈ·(a + b)³) for d dangerous among a actions on b buttons; d is at most four, and only buttons that differ are tried.
 */
export function assignButtons({ buttons, actions, isPractice, isConsole }: Asked): ButtonMap['on'] {
  const free = buttons.filter(({ kind, passes }) => kind !== 'paddle' && (passes || !isConsole));
  const dangerous = actions.filter((id) => ACTIONS[id].isDangerous);
  const plain = actions.filter((id) => !ACTIONS[id].isDangerous);
  const thumb = free.length > 0 ? thumbSeconds(free) : 0;
  const farthest = Math.max(0, ...free.map(secondsOf));
  const plainCost = (id: ActionId, button: RimButton) => {
    const seconds = secondsOf(button);
    const isAway = whenOf(id, isPractice) === 'mid-corner' && seconds > thumb;
    return perMinute(id, isPractice) * seconds * (isAway ? HAND_OFF_IN_A_CORNER : 1);
  };
  const dangerCost = (id: ActionId, button: RimButton | null) => {
    if (!button) return DANGER_UNMAPPED;
    if (isPractice && ACTIONS[id].isForPractice) return perMinute(id, isPractice) * secondsOf(button);
    return NEARNESS * (farthest - secondsOf(button));
  };
  const beside = free.map((a) => free.map((b) => areNeighbours(a, b)));

  let best: { cost: number; on: ButtonMap['on'] } = { cost: Infinity, on: {} };
  /** The best places of the rest, where the dangerous ones lie as chosen (−1: on no button). */
  const settle = (chosen: number[], dangers: number) => {
    const left = free.flatMap((_, b) => (chosen.includes(b) ? [] : [b]));
    const barred = left.map((b) => chosen.some((c) => c >= 0 && beside[b]![c]!));
    const costs = plain.map((id) => [
      ...left.map((b, k) => (barred[k] && isDriven(id) ? Infinity : plainCost(id, free[b]!))),
      // Any number of actions may lie on no button.
      ...plain.map(() => perMinute(id, isPractice) * UNMAPPED_S),
    ]);
    const columns = plain.length > 0 ? leastCost(costs)! : [];
    const cost = dangers + columns.reduce((sum, column, row) => sum + costs[row]![column]!, 0);
    if (cost >= best.cost - 1e-12) return;
    const on: ButtonMap['on'] = {};
    plain.forEach((id, row) => (on[id] = free[left[columns[row]!] ?? -1]?.index ?? null));
    dangerous.forEach((id, k) => (on[id] = free[chosen[k]!]?.index ?? null));
    best = { cost, on };
  };
  const choose = (chosen: number[], dangers: number) => {
    if (dangers >= best.cost) return;
    const id = dangerous[chosen.length];
    if (id === undefined) return settle(chosen, dangers);
    const order = free
      .map((button, b) => ({ b, cost: dangerCost(id, button) }))
      .filter(({ b }) => !chosen.includes(b))
      .sort((x, y) => x.cost - y.cost);
    for (const { b, cost } of order) choose([...chosen, b], dangers + cost);
    choose([...chosen, -1], dangers + dangerCost(id, null));
  };
  choose([], 0);
  return best.on;
}
