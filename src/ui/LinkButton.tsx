import Link from 'next/link';

/** A link that looks as what it is: the way to do the next thing elsewhere. */
export function LinkButton({ href, children }: { href: string; children: string }) {
  return (
    <Link
      href={href}
      className="inline-flex min-h-11 items-center rounded-lg border border-line px-4 text-[15px] font-medium hover:bg-raised"
    >
      {children}
    </Link>
  );
}
