'use client';

import { X } from 'lucide-react';
import { Toast } from 'radix-ui';
import { create } from 'zustand';

interface Notice {
  id: number;
  text: string;
  kind: 'done' | 'fault';
}

const SHOWN_MS = 7000;
/** More than these would cover what they speak of: the oldest gives way. */
const MOST = 3;

const useNotices = create<{ notices: Notice[] }>(() => ({ notices: [] }));
let count = 0;

/** Shows a short message: what was done, or what is wrong and what to do. A fault stays until it is read away. */
export function notify(text: string, kind: Notice['kind'] = 'done') {
  // A fault that is being said is not said twice.
  if (kind === 'fault' && useNotices.getState().notices.some((notice) => notice.text === text)) return;
  const id = ++count;
  useNotices.setState(({ notices }) => ({ notices: [...notices.slice(1 - MOST), { id, text, kind }] }));
}

function dismiss(id: number) {
  useNotices.setState(({ notices }) => ({ notices: notices.filter((n) => n.id !== id) }));
}

/** Where messages stand; F8 goes to them, Escape reads the one that has the focus away. */
export function Notices() {
  const notices = useNotices((state) => state.notices);
  return (
    <Toast.Provider label="Message" duration={SHOWN_MS}>
      {notices.map(({ id, text, kind }) => (
        <Toast.Root
          key={id}
          type={kind === 'fault' ? 'foreground' : 'background'}
          {...(kind === 'fault' ? { duration: Infinity } : {})}
          onOpenChange={(isOpen) => !isOpen && dismiss(id)}
          className={`flex items-start gap-3 rounded-lg border bg-raised p-3 text-sm ${kind === 'fault' ? 'border-rust' : 'border-line'}`}
        >
          <Toast.Description className="grow">{text}</Toast.Description>
          <Toast.Close
            aria-label="Close the message"
            className="-m-2 flex h-9 w-9 shrink-0 cursor-pointer items-center justify-center text-muted hover:text-ink"
          >
            <X size={18} aria-hidden="true" />
          </Toast.Close>
        </Toast.Root>
      ))}
      <Toast.Viewport
        label="Messages ({hotkey})"
        className="fixed right-6 bottom-24 z-50 flex w-96 max-w-[calc(100vw-3rem)] flex-col gap-2"
      />
    </Toast.Provider>
  );
}
