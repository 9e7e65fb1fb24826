import { couplingsOf, isDead, type Coupling } from '@/core/force/coupling';
import { forceField, type ForceField } from '@/core/force/forceParameters';
import type { SettingValues } from '@/core/settings/setting';
import type { BookView } from '@/book/model/bookView';

const DOES: Record<Coupling['does'], { words: string; dash: string }> = {
  scales: { words: 'scales', dash: '' },
  gates: { words: 'lets through', dash: '9 5' },
  masks: { words: 'hides', dash: '2 5' },
  doubles: { words: 'does the same as', dash: '14 4 2 4' },
};
const ROW = 34;
const WIDTH = 620;
const FROM_X = 210;
const TO_X = 410;

interface Pair {
  from: ForceField;
  to: ForceField;
  coupling: Coupling;
  dead: boolean;
}

/** Which setting acts on which, as far as this base, title and car have them; what does nothing is in rust. */
export function CouplingPicture({ view, values }: { view: BookView; values: SettingValues }) {
  const field = ({ layer, parameter }: Coupling['from']) => forceField(view.menus, values, layer, parameter);
  const pairs = couplingsOf(view.menus).flatMap((coupling): Pair[] => {
    const [from, to] = [field(coupling.from), field(coupling.to)];
    return from && to ? [{ from, to, coupling, dead: isDead(coupling, from.canonical, to.canonical) }] : [];
  });
  if (pairs.length === 0) return null;
  const fromNames = [...new Set(pairs.map((pair) => nameOf(pair.from, pair.coupling.from.layer)))];
  const toNames = [...new Set(pairs.map((pair) => nameOf(pair.to, pair.coupling.to.layer)))];
  const rows = Math.max(fromNames.length, toNames.length);
  const y = (names: string[], name: string) => ((names.indexOf(name) + 0.5) * rows * ROW) / names.length;
  const used = [...new Set(pairs.map(({ coupling }) => coupling.does))];
  return (
    <section aria-labelledby="couplings" className="mt-6 max-w-2xl">
      <h2 id="couplings" className="border-b border-line pb-2 font-bold">
        What acts on what
      </h2>
      <svg viewBox={`0 0 ${WIDTH} ${rows * ROW}`} className="mt-2 w-full" aria-hidden="true">
        {pairs.map(({ from, to, coupling, dead }) => {
          const [a, b] = [nameOf(from, coupling.from.layer), nameOf(to, coupling.to.layer)];
          return (
            <path
              key={`${a} ${b}`}
              d={`M${FROM_X} ${y(fromNames, a)}C${(FROM_X + TO_X) / 2} ${y(fromNames, a)} ${(FROM_X + TO_X) / 2} ${y(toNames, b)} ${TO_X} ${y(toNames, b)}`}
              fill="none"
              stroke={dead ? 'var(--rust)' : 'var(--muted)'}
              strokeWidth={dead ? 3 : 1.5}
              strokeDasharray={DOES[coupling.does].dash}
            />
          );
        })}
        {fromNames.map((name) => (
          <text
            key={name}
            x={FROM_X - 8}
            y={y(fromNames, name) + 5}
            textAnchor="end"
            fontSize="15"
            fill="var(--ink)"
          >
            {name}
          </text>
        ))}
        {toNames.map((name) => (
          <text key={name} x={TO_X + 8} y={y(toNames, name) + 5} fontSize="15" fill="var(--ink)">
            {name}
          </text>
        ))}
      </svg>
      <p className="mt-1 flex flex-wrap gap-x-5 text-sm text-muted" aria-hidden="true">
        {used.map((does) => (
          <span key={does} className="inline-flex items-center gap-2">
            <svg width="44" height="6">
              <path d="M0 3H44" stroke="var(--muted)" strokeWidth="1.5" strokeDasharray={DOES[does].dash} />
            </svg>
            {DOES[does].words}
          </span>
        ))}
      </p>
      <ul className="sr-only">
        {pairs.map(({ from, to, coupling, dead }) => (
          <li key={`${from.field.label} ${to.field.label} ${coupling.does}`}>
            {nameOf(from, coupling.from.layer)} {DOES[coupling.does].words} {nameOf(to, coupling.to.layer)}
            {dead ? ', which does nothing now' : ''}.
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Base and title may call two settings alike. */
function nameOf({ field }: ForceField, layer: Coupling['from']['layer']): string {
  return layer === 'base' ? `${field.label} (base)` : field.label;
}
