'use client';

import { X } from 'lucide-react';
import { create } from 'zustand';

interface Notice {
  id: number;
  text: string;
  kind: 'done' | 'fault';
}

const SHOWN_MS = 7000;

const useNotices = create<{ notices: Notice[] }>(() => ({ notices: [] }));
let count = 0;

/** Shows a short message: what was done, or what is wrong and what to do. A fault stays until it is read away. */
export function notify(text: string, kind: Notice['kind'] = 'done') {
  // A fault that is being said is not said twice.
  if (kind === 'fault' && useNotices.getState().notices.some((notice) => notice.text === text)) return;
  const id = ++count;
  useNotices.setState(({ notices }) => ({ notices: [...notices.slice(-2), { id, text, kind }] }));
  if (kind === 'done') setTimeout(() => dismiss(id), SHOWN_MS);
}

function dismiss(id: number) {
  useNotices.setState(({ notices }) => ({ notices: notices.filter((n) => n.id !== id) }));
}

export function Notices() {
  const notices = useNotices((state) => state.notices);
  return (
    <div
      role="status"
      className="pointer-events-none fixed right-6 bottom-24 z-50 flex w-96 max-w-[calc(100vw-3rem)] flex-col gap-2"
    >
      {notices.map((notice) => (
        <div
          key={notice.id}
          className={`pointer-events-auto flex items-start gap-3 rounded-lg border bg-raised p-3 text-sm ${notice.kind === 'fault' ? 'border-rust' : 'border-line'}`}
        >
          <p className="grow">{notice.text}</p>
          <button
            aria-label="Close the message"
            className="cursor-pointer text-muted hover:text-ink"
            onClick={() => dismiss(notice.id)}
          >
            <X size={18} aria-hidden="true" />
          </button>
        </div>
      ))}
    </div>
  );
}
