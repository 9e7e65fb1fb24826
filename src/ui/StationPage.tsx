/** A station: left what is (the finding, then the picture), right what to do. */
export function StationPage({
  finding,
  subtitle,
  next,
  children,
}: {
  finding: React.ReactNode;
  subtitle: React.ReactNode;
  next: React.ReactNode;
  children: React.ReactNode;
}) {
  return (
    <div className="grid max-w-[1500px] grid-cols-1 gap-x-8 gap-y-6 min-[1000px]:grid-cols-[minmax(0,1fr)_300px] print:block">
      <div className="min-w-0">
        <h1 className="text-2xl leading-tight font-bold print:hidden">{finding}</h1>
        <p className="mt-1 min-h-6 text-muted print:hidden">{subtitle}</p>
        <div className="mt-3 print:mt-0">{children}</div>
      </div>
      <section aria-label="What to do next" className="min-w-0 [counter-reset:step] print:hidden">
        <h2 className="border-b border-line pb-2 font-bold">What to do next</h2>
        {next}
      </section>
    </div>
  );
}

/** A step, numbered by where it stands: the change, the evidence, and what to do with it. */
export function NextStep({
  title,
  children,
  actions,
}: {
  title: React.ReactNode;
  children?: React.ReactNode;
  actions?: React.ReactNode;
}) {
  return (
    <div className="grid grid-cols-[2rem_1fr] gap-x-2 border-b border-line py-4 last:border-0">
      <span
        aria-hidden="true"
        className="mt-0.5 flex h-6 w-6 items-center justify-center rounded-[50%] bg-lichen-soft text-sm font-bold [counter-increment:step] before:content-[counter(step)]"
      />
      <div>
        <h3 className="text-[16px] font-semibold">{title}</h3>
        {children && <div className="mt-1 text-[15px] text-muted">{children}</div>}
        {actions && <div className="mt-3 flex flex-wrap gap-2">{actions}</div>}
      </div>
    </div>
  );
}
