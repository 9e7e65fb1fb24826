'use client';

import { useId, useState } from 'react';

const INPUT = 'h-11 w-full rounded-lg border border-line bg-raised px-3 text-[15px]';

interface Shared {
  label: string;
  /** Label above the field, not beside it. */
  isStacked?: boolean;
}

function Labelled({
  label,
  isStacked = false,
  children,
  id,
}: Shared & { children: React.ReactNode; id: string }) {
  return (
    <div className={isStacked ? 'grid gap-0.5' : 'grid grid-cols-[8.5rem_1fr] items-center gap-3'}>
      <label htmlFor={id} className={isStacked ? 'text-sm text-muted' : 'text-[15px]'}>
        {label}
      </label>
      {children}
    </div>
  );
}

export function TextField({
  value,
  onChange,
  most = 400,
  ...shared
}: Shared & { value: string; onChange(value: string): void; most?: number }) {
  const id = useId();
  return (
    <Labelled {...shared} id={id}>
      <input
        id={id}
        className={INPUT}
        value={value}
        maxLength={most}
        onChange={(event) => onChange(event.target.value)}
      />
    </Labelled>
  );
}

/** A number that may be unknown: empty is `null`. A comma is a decimal point. */
export function NumberField({
  value,
  unit,
  onChange,
  ...shared
}: Shared & { value: number | null; unit: string; onChange(value: number | null): void }) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const put = (text: string) => {
    setTyped(null);
    const number = Number(text.replace(',', '.'));
    if (text.trim() === '') onChange(null);
    else if (Number.isFinite(number)) onChange(number);
  };
  return (
    <Labelled {...shared} id={id}>
      <span className="flex items-center gap-2">
        <input
          id={id}
          inputMode="decimal"
          className={`${INPUT} text-right font-mono`}
          placeholder="not known"
          value={typed ?? (value === null ? '' : String(value))}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={(event) => typed !== null && put(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && put(event.currentTarget.value)}
        />
        {unit && <span className="w-12 shrink-0 text-muted">{unit}</span>}
      </span>
    </Labelled>
  );
}

export function SelectField<T extends string>({
  value,
  options,
  onChange,
  ...shared
}: Shared & { value: T; options: readonly { value: T; name: string }[]; onChange(value: T): void }) {
  const id = useId();
  return (
    <Labelled {...shared} id={id}>
      <select id={id} className={INPUT} value={value} onChange={(event) => onChange(event.target.value as T)}>
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.name}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

export function DateField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange(value: string): void;
}) {
  const id = useId();
  return (
    <Labelled label={label} isStacked id={id}>
      <input
        id={id}
        type="date"
        className={INPUT}
        value={value}
        onChange={(event) => event.target.value && onChange(event.target.value)}
      />
    </Labelled>
  );
}
