/** Every page of the frame, and the seat. */
export const PAGES = [
  'ready',
  'axes/brake',
  'axes/throttle?view=history',
  'axes/check',
  'shape',
  'lock',
  'force',
  'ride',
  'drills',
  'test-run',
  'verdict',
  'card',
  'rig',
  'combinations',
  'translate',
  'translate/describe',
  'seat',
];

/** What a page's code is given to draw with, in letters: its data, and little else. */
export function pageData(html: string): number {
  const pieces = html.matchAll(/self\.__next_f\.push\(\[1,("(?:[^"\\]|\\.)*")\]\)/g);
  return [...pieces].reduce((sum, [, text]) => sum + (JSON.parse(text!) as string).length, 0);
}
