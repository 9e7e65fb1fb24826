import { restingLimb } from '@/core/axes/axes';
import { axisFinding as inWords } from '@/words/axisFinding';
import type { AxisView } from '../../model/axisView';
import type { BookView } from '../../model/bookView';
import type { Finding, Health } from '../../model/stationHealth';

export type AxisFacts = Pick<
  AxisView,
  'axis' | 'by' | 'name' | 'capture' | 'problems' | 'draft' | 'effective' | 'recommendations' | 'declined'
>;

/** A resting foot that is seen beyond the dead zone in force, and something to do about it. */
function drags({ capture, effective, recommendations }: AxisFacts): boolean {
  const analysis = capture?.analysis;
  const cover = analysis && 'coverTravel' in analysis ? analysis.coverTravel : null;
  return (
    cover !== null &&
    cover.p995 > effective.deadzone &&
    recommendations.some(({ parameter }) => parameter === 'deadzone')
  );
}

const isShort = ({ recommendations }: AxisFacts) =>
  recommendations.some(({ parameter }) => parameter === 'saturation');

/** What a capture asks for and the driver has not waved away. */
export const openOf = ({ recommendations, declined }: Pick<AxisFacts, 'recommendations' | 'declined'>) =>
  recommendations.filter(({ parameter }) => !declined.includes(parameter));

/** What is wrong with one axis in a few words, most pressing first; where a setting would mend it, which one. */
const FAULTS: { says(axis: AxisFacts): string | null; mendedBy?: 'deadzone' | 'saturation' }[] = [
  { says: ({ problems, name }) => (problems.length > 0 ? `${name} capture cannot be read` : null) },
  {
    says: (axis) => (drags(axis) ? `${axis.name} drags under a ${restingLimb(axis.axis, axis.by)}` : null),
    mendedBy: 'deadzone',
  },
  {
    says: (axis) => (isShort(axis) ? `Full ${axis.name.toLowerCase()} is out of reach` : null),
    mendedBy: 'saturation',
  },
  {
    says: ({ capture, name }) =>
      capture && capture.analysis.roughSpots.length > 0 ? `${name} track is rough in places` : null,
  },
  {
    says: ({ capture, name }) => {
      const analysis = capture?.analysis;
      const isBad =
        analysis?.axis === 'gear' &&
        analysis.gates.some((gate) => gate.missed > 0 || gate.doubles > 0 || gate.reading === null);
      return isBad ? `${name} misses or doubles gates` : null;
    },
  },
];

/** What is to be said of one axis: a fault, what is open, or how far it is. */
export function axisFinding(axis: AxisFacts): Finding {
  const { name, capture, draft, recommendations, declined } = axis;
  const isWanted = ({ mendedBy }: (typeof FAULTS)[number]) =>
    mendedBy !== undefined && declined.includes(mendedBy);
  const heading = capture
    ? inWords(capture.analysis, recommendations, drags(axis), axis.by)
    : `The ${name.toLowerCase()} is not measured yet`;
  if (draft) return { health: 'under-way', reason: `${name} capture waits to go on`, heading };
  const faults = FAULTS.filter(({ says }) => says(axis) !== null);
  const fault = faults.find((one) => !isWanted(one));
  if (fault) return { health: 'look', reason: fault.says(axis)!, heading };
  if (!capture) return { health: 'untouched', reason: `${name} not measured yet`, heading };
  // A recommendation that waits is no end.
  const [open] = openOf(axis);
  if (open) return { health: 'under-way', reason: `${name}: ${open.label.toLowerCase()} is open`, heading };
  // What the driver wants so is said, and is no fault.
  const [wanted] = faults;
  return {
    health: 'settled',
    reason: wanted ? `${wanted.says(axis)!}, as you want it` : `${name} measured`,
    heading,
  };
}

/** The brake first: what is wrong with it costs the most. */
const PRESSING = ['brake', 'steering', 'throttle'];

function byUrgency<T extends AxisFacts>(axes: readonly T[]): T[] {
  const rank = ({ axis }: AxisFacts) => {
    const at = PRESSING.indexOf(axis);
    return at < 0 ? PRESSING.length : at;
  };
  return axes.toSorted((a, b) => rank(a) - rank(b));
}

/** The axis whose tab opens first. */
export function axisToLookAt<T extends AxisFacts>(axes: readonly T[]): T {
  const ranked = byUrgency(axes);
  const by = (health: Health) => ranked.find((axis) => axisFinding(axis).health === health);
  return by('look') ?? by('under-way') ?? by('untouched') ?? ranked[0]!;
}

/** All axes together: the worst of them, then how far they are. */
export function axesFinding({
  axes,
  proof,
}: Pick<BookView, 'proof'> & { axes: readonly AxisFacts[] }): Finding {
  const found = byUrgency(axes).map(axisFinding);
  const first = (health: Health) => found.find((finding) => finding.health === health);
  const pressing = first('look') ?? first('under-way');
  if (pressing) return pressing;
  const say = (health: Health, reason: string): Finding => ({ health, reason, heading: reason });
  if (!found.some(({ health }) => health === 'settled')) return say('untouched', 'Nothing measured yet');
  const missing = first('untouched');
  if (missing) return { ...missing, health: 'under-way' };
  if (!proof) return say('under-way', 'All measured, not proved yet');
  if (proof.results.some((result) => !result.passed)) return say('look', 'The check found a fault');
  if (proof.isStale) return say('under-way', 'Changed since the check');
  return say('settled', 'Settled and signed');
}
