/** Lines to be typed or pasted, a thing on each. */
export function LinesField({
  label,
  rows,
  placeholder,
  value,
  onChange,
}: {
  label: string;
  rows: number;
  placeholder: string;
  value: string;
  onChange(value: string): void;
}) {
  return (
    <label className="grid gap-1">
      <span className="text-sm text-muted">{label}</span>
      <textarea
        rows={rows}
        className="w-full rounded-lg border border-line bg-raised p-3 font-mono text-[15px]"
        placeholder={placeholder}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
