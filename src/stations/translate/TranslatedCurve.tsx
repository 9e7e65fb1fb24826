'use client';

import { useCallback, useMemo } from 'react';
import { AXIS_WORDS, type AxisName } from '@/core/axes/axes';
import { isForceField } from '@/core/force/forceParameters';
import { effectiveResponse } from '@/core/response/compose';
import { layerFromSettings } from '@/core/response/settings';
import { translate } from '@/core/response/translate';
import type { SetAxis } from '@/core/settings/transferSettings';
import { Chart } from '@/ui/Chart';
import type { BookView } from '@/book/model/bookView';
import { basisOf } from '@/book/judge/basis';
import { Facts, restOn } from '@/parts/Facts';
import { percent } from '@/core/text/percent';
import { gapOption, gapPoints } from './gapChart';

/** The curve that was meant against the nearest that the title here can make, and the gap between them. */
export function TranslatedCurve({
  view,
  axis,
  set,
  from,
}: {
  view: BookView;
  axis: AxisName;
  set: SetAxis | undefined;
  from: string;
}) {
  const dialect = view.menus.title[axis]?.dialect;
  const there = useMemo(() => (set ? layerFromSettings(set.dialect, set.values) : null), [set]);
  const translated = useMemo(
    () => (set && dialect ? translate(set.dialect, set.values, dialect) : null),
    [set, dialect],
  );
  const here = useMemo(
    () => (dialect && translated ? layerFromSettings(dialect, translated.values) : null),
    [dialect, translated],
  );
  const build = useCallback(
    (palette: Parameters<typeof gapOption>[2]) => gapOption(there!, here!, palette),
    [there, here],
  );
  if (!there || !here || !translated || !dialect)
    return <p className="mt-6 text-muted">Nothing is known of the {AXIS_WORDS[axis]} yet.</p>;
  const effective = effectiveResponse([there]);
  // The force at neutral is no part of what was meant.
  const shown = dialect.fields.filter(
    ({ key, neutral }) => !isForceField(key) || translated.values[key] !== neutral,
  );
  return (
    <>
      <p className="mt-3 flex gap-6 text-sm" aria-hidden="true">
        <span className="font-bold text-side-a">━━ meant</span>
        <span className="font-bold text-side-b">━ ━ here</span>
      </p>
      <Chart
        className="h-72 max-w-2xl"
        build={build}
        label={`${AXIS_WORDS[axis]}: the curve that was meant in ${from}, and the nearest here`}
        fileName={`${axis}-translated`}
        table={{
          columns: ['travel %', 'meant %', 'here %'],
          rows: gapPoints(there, here).map((row) => row.map((x) => x.toFixed(1))),
        }}
      />
      <Facts
        facts={restOn(basisOf(view).response, [
          {
            value: shown.map((field) => `${field.label} ${translated.values[field.key]}`).join(', '),
            meaning: `is that in ${view.names.title}`,
          },
          {
            value: translated.maxError === 0 ? 'none' : percent(translated.maxError, 1),
            meaning:
              translated.maxError === 0
                ? 'error remains'
                : `is the greatest error, at ${percent(translated.atTravel)} of travel`,
          },
          {
            value: `${percent(effective.deadzone, 1)} to ${percent(effective.saturation)}`,
            meaning: 'of the travel was meant to work',
          },
        ])}
      />
    </>
  );
}
