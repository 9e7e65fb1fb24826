/** One of several that stand side by side. */
export function Choice({
  isOn,
  onClick,
  children,
}: {
  isOn: boolean;
  onClick(): void;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-pressed={isOn}
      onClick={onClick}
      className={`min-h-11 cursor-pointer rounded-lg border px-3 text-[15px] ${isOn ? 'border-ink bg-raised font-semibold' : 'border-line text-muted hover:text-ink'}`}
    >
      {children}
    </button>
  );
}
