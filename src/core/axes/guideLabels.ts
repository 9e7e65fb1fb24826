import type { PhaseRun } from './recording';

/** Gives the samples from `from` on a new label, cutting the run that they start in. */
export function relabel(runs: PhaseRun[], from: number, label: string, to = runs.at(-1)?.to ?? from): void {
  while (runs.length > 0 && runs.at(-1)!.from >= from) runs.pop();
  const last = runs.at(-1);
  if (last && last.to > from) last.to = from;
  if (to <= from) return;
  if (last && last.label === label && last.to === from) last.to = to;
  else runs.push({ label, from, to });
}

/** Takes one label off all runs between two samples. */
export function takeLabelOff(runs: PhaseRun[], label: string, from: number, before = Infinity): void {
  for (const run of runs)
    if (run.label === label && run.from >= from && run.from < before) run.label = 'idle';
  for (let i = runs.length - 1; i > 0; i--)
    if (runs[i]!.label === runs[i - 1]!.label) {
      runs[i - 1]!.to = runs[i]!.to;
      runs.splice(i, 1);
    }
}

/** Where the run begins that a sample with this label would go on. */
export function startOfRun(runs: PhaseRun[], label: string, at: number): number {
  const last = runs.at(-1);
  return last && last.label === label ? last.from : at;
}
