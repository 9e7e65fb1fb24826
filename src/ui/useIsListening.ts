'use client';

import { useSyncExternalStore } from 'react';

const neverChanges = () => () => {};

/** Whether the page's own code listens by now: before that a click reaches nobody, and what could be clicked is better shut. */
export const useIsListening = (): boolean =>
  useSyncExternalStore(
    neverChanges,
    () => true,
    () => false,
  );
