import { percentAbout } from '../text/percent';
import { decimalsOf, gridCount, gridPoint, gridValue, toCanonical } from '../response/menuSchema';
import type { Proposal } from '../settings/proposal';
import type { ClippingSchool } from './bestGain';
import { frictionText, hardwareInputs, type ChainFacts } from './chainOf';
import { couplingsOf, deadControls, doubledSettings } from './coupling';
import { forceField, type ForceField, type ForceParameter } from './forceParameters';
import { calming, type Calming } from './calming';
import type { ForceChain, HandsOff } from './handsOff';
import type { LeastDamper } from './handsOffSearch';
import { chooseGain, wantedMinForce, type JudgedForce } from './judgeForce';
import type { Layer } from '../settings/setting';

type At = { layer: Layer; parameter: ForceParameter };
const fieldAt = ({ menus, values }: ChainFacts, { layer, parameter }: At) =>
  forceField(menus, values, layer, parameter);

/** What is set and can do nothing: taken away, or let through where the rim needs it. */
export function deadAdvice(facts: ChainFacts, isCalm: boolean): Proposal[] {
  const read = (at: At) => fieldAt(facts, at)?.canonical ?? null;
  return deadControls(read, couplingsOf(facts.menus)).flatMap(({ dead, by }) => {
    const control = fieldAt(facts, dead)!;
    const gate = fieldAt(facts, by)!;
    const held = `${control.field.label} ${control.value} does nothing: ${gate.field.label.toLowerCase()} on the base is at ${gate.value}`;
    return isCalm || dead.parameter !== 'titleDamper'
      ? [change(control, 0, `${held}, and the rim is calm without it. Taking it away loses nothing.`)]
      : [change(gate, 1, `${held}, and the rim needs a damper.`)];
  });
}

function change({ key, field, value }: ForceField, canonical: number, evidence: string): Proposal {
  return { key, label: field.label, from: value, to: gridValue(field, canonical), evidence };
}

/** Two settings that do the same twice: the title's, which goes through the base's channel, is taken away. */
export function doubledAdvice(facts: ChainFacts): Proposal[] {
  return doubledSettings((at) => fieldAt(facts, at)?.canonical ?? null).map(({ from, to }) => {
    const [one, other] = [fieldAt(facts, from)!, fieldAt(facts, to)!];
    return change(
      other,
      0,
      `${one.field.label} ${one.value} on the base and ${other.field.label} ${other.value} in the title do the same twice: one is enough.`,
    );
  });
}

/** The car's own gain where there is one: the title's holds for every car. */
export function gainField(facts: ChainFacts): ForceField | null {
  return (
    fieldAt(facts, { layer: 'car', parameter: 'gain' }) ??
    fieldAt(facts, { layer: 'title', parameter: 'gain' })
  );
}

const SCHOOL_WORDS: Record<ClippingSchool, string> = {
  none: 'keeps every peak',
  trade: 'gives away only the biggest hits',
};

/** The gain that a school takes, on the menu's own grid. */
export function gainAdvice(
  facts: ChainFacts,
  chain: ForceChain,
  judged: Pick<JudgedForce, 'signal' | 'sorted' | 'at'>,
  school: ClippingSchool,
): Proposal | null {
  const found = gainField(facts);
  if (!found || found.canonical <= 0 || judged.sorted.at(-1) === 0) return null;
  const { field, value } = found;
  const other = chain.title.gain / found.canonical;
  const gains = Array.from(
    { length: gridCount(field) },
    (_, i) => other * toCanonical(field, gridPoint(field, i)),
  );
  const choice = chooseGain(judged, gains, chain.title.gain, school);
  if (choice.best < 0) return null;
  const to = gridPoint(field, choice.best);
  if (to === value) return null;
  const above =
    choice.clipAbove === null
      ? 'the menu ends there'
      : `one step more clips ${percentAbout(choice.clipAbove)}`;
  const now =
    to < value
      ? `${percentAbout(choice.clipNow)} of the ride is clipped now.`
      : 'The strongest part of the signal lies unused.';
  const trade = choice.isSame
    ? ' The other school would choose nearly the same: there is nothing to trade.'
    : '';
  return {
    key: found.key,
    label: field.label,
    from: value,
    to,
    evidence: `${now} ${to.toFixed(decimalsOf(field))} ${SCHOOL_WORDS[school]}: ${percentAbout(choice.clipAtBest)} clipped; ${above}.${trade}`,
  };
}

/** What happens when the rim is let go, at a slow roll and at speed. */
export interface CalmReport {
  roll: HandsOff;
  fast: HandsOff;
  /** Least damper that settles both, N·m·s/rad. */
  least: LeastDamper;
  /** Greatest minimum force that stays still at a slow roll; `null` where it moves without any. */
  stillMinForce: number | null;
}

export const isCalm = ({ roll, fast }: Pick<CalmReport, 'roll' | 'fast'>) =>
  [roll, fast].every(({ verdict }) => verdict === 'settles' || verdict === 'sticks');

const ADDING: readonly string[] = ['gain', 'minForce', 'strength'] satisfies ForceParameter[];

/** Whether a change puts more force on the rim: one that moves by itself gets none, first it is calmed. */
export const addsForce = ({ key, from, to }: Pick<Proposal, 'key' | 'from' | 'to'>): boolean =>
  to > from && ADDING.includes(key.field);

/** What three kinds of questions would each change. */
interface Asked {
  ride: { gain: Proposal | null; weight: Proposal | null } | null;
  stability: { calm: CalmReport; advice: readonly Proposal[] } | null;
  smooth: { advice: readonly Proposal[] } | null;
}

/**
 * Everything that is advised of the force, in the order in which it is done. What would add force waits until the rim is
 * known to be still.
 */
export function adviceInOrder({ ride, stability, smooth }: Asked): Proposal[] {
  const all = [
    ...(stability?.advice ?? []),
    ride?.gain ?? null,
    ride?.weight ?? null,
    ...(smooth?.advice ?? []),
  ];
  const isStill = stability !== null && isCalm(stability.calm);
  return all.filter((one) => one !== null).filter((one) => isStill || !addsForce(one));
}

/** A lift smaller than this is not felt. */
const LEAST_LIFT = 0.01;

/** Minimum force: over what friction swallows, and never so much that the rim rocks by itself. */
export function minForceAdvice(
  facts: ChainFacts,
  chain: ForceChain,
  weakest: number,
  { stillMinForce }: CalmReport,
): Proposal | null {
  const found = fieldAt(facts, { layer: 'title', parameter: 'minForce' });
  if (!found) return null;
  const wanted = wantedMinForce(chain, weakest);
  const most = stillMinForce ?? 0;
  const canonical = Math.min(wanted, most);
  const to = gridValue(found.field, canonical, 'atMost');
  const near = Math.abs(toCanonical(found.field, to) - found.canonical) < LEAST_LIFT;
  if (to === found.value || (near && found.canonical <= most)) return null;
  const swallowed = `Friction of ${frictionText(facts, chain)} swallows the first ${percentAbout(wanted)} of the signal`;
  const still =
    stillMinForce === null
      ? 'the rim moves by itself even without it'
      : `hands off it stays still up to ${percentAbout(most)}`;
  return {
    key: found.key,
    label: found.field.label,
    from: found.value,
    to,
    evidence: `${swallowed}; predicted: ${still}. Prove it on the rig: in small steps, hands off, rolling slowly.`,
  };
}

/** How a rim moves that is let go, as a sentence: what is worse of a slow roll and a fast straight. */
export function movementText({ roll, fast }: Pick<CalmReport, 'roll' | 'fast'>): string {
  const isFast = fast.verdict === 'saws' || (fast.verdict === 'rings' && roll.verdict !== 'saws');
  const worse = isFast ? fast : roll;
  const where = isFast ? 'at speed' : 'at a slow roll';
  const at = worse.frequencyHz === null ? '' : ` at ${worse.frequencyHz.toFixed(1)} Hz`;
  return `Let go ${worse.fromDeg}° off centre ${where} it ${worse.verdict}${at}`;
}

/** What can calm a rim, in the order in which it is tried: what damps costs no force. */
const CALMING: readonly (At & { direction: 'up' | 'down' })[] = [
  { layer: 'base', parameter: 'damper', direction: 'up' },
  { layer: 'title', parameter: 'titleDamper', direction: 'up' },
  { layer: 'base', parameter: 'strength', direction: 'down' },
  { layer: 'base', parameter: 'protection', direction: 'up' },
];

/** One change that leaves a rim that moves by itself still, found by trying it; else the one with which least moves. */
export function calmAdvice(facts: ChainFacts, calm: CalmReport): Proposal | null {
  if (isCalm(calm)) return null;
  let better: Calming | null = null;
  for (const { layer, parameter, direction } of CALMING) {
    const found = calming(facts, layer, parameter, direction);
    if (found?.isCured) return calmingChange(found, calm, facts);
    better ??= found;
  }
  return better && calmingChange(better, calm, facts);
}

/** A change that calms, with what it was found to do. */
export function calmingChange(
  { field, to, isCured }: Calming,
  calm: CalmReport,
  { rig, exact }: ChainFacts,
): Proposal {
  const { friction } = hardwareInputs(rig);
  const assumed = !exact && friction.evidence === 'assumed' ? ` Assumed: ${friction.says}.` : '';
  return {
    key: field.key,
    label: field.field.label,
    from: field.value,
    to,
    evidence: `${movementText(calm)}. ${
      isCured
        ? `With ${to} it comes to rest from every release tried; the values between were tried first.`
        : `With ${to} it moves least; this setting alone does not bring it to rest.`
    }${assumed}`,
  };
}
