/** Shapes and marks of the states; each differs in outline and mark, not in colour alone. */
export type PebbleKind = 'empty' | 'dot' | 'check' | 'alert' | 'plain' | 'ghost';

const OUTLINES = [
  'M3 11c0-5 5-8.5 11-8s11 3 11 8.5-5 7.5-11 7.500S3 16.5 3 11z',
  'M2.5 10c.5-5 6-7.5 12-7s11.5 4 11 9-6 7.5-12 7S2 15 2.5 10z',
  'M3 12c-.5-5 4-9 10-9.500s12 2.5 12 7.5-5 8.5-11 9S3.5 17 3 12z',
];

const INNER: Record<PebbleKind, React.ReactNode> = {
  empty: null,
  plain: null,
  ghost: null,
  dot: <circle cx="14" cy="11" r="2.6" fill="var(--ink)" />,
  check: (
    <path
      d="M9.5 11.200l3 3 6-6"
      fill="none"
      stroke="var(--ground)"
      strokeWidth="2.2"
      strokeLinecap="round"
    />
  ),
  alert: (
    <path
      d="M14 6.500v5.500M14 15v.3"
      fill="none"
      stroke="var(--rust)"
      strokeWidth="2.4"
      strokeLinecap="round"
    />
  ),
};

export function Pebble({ kind, shape = 0, size = 28 }: { kind: PebbleKind; shape?: number; size?: number }) {
  const isSolid = kind === 'check' || kind === 'plain';
  return (
    <svg width={size} height={(size * 22) / 28} viewBox="0 0 28 22" aria-hidden="true" className="shrink-0">
      <path
        d={OUTLINES[shape % OUTLINES.length]}
        fill={isSolid ? 'var(--muted)' : 'var(--ground)'}
        stroke={kind === 'alert' ? 'var(--rust)' : 'var(--muted)'}
        strokeWidth={kind === 'alert' ? 2 : 1.5}
        strokeDasharray={kind === 'ghost' || kind === 'empty' ? '3 2.5' : undefined}
      />
      {INNER[kind]}
    </svg>
  );
}
