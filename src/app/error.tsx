'use client';

import Link from 'next/link';
import { Button } from '@/ui/Button';

/** A fault of ours: what happened, what was kept, what to do. */
export default function ErrorPage({ error, reset }: { error: Error & { digest?: string }; reset(): void }) {
  return (
    <main className="mx-auto max-w-2xl px-6 py-16">
      <h1 className="text-2xl font-bold">This page could not be drawn</h1>
      <p className="mt-2">
        Everything in the book is kept: captures, changes and rides are written before they are shown.
      </p>
      <p className="mt-2 text-muted">
        {error.digest ? `The server’s window says more under the number ${error.digest}.` : error.message}
      </p>
      <div className="mt-4 flex gap-2">
        <Button look="next" onClick={reset}>
          Try again
        </Button>
        <Link
          className="inline-flex min-h-11 items-center px-2 font-semibold text-muted hover:underline"
          href="/"
        >
          To the road
        </Link>
      </div>
    </main>
  );
}
