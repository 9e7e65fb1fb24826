import type { ComponentProps } from 'react';

const LOOKS = {
  /** The one next step. */
  next: 'bg-lichen text-on-lichen font-semibold hover:brightness-110',
  plain: 'border border-line text-ink font-medium hover:bg-raised',
  quiet: 'text-muted font-semibold hover:text-ink hover:underline underline-offset-4',
} as const;

export function Button({
  look = 'plain',
  className = '',
  type = 'button',
  ...props
}: ComponentProps<'button'> & { look?: keyof typeof LOOKS }) {
  return (
    <button
      type={type}
      className={`inline-flex min-h-11 cursor-pointer items-center justify-center gap-2 rounded-lg px-4 text-[15px] transition disabled:cursor-default disabled:opacity-50 aria-pressed:border-ink aria-pressed:bg-sunk aria-pressed:font-bold aria-pressed:text-ink ${LOOKS[look]} ${className}`}
      {...props}
    />
  );
}
