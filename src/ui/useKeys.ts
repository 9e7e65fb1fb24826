'use client';

import { useEffect, useRef } from 'react';

/** Handlers by `event.key`, letters in lower case. */
export type KeyMap = Record<string, (event: KeyboardEvent) => void>;

interface Layer {
  keys: KeyMap;
  priority: number;
}

/** Key maps that stand on the page; the highest priority that knows a key takes it. */
const layers = new Set<Layer>();

/**
 * Keys of the page while this component stands; silent while somebody types, or with Ctrl, Alt or Cmd held.
 * @param priority a station's keys (1) come before the frame's (0)
 */
export function useKeys(keys: KeyMap, priority = 1) {
  const layer = useRef<Layer>({ keys, priority });
  useEffect(() => {
    layer.current.keys = keys;
  });
  useEffect(() => {
    const own = layer.current;
    if (layers.size === 0) window.addEventListener('keydown', onKey);
    layers.add(own);
    return () => {
      layers.delete(own);
      if (layers.size === 0) window.removeEventListener('keydown', onKey);
    };
  }, []);
}

function onKey(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
  if (isTyping(event.target)) return;
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  // Space on a button or a link presses that one.
  if (
    key === ' ' &&
    event.target instanceof HTMLElement &&
    event.target.closest('button, a, summary, [role]')
  )
    return;
  const taker = [...layers].sort((a, b) => b.priority - a.priority).find((layer) => layer.keys[key]);
  taker?.keys[key]?.(event);
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      target.closest('input, textarea, select, [role="dialog"], [role="menu"]') !== null)
  );
}
