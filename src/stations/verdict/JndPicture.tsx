'use client';

import { useCallback } from 'react';
import { offeredApart, type JndPlan } from '@/core/experiment/questions/jnd';
import { fine, settingWords } from '@/book/judge/experimentWords';
import type { BookView } from '@/book/model/bookView';
import type { ExperimentAnswer } from '@/core/experiment/questions';
import { Chart } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import { jndOption } from './answerChart';

/** How far apart the rides of each pair were, and which of them were told apart. */
export function JndPicture({
  view,
  answer: { pairs, told, orders },
  plan,
}: {
  view: BookView;
  answer: Extract<ExperimentAnswer, { kind: 'jnd' }>;
  plan: JndPlan;
}) {
  const { key } = plan.setting;
  const name = settingWords(view).name(key);
  const most = offeredApart(plan).at(-1) ?? 0;
  const build = useCallback(
    (palette: ChartPalette) => jndOption(pairs, told, most, `${name}: apart`, palette),
    [pairs, told, most, name],
  );
  if (pairs.length === 0) return null;
  return (
    <>
      <Chart
        className="h-64"
        build={build}
        label="How far apart the rides of each pair were"
        fileName="noticed"
        table={{
          columns: ['pair', 'order', 'apart', 'named'],
          rows: pairs.map(({ place, apart, isRight }) => [
            String(place + 1),
            orders[place]!,
            fine(view, key, apart),
            isRight ? 'right' : 'wrong',
          ]),
        }}
      />
      <p className="mt-1 text-sm text-muted" aria-hidden="true">
        ● named right, ○ wrong; line and shade: what you just notice, and what your answers leave open (90 %)
      </p>
    </>
  );
}
