'use client';

import { DropdownMenu } from 'radix-ui';
import { Ellipsis } from 'lucide-react';

/** What else can be done with a picture or a table, behind three dots. */
export function DotsMenu({
  label,
  className = '',
  children,
}: {
  label: string;
  className?: string;
  children: React.ReactNode;
}) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={label}
        className={`inline-flex h-11 w-11 cursor-pointer items-center justify-center rounded-lg text-muted hover:bg-raised hover:text-ink ${className}`}
      >
        <Ellipsis size={20} aria-hidden="true" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="z-40 min-w-44 rounded-lg border border-line bg-raised p-1"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

export function MenuItem({ children, onSelect }: { children: React.ReactNode; onSelect(): void }) {
  return (
    <DropdownMenu.Item
      onSelect={onSelect}
      className="flex min-h-10 cursor-pointer items-center rounded px-3 text-sm outline-none data-[highlighted]:bg-lichen-soft"
    >
      {children}
    </DropdownMenu.Item>
  );
}
