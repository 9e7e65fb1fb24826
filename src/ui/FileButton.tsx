'use client';

import { useRef, type ReactNode } from 'react';
import { Button } from './Button';

/**
 * A button that lets a file be chosen; the same one may be chosen again.
 * @param name what the file is for, for a screen reader
 * @param accept endings, as a file input takes them
 */
export function FileButton({
  name,
  accept,
  onFile,
  children,
}: {
  name: string;
  accept: string;
  onFile(file: File): void;
  children: ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => input.current?.click()}>{children}</Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={name}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}
