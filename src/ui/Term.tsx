'use client';

import { Popover } from 'radix-ui';
import { useState } from 'react';

/** A word of the field that explains itself on hover, on a tap and from the keyboard. */
export function Term({ word, meaning, label }: { word: string; meaning: string; label?: string }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label={label}
        className="cursor-help text-left underline decoration-line decoration-dotted underline-offset-4 hover:decoration-ink"
        onPointerEnter={(event) => event.pointerType === 'mouse' && setOpen(true)}
        onPointerLeave={() => setOpen(false)}
      >
        {word}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          onOpenAutoFocus={(event) => event.preventDefault()}
          className="z-40 max-w-72 rounded-lg border border-line bg-raised p-3 text-sm text-ink"
        >
          {meaning}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
