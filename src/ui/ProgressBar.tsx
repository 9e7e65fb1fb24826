/** How far long work is, 0…1, with what is being done above it. */
export function ProgressBar({
  share,
  label,
  children,
}: {
  share: number;
  label: string;
  children: React.ReactNode;
}) {
  const percent = Math.round(100 * share);
  return (
    <div role="progressbar" aria-valuenow={percent} aria-valuemin={0} aria-valuemax={100} aria-label={label}>
      <p className="mb-1">{children}</p>
      <div className="h-2 rounded bg-line">
        <div className="h-2 rounded bg-lichen" style={{ width: `${percent}%` }} />
      </div>
    </div>
  );
}
