'use client';

import { useId, useState } from 'react';

const INPUT = 'h-11 w-full rounded-lg border border-line bg-raised px-3 text-[15px]';

interface Shared {
  label: string;
  /** Label above the field, not beside it. */
  isStacked?: boolean;
  /** In a grid whose heads say what stands in it: the label is for who can't see them. */
  isBare?: boolean;
  /** What is wrong with what stands in it. */
  fault?: string | undefined;
  /** It was gone through: what is wrong may be said now. */
  onBlur?(): void;
}

function Labelled({
  label,
  isStacked = false,
  isBare = false,
  fault,
  children,
  id,
}: Shared & { children: React.ReactNode; id: string }) {
  return (
    <div
      className={
        isStacked || isBare
          ? 'grid content-start gap-0.5'
          : 'grid grid-cols-[8.5rem_1fr] items-center gap-x-3'
      }
    >
      <label htmlFor={id} className={isBare ? 'sr-only' : isStacked ? 'text-sm text-muted' : 'text-[15px]'}>
        {label}
      </label>
      {children}
      {fault !== undefined && (
        <p id={`${id}-fault`} className={`text-sm text-rust ${isStacked || isBare ? '' : 'col-start-2'}`}>
          {fault}
        </p>
      )}
    </div>
  );
}

/** How a field says that something is wrong with it. */
const faulty = (id: string, fault: string | undefined) =>
  fault === undefined ? {} : { 'aria-invalid': true, 'aria-describedby': `${id}-fault` };

const edge = (fault: string | undefined) => (fault === undefined ? '' : 'border-rust');

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
        className={`${INPUT} ${edge(shared.fault)}`}
        value={value}
        maxLength={most}
        onChange={(event) => onChange(event.target.value)}
        onBlur={shared.onBlur}
        {...faulty(id, shared.fault)}
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
          className={`${INPUT} text-right font-mono ${edge(shared.fault)}`}
          placeholder={shared.isBare ? '' : 'not known'}
          value={typed ?? (value === null ? '' : String(value))}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={(event) => {
            if (typed !== null) put(event.target.value);
            shared.onBlur?.();
          }}
          onKeyDown={(event) => event.key === 'Enter' && put(event.currentTarget.value)}
          {...faulty(id, shared.fault)}
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
      <select
        id={id}
        className={`${INPUT} ${edge(shared.fault)}`}
        value={value}
        onChange={(event) => onChange(event.target.value as T)}
        onBlur={shared.onBlur}
        {...faulty(id, shared.fault)}
      >
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
  value,
  onChange,
  ...shared
}: Shared & { value: string; onChange(value: string): void }) {
  const id = useId();
  return (
    <Labelled {...shared} isStacked id={id}>
      <input
        id={id}
        type="date"
        className={`${INPUT} ${edge(shared.fault)}`}
        value={value}
        onChange={(event) => event.target.value && onChange(event.target.value)}
        onBlur={shared.onBlur}
        {...faulty(id, shared.fault)}
      />
    </Labelled>
  );
}
