import { HIGHEST_RATING, LOWEST_RATING } from '@/core/experiment/pairedRatings';
import { rate } from '@/book/write/experiments';
import type { ExperimentView } from '@/book/model/experimentView';
import { notifyReply } from '@/parts/notifyReply';
import { Button } from '@/ui/Button';
import { NextStep } from '@/ui/StationPage';

const RATINGS = Array.from({ length: HIGHEST_RATING - LOWEST_RATING + 1 }, (_, i) => LOWEST_RATING + i);

/** The dimension of feel that was named, 1 to 7, of the last ride that was driven and not rated yet. */
export function RateStep({ open }: { open: ExperimentView }) {
  const { asked, unrated, id } = open;
  if (!('dimension' in asked) || asked.dimension === null || unrated === null) return null;
  const { dimension } = asked;
  return (
    <NextStep
      title={`Rate the ${dimension} of ride ${unrated + 1}`}
      actions={
        <span className="flex flex-wrap gap-1" role="group" aria-label={`Rate ${dimension}`}>
          {RATINGS.map((n) => (
            <Button
              key={n}
              className="!px-3"
              onClick={() =>
                void rate({ id, place: unrated, ratings: { [dimension]: n } }).then((reply) =>
                  notifyReply(reply, `Ride ${unrated + 1} rated ${n}`),
                )
              }
            >
              {n}
            </Button>
          ))}
        </span>
      }
    >
      {LOWEST_RATING} is bad, {HIGHEST_RATING} could not be better.
    </NextStep>
  );
}
