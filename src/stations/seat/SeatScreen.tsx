'use client';

import Link from 'next/link';
import { Volume2, VolumeX } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { Pebble } from '@/ui/Pebble';
import { setMuted, speak, useVoice } from '@/live/voice';

interface Props {
  title: string;
  how: string;
  /** Where this prompt stands among the tasks of this go. */
  done: number;
  of: number;
  /** How it can be answered, as short words. */
  answers?: React.ReactNode;
  /** What was just counted, refused or noticed. */
  remark?: string;
  isFault?: boolean;
  children?: React.ReactNode;
  leaveTo?: string;
}

/** Seat posture: one thing on screen, a metre away, spoken as well. */
export function SeatScreen({
  title,
  how,
  done,
  of,
  answers,
  remark = '',
  isFault = false,
  children,
  leaveTo = '/',
}: Props) {
  const isMuted = useVoice((voice) => voice.isMuted);
  const said = useRef('');
  useEffect(() => {
    if (said.current === title) return;
    said.current = title;
    speak(`${title}. ${how}`);
  }, [title, how]);
  return (
    <main className="flex min-h-full flex-col px-10 py-6">
      <header className="flex flex-wrap items-center gap-6">
        <span className="flex flex-wrap gap-1.5" role="img" aria-label={`${done} of ${of} done`}>
          {Array.from({ length: of }, (_, i) => (
            <Pebble key={i} size={30} shape={i} kind={i < done ? 'check' : i === done ? 'dot' : 'empty'} />
          ))}
        </span>
        <span className="ml-auto flex items-center gap-2">
          <button
            className="flex h-16 w-16 cursor-pointer items-center justify-center rounded-lg text-muted hover:bg-raised hover:text-ink"
            aria-label={isMuted ? 'Speak the prompts' : 'Mute the prompts'}
            aria-pressed={isMuted}
            onClick={() => setMuted(!isMuted)}
          >
            {isMuted ? <VolumeX size={32} aria-hidden="true" /> : <Volume2 size={32} aria-hidden="true" />}
          </button>
          <Link
            href={leaveTo}
            className="flex h-16 items-center rounded-lg px-5 text-2xl text-muted hover:bg-raised hover:text-ink"
          >
            Leave the seat
          </Link>
        </span>
      </header>
      <div className="flex grow flex-col justify-center py-4">
        <h1 className="text-5xl leading-tight font-bold text-balance lg:text-6xl" data-prompt>
          {title}
        </h1>
        <p className="mt-4 max-w-5xl text-3xl leading-snug text-muted">{how}</p>
        {children && <div className="mt-6">{children}</div>}
        <p
          role="status"
          aria-live="polite"
          className={`mt-4 min-h-12 text-3xl font-semibold ${isFault ? 'text-rust' : ''}`}
        >
          {remark}
        </p>
      </div>
      {answers && (
        <footer className="flex flex-wrap items-center gap-x-10 gap-y-2 text-2xl text-muted">
          {answers}
        </footer>
      )}
    </main>
  );
}
