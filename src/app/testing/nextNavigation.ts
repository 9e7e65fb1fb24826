import { useState, useSyncExternalStore } from 'react';

/** Stands in for `next/navigation` where pages are drawn without a browser; {@link ./window} says what it does. */
export const router = {
  push: (_url: string) => undefined as unknown,
  replace: (_url: string) => undefined as unknown,
  refresh: () => undefined as unknown,
  back: () => undefined as unknown,
  prefetch: () => undefined as unknown,
};

const listeners = new Set<() => void>();
export const addressChanged = () => listeners.forEach((listener) => listener());
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** How often a page was loaded: nothing of the one before stays. */
export const loads = { count: 0 };

/** What a page asks for that is no longer there leads nowhere. */
function routerOfThisPage(): typeof router {
  const load = loads.count;
  const isHere = () => load === loads.count;
  return {
    ...router,
    push: (url) => isHere() && router.push(url),
    replace: (url) => isHere() && router.replace(url),
    refresh: () => isHere() && router.refresh(),
    back: () => isHere() && router.back(),
  };
}
export const useRouter = () => useState(routerOfThisPage)[0];
export const usePathname = () => useSyncExternalStore(subscribe, () => window.location.pathname);
export const useSearchParams = () =>
  new URLSearchParams(useSyncExternalStore(subscribe, () => window.location.search));

/** A page leads to another one. */
export class Redirect extends Error {
  constructor(readonly to: string) {
    super(`leads to ${to}`);
  }
}
export function redirect(to: string): never {
  throw new Redirect(to);
}
export function notFound(): never {
  throw new Error('there is no such page');
}
