import { buildSync } from 'esbuild';

/** The Wren as a gamepad that follows the prompts, as one script for the page. */
export function wrenScript(): string {
  const [file] = buildSync({
    entryPoints: ['e2e/wrenPad.ts'],
    bundle: true,
    format: 'iife',
    target: 'chrome120',
    alias: { '@': './src' },
    write: false,
  }).outputFiles;
  return file!.text;
}

/** What the page of a Wren tells of it. */
export interface Wren {
  prompts: string[];
  seconds(): number;
  rocksAt(value: number): boolean;
}
