'use client';

import type { ForceSchools } from '@/core/force/forceSchools';
import { Button } from '@/ui/Button';
import { chooseSchool } from '@/book/write/schools';
import { NextStep } from '@/ui/StationPage';
import { notifyReply } from '@/parts/notifyReply';

interface Side {
  /** Where the driver stands. */
  stands: string;
  /** Why, and what it costs. */
  why: string;
  /** Leads to this side from another one. */
  come: string;
}

/** Where practitioners disagree about the force; both sides are served. */
const SIDES: { [School in keyof ForceSchools]: Record<ForceSchools[School], Side> } = {
  clipping: {
    trade: {
      stands: 'The biggest hits may clip',
      why: 'At most 2 % of the ride, and 0.2 % held, for a livelier rest.',
      come: 'I would trade the biggest hits',
    },
    none: {
      stands: 'Nothing may ever clip',
      why: 'Every peak is kept, and the rest is weaker for it.',
      come: 'I want every peak kept',
    },
  },
  smoothing: {
    smooth: {
      stands: 'As smooth as the title means it',
      why: 'The least smoothing that hides the steps of its rate.',
      come: 'I would have it smooth',
    },
    raw: {
      stands: 'Raw and immediate',
      why: 'No smoothing, steps and all.',
      come: 'I want it raw',
    },
    quiet: {
      stands: 'Quiet: a desk stand, or a house asleep',
      why: 'The least shaking at the same detail. Quieter than that is only less force, or weaker effects.',
      come: 'It has to be quiet',
    },
  },
  spring: {
    off: {
      stands: 'No centre spring',
      why: 'A false feel: no force but the tyres’.',
      come: 'I want none',
    },
    some: {
      stands: 'A little centre spring',
      why: 'Where the tyres are too weak to bring the rim back.',
      come: 'I would take a little spring',
    },
  },
  weight: {
    light: {
      stands: 'Light in the hands',
      why: 'Half of the car’s own column: less tiring, more detail.',
      come: 'I want it lighter',
    },
    car: {
      stands: 'As heavy as the car',
      why: 'What its own column would ask, where the base has it.',
      come: 'I want it as heavy as the car',
    },
  },
};

interface Choice {
  school: keyof ForceSchools;
  side: Side;
  others: { name: string; side: Side }[];
}

const choicesOf = (schools: ForceSchools): Choice[] =>
  (Object.keys(SIDES) as (keyof ForceSchools)[]).map((school) => {
    const sides: Record<string, Side> = SIDES[school];
    const stands = schools[school];
    const others = Object.entries(sides)
      .filter(([name]) => name !== stands)
      .map(([name, side]) => ({ name, side }));
    return { school, side: sides[stands]!, others };
  });

/** The driver’s sides, each with the way to the others. */
export function SchoolStep({ schools }: { schools: ForceSchools }) {
  return (
    <NextStep title="How you want it">
      <ul>
        {choicesOf(schools).map(({ school, side, others }) => (
          <li key={school} className="mt-2 border-t border-line pt-2 first:mt-0 first:border-0 first:pt-0">
            <span className="font-medium text-ink">{side.stands}</span>
            <span className="block">{side.why}</span>
            {others.map((other) => (
              <Button
                key={other.name}
                look="quiet"
                onClick={() =>
                  void chooseSchool({ [school]: other.name }).then((reply) => notifyReply(reply))
                }
              >
                {other.side.come}
              </Button>
            ))}
          </li>
        ))}
      </ul>
    </NextStep>
  );
}
