'use client';

import { Slider } from 'radix-ui';
import { useState } from 'react';

interface Props {
  label: string;
  /** What else it is called, small under the label. */
  term?: string | null;
  unit?: string;
  min: number;
  max: number;
  step: number;
  neutral: number;
  value: number;
  /** The kept value, shown as a ghost while another is tried. */
  ghost: number;
  /** In a narrow place the label is said, not shown. */
  isBare?: boolean;
  onChange(value: number): void;
}

const PAGE_STEPS = 10;
const THUMB_PX = 28;

/**
 * A slider that also takes a number: drag, arrows (one step), Page (ten), Home and End, double click for neutral.
 */
export function NumberSlider({
  label,
  term = null,
  unit = '',
  min,
  max,
  step,
  neutral,
  value,
  ghost,
  isBare = false,
  onChange,
}: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  // The thumb stays within the track: its middle runs from half a thumb to half a thumb before the end.
  const middleOf = (v: number) =>
    `calc(${THUMB_PX / 2}px + ${(v - min) / (max - min)} * (100% - ${THUMB_PX}px))`;
  const put = (text: string) => {
    const number = Number(text.replace(',', '.'));
    setTyped(null);
    if (text.trim() === '' || !Number.isFinite(number)) return;
    const onGrid = min + Math.round((number - min) / step) * step;
    onChange(Math.min(max, Math.max(min, onGrid)));
  };
  const page = (event: React.KeyboardEvent) => {
    const steps = { PageUp: PAGE_STEPS, PageDown: -PAGE_STEPS }[event.key];
    if (steps === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onChange(Math.min(max, Math.max(min, value + steps * step)));
  };
  return (
    <div className="flex items-center gap-4 py-1">
      {!isBare && (
        <span className="w-28 shrink-0 text-[15px] leading-tight font-semibold">
          {label}
          {term && <span className="block text-[13px] font-normal text-muted">{term}</span>}
        </span>
      )}
      <Slider.Root
        className="relative flex h-11 grow touch-none items-center select-none"
        min={min}
        max={max}
        step={step}
        value={[value]}
        onValueChange={([next]) => onChange(next!)}
        onKeyDownCapture={page}
        onDoubleClick={() => onChange(neutral)}
      >
        <Slider.Track className="relative h-1.5 grow rounded-full bg-line">
          <Slider.Range className="absolute h-full rounded-full bg-muted" />
          <span
            aria-hidden="true"
            className="absolute -top-2 h-5.5 w-0.5 -translate-x-1/2 bg-muted"
            style={{ left: middleOf(ghost) }}
          />
        </Slider.Track>
        <Slider.Thumb
          aria-label={label}
          className="block h-6 w-7 rounded-[50%] border-2 border-ink bg-ground hover:bg-lichen-soft"
        />
      </Slider.Root>
      <input
        inputMode="decimal"
        aria-label={`${label}, number`}
        className="h-11 w-16 rounded-lg border border-line bg-raised px-2 text-right font-mono text-[15px]"
        value={typed ?? String(value)}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={(event) => typed !== null && put(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') put(event.currentTarget.value);
          if (event.key === 'Escape') setTyped(null);
        }}
      />
      <span className="w-6 text-muted">{unit}</span>
    </div>
  );
}
