import Link from 'next/link';

const LOOKS = {
  /** The one next step. */
  next: 'bg-lichen text-on-lichen font-semibold hover:brightness-110',
  plain: 'border border-line font-medium hover:bg-raised',
} as const;

/** A link that looks as what it is: the way to do the next thing elsewhere. */
export function LinkButton({
  href,
  look = 'plain',
  children,
}: {
  href: string;
  look?: keyof typeof LOOKS;
  children: React.ReactNode;
}) {
  return (
    <Link
      href={href}
      className={`inline-flex min-h-11 items-center rounded-lg px-4 text-[15px] ${LOOKS[look]}`}
    >
      {children}
    </Link>
  );
}
