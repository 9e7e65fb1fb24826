import { areNeighbours, secondsOf, type RimButton } from '../rig/rimButton';
import { ACTIONS, isDriven, perMinute, whenOf, type ActionId } from './actions';
import { thumbSeconds, type ButtonMap } from './buttonMap';
import { leastCost } from './leastCost';

/** A hand that leaves its grip in mid-corner costs more than the time. */
const HAND_OFF_IN_A_CORNER = 4;
/** That an action lies on a button at all counts for more than how near: more than every reach together. */
const UNMAPPED = 1000;
/** Looked for in a menu, s: where not all can lie on buttons it is the rarest that does not, and a dangerous one before it. */
const UNMAPPED_S = 4;
const ROUNDING = 1e-9;
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
 * O(C(b, d)·a²·(a + b)) for d dangerous among a actions on b buttons; d is at most four.
 */
export function assignButtons({ buttons, actions, isPractice, isConsole }: Asked): ButtonMap['on'] {
  const free = buttons.filter(({ kind, passes }) => kind !== 'paddle' && (passes || !isConsole));
  // Those that cost alike stand together.
  const isNear = (id: ActionId) => isPractice && ACTIONS[id].isForPractice;
  const dangerous = actions
    .filter((id) => ACTIONS[id].isDangerous)
    .sort((a, b) => Number(isNear(a)) - Number(isNear(b)));
  const plain = actions.filter((id) => !ACTIONS[id].isDangerous);
  const thumb = free.length > 0 ? thumbSeconds(free) : 0;
  const farthest = Math.max(0, ...free.map(secondsOf));
  const plainCost = (id: ActionId, button: RimButton) => {
    const seconds = secondsOf(button);
    const isAway = whenOf(id, isPractice) === 'mid-corner' && seconds > thumb;
    return perMinute(id, isPractice) * seconds * (isAway ? HAND_OFF_IN_A_CORNER : 1);
  };
  const dangerCost = (id: ActionId, button: RimButton | null) => {
    if (!button) return UNMAPPED;
    if (isNear(id)) return perMinute(id, isPractice) * secondsOf(button);
    return NEARNESS * (farthest - secondsOf(button));
  };
  const beside = free.map((a) => free.map((b) => areNeighbours(a, b)));

  /** The best places of the plain ones, where the dangerous ones lie as chosen (−1: on no button). */
  const places = (chosen: readonly number[]) => {
    const left = free.flatMap((_, b) => (chosen.includes(b) ? [] : [b]));
    const barred = left.map((b) => chosen.some((c) => c >= 0 && beside[b]![c]!));
    const costs = plain.map((id) => [
      ...left.map((b, k) => (barred[k] && isDriven(id) ? Infinity : plainCost(id, free[b]!))),
      // Any number of actions may lie on no button.
      ...plain.map(() => UNMAPPED + perMinute(id, isPractice) * UNMAPPED_S),
    ]);
    const columns = plain.length > 0 ? leastCost(costs)! : [];
    const cost = columns.reduce((sum, column, row) => sum + costs[row]![column]!, 0);
    return { cost, at: columns.map((column) => left[column] ?? -1) };
  };
  // With no dangerous one in the way the others cost no less than this: what is dearer already need not be looked into.
  const floor = places([]).cost - ROUNDING;
  let best: { cost: number; on: ButtonMap['on'] } = { cost: Infinity, on: {} };
  const settle = (chosen: number[], dangers: number) => {
    const { cost, at } = places(chosen);
    if (dangers + cost >= best.cost) return;
    const on: ButtonMap['on'] = {};
    plain.forEach((id, row) => (on[id] = free[at[row]!]?.index ?? null));
    dangerous.forEach((id, k) => (on[id] = free[chosen[k]!]?.index ?? null));
    best = { cost: dangers + cost, on };
  };
  const choose = (chosen: number[], dangers: number) => {
    if (dangers + floor >= best.cost) return;
    const id = dangerous[chosen.length];
    if (id === undefined) return settle(chosen, dangers);
    const before = dangerous[chosen.length - 1];
    const last = chosen.at(-1);
    // Two that cost alike may change places for nothing: one order of them is enough.
    const isAlike = before !== undefined && isNear(before) === isNear(id);
    if (isAlike && last === -1) return choose([...chosen, -1], dangers + dangerCost(id, null));
    const order = free
      .map((button, b) => ({ b, cost: dangerCost(id, button) }))
      .filter(({ b }) => !chosen.includes(b) && !(isAlike && b < last!))
      .sort((x, y) => x.cost - y.cost);
    for (const { b, cost } of order) choose([...chosen, b], dangers + cost);
    choose([...chosen, -1], dangers + dangerCost(id, null));
  };
  choose([], 0);
  return best.on;
}
