'use client';

import { useMemo, useState } from 'react';
import { gridValue, responseParameterOf } from '@/core/response/menuSchema';
import { degreesField } from '@/core/settings/menus';
import { calmCentre } from '@/core/rotation/calmCentre';
import { Button } from '@/ui/Button';
import { NumberSlider } from '@/ui/NumberSlider';
import type { AxisView } from '@/book/model/axisView';
import type { BookView } from '@/book/model/bookView';
import { NextStep } from '@/ui/StationPage';
import { degrees } from '@/words/format';
import { calmNow, calmWish } from '@/book/judge/calmWish';
import { percent } from '@/core/text/percent';
import type { DraftSettings } from '@/parts/useDraftSettings';
import { WeaningGuide } from './WeaningGuide';

interface GuideProps {
  view: BookView;
  axis: AxisView;
  draft: DraftSettings;
  /** Whether no other step stands before it. */
  isFirst: boolean;
}

/** What helps with this axis, beyond what its capture recommends. */
export function Guides(props: GuideProps) {
  const { axis, isFirst } = props;
  if (axis.axis === 'steering') return <CalmGuide {...props} />;
  if (axis.axis === 'clutch') return <ShortClutchGuide {...props} />;
  if (axis.axis === 'throttle') return <WeaningGuide {...props} />;
  return (
    <NextStep title={isFirst ? 'Move a slider' : 'Or move a slider'}>
      The picture follows; nothing is kept before you say so. Move the axis: the dot is you.
    </NextStep>
  );
}

/** Calm on straights without losing the hairpin: rotation and linearity solved together. */
function CalmGuide({ view, axis, draft }: Omit<GuideProps, 'isFirst'>) {
  const [share, setShare] = useState(100);
  const wish = useMemo(() => calmWish(view), [view]);
  const now = useMemo(() => wish && calmNow(view, wish), [view, wish]);
  const found = useMemo(
    () => (wish && now && share !== 100 ? calmCentre({ ...wish, wanted: (now.centre * share) / 100 }) : null),
    [wish, now, share],
  );
  if (!wish || !now) return null;
  const titleField = degreesField(view.menus, 'title', 'rotation');
  const take = () => {
    if (!found) return;
    const steering = (layer: 'base' | 'title', field: string, to: number) =>
      draft.attempt({ layer, axis: axis.axis, field }, to);
    steering('base', wish.baseField.key, found.baseDeg);
    if (titleField) steering('title', titleField.key, gridValue(titleField, found.baseDeg));
    steering('title', wish.linearity.key, found.linearity);
  };
  return (
    <NextStep
      title="Calm on straights, and still round the hairpin"
      actions={
        found && (
          <Button look="next" onClick={take}>
            Try {degrees(found.baseDeg)} and linearity {found.linearity}
          </Button>
        )
      }
    >
      <p>
        Around the centre the road wheels turn {now.centre.toFixed(3)}° per degree of the hands. How much of
        that do you want?
      </p>
      <NumberSlider
        label="At centre, percent of now"
        unit="%"
        isBare
        min={40}
        max={140}
        step={5}
        neutral={100}
        value={share}
        ghost={100}
        onChange={setShare}
      />
      {share !== 100 && !found && <p>No rotation of this base keeps the lock and the hairpin.</p>}
      {found && (
        <p>
          {degrees(found.baseDeg)} with linearity {found.linearity} gives {percent(found.centre / now.centre)}{' '}
          of it. The hairpin takes {degrees(found.hairpinDeg ?? 0)} of the hands, full lock{' '}
          {degrees(found.fullLockDeg)}.
        </p>
      )}
    </NextStep>
  );
}

const SHORT_TRAVEL = 0.6;

/** A clutch that is open after part of its way shortens every shift. */
function ShortClutchGuide({ view, axis, draft }: Omit<GuideProps, 'isFirst'>) {
  const field = view.menus.title[axis.axis]?.dialect.fields.find(
    ({ maps }) => responseParameterOf(maps) === 'saturation',
  );
  if (!field) return null;
  const to = gridValue(field, SHORT_TRAVEL);
  return (
    <NextStep
      title="A short clutch for quick shifts"
      actions={
        <Button onClick={() => draft.attempt({ layer: 'title', axis: axis.axis, field: field.key }, to)}>
          Try {field.label.toLowerCase()} {to}
        </Button>
      }
    >
      Fully open after {percent(SHORT_TRAVEL)} of the way: the foot goes less far on every shift. The bite
      point moves with it, so pull away a few times before you race.
    </NextStep>
  );
}
