'use client';

import { useEffect, useRef } from 'react';

/** Reads a colour of the theme, for drawing. */
export type Colours = (name: string) => string;

export type Draw = (
  context: CanvasRenderingContext2D,
  width: number,
  height: number,
  colour: Colours,
) => void;

interface Props {
  draw: Draw;
  label: string;
  className?: string;
  /** What the picture depends on; while it stays the same nothing is painted. Without it, every frame is. */
  sees?: () => number | string;
}

/** A theme is read this often: asking the style engine for colours on every frame costs more than drawing. */
const COLOURS_FOR_MS = 500;

/**
 * A canvas drawn straight from data at the display's rate, never through React state. `draw` gets CSS pixels.
 */
export function LiveCanvas({ draw, label, className = '', sees }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const latest = useRef({ draw, sees });
  useEffect(() => {
    latest.current = { draw, sees };
  });
  useEffect(() => {
    const element = canvas.current!;
    const context = element.getContext('2d', { desynchronized: true })!;
    const colours = themeColours();
    let size = { width: element.clientWidth, height: element.clientHeight };
    const watcher = new ResizeObserver(([entry]) => {
      size = { width: entry!.contentRect.width, height: entry!.contentRect.height };
    });
    watcher.observe(element);
    let frame = 0;
    let seen: string | null = null;
    const paint = (now: number) => {
      frame = requestAnimationFrame(paint);
      const isNewTheme = colours.refresh(now);
      const scale = window.devicePixelRatio || 1;
      const width = Math.round(size.width * scale);
      const height = Math.round(size.height * scale);
      const sight = latest.current.sees && `${latest.current.sees()}/${width}/${height}`;
      if (sight !== undefined && sight === seen && !isNewTheme) return;
      seen = sight ?? null;
      if (element.width !== width || element.height !== height) {
        element.width = width;
        element.height = height;
      }
      context.setTransform(scale, 0, 0, scale, 0, 0);
      context.clearRect(0, 0, size.width, size.height);
      latest.current.draw(context, size.width, size.height, colours.colour);
    };
    frame = requestAnimationFrame(paint);
    return () => {
      cancelAnimationFrame(frame);
      watcher.disconnect();
    };
  }, []);
  return <canvas ref={canvas} role="img" aria-label={label} className={className} />;
}

/** Colours of the theme, read again twice a second; `refresh` tells whether they changed. */
function themeColours() {
  let known = new Map<string, string>();
  let readAt = -Infinity;
  const read = (name: string) =>
    getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();
  return {
    colour(name: string) {
      const value = known.get(name) ?? read(name);
      known.set(name, value);
      return value;
    },
    refresh(now: number): boolean {
      if (now - readAt < COLOURS_FOR_MS) return false;
      readAt = now;
      const before = known.get('ground');
      const ground = read('ground');
      if (before === ground) return false;
      known = new Map([['ground', ground]]);
      return true;
    },
  };
}
