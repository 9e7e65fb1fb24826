import type { Problem } from '@/core/problem';
import type { Step } from '@/book/write/longWork';

export type Answer<T> = ({ ok: true } & T) | { ok: false; problems: Problem[] };

/**
 * Asks the server for long work and follows it.
 * @param onStep is told how far it is
 * @param signal calls it off
 */
export async function watchWork<T>(
  path: string,
  body: File | null,
  onStep: (step: Step) => void,
  signal: AbortSignal,
): Promise<Answer<T>> {
  const answer = await fetch(path, { method: 'POST', body, signal });
  const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  let last: Answer<T> | null = null;
  for (;;) {
    const next = await reader?.read();
    if (!next || next.done) break;
    const lines = (text + next.value).split('\n');
    text = lines.pop()!;
    for (const line of lines) {
      const said = JSON.parse(line) as Step | Answer<T>;
      if ('ok' in said) last = said;
      else onStep(said);
    }
  }
  if (text.trim() !== '') last = JSON.parse(text) as Answer<T>;
  if (!last) throw new Error('the server ended in the middle');
  return last;
}
