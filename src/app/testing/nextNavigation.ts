import { useSyncExternalStore } from 'react';

/** Stands in for `next/navigation` where pages are drawn without a browser; {@link ./window} says what it does. */
export const router = {
  push: (_url: string) => undefined as void,
  replace: (_url: string) => undefined as void,
  refresh: () => undefined as void,
  back: () => undefined as void,
  prefetch: () => undefined as void,
};

const listeners = new Set<() => void>();
export const addressChanged = () => listeners.forEach((listener) => listener());
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

export const useRouter = () => router;
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
