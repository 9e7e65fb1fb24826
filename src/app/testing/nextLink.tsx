import type { AnchorHTMLAttributes } from 'react';
import { router } from './nextNavigation';

/** Stands in for `next/link`. */
export default function Link({
  href,
  onClick,
  prefetch: _,
  ...rest
}: AnchorHTMLAttributes<HTMLAnchorElement> & { href: string; prefetch?: boolean }) {
  return (
    <a
      {...rest}
      href={href}
      onClick={(event) => {
        onClick?.(event);
        if (event.defaultPrevented) return;
        event.preventDefault();
        router.push(href);
      }}
    />
  );
}
