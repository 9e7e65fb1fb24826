'use client';

import type { ForceSchools } from '@/core/force/forceSchools';
import { Button } from '@/ui/Button';
import { chooseSchool } from '@/book/write/schools';
import { NextStep } from '@/ui/StationPage';
import { told } from '@/parts/told';

interface Side {
  /** Where the driver stands. */
  stands: string;
  /** Why, and what others do. */
  why: string;
  /** Leads to the other side. */
  leave: string;
}

/** Where practitioners disagree about the force; both sides are served. */
const SIDES: { [School in keyof ForceSchools]: Record<ForceSchools[School], Side> } = {
  clipping: {
    trade: {
      stands: 'The biggest hits may clip',
      why: 'At most 2 % of the ride, and 0.2 % held, for a livelier rest.',
      leave: 'I want every peak kept',
    },
    none: {
      stands: 'Nothing may ever clip',
      why: 'Every peak is kept, and the rest is weaker for it.',
      leave: 'I would trade the biggest hits',
    },
  },
  smoothing: {
    smooth: {
      stands: 'As smooth as the title means it',
      why: 'The least smoothing that hides the steps of its rate.',
      leave: 'I want it raw',
    },
    raw: {
      stands: 'Raw and immediate',
      why: 'No smoothing, steps and all.',
      leave: 'I would have it smooth',
    },
  },
  spring: {
    off: {
      stands: 'No centre spring',
      why: 'A false feel: no force but the tyres’.',
      leave: 'I would take a little spring',
    },
    some: {
      stands: 'A little centre spring',
      why: 'Where the tyres are too weak to bring the rim back.',
      leave: 'I want none',
    },
  },
  weight: {
    light: {
      stands: 'Light in the hands',
      why: 'Half of the car’s own column: less tiring, more detail.',
      leave: 'I want it as heavy as the car',
    },
    car: {
      stands: 'As heavy as the car',
      why: 'What its own column would ask, where the base has it.',
      leave: 'I want it lighter',
    },
  },
};

type Choice = { school: keyof ForceSchools; other: string; side: Side };

const choicesOf = (schools: ForceSchools): Choice[] =>
  (Object.keys(SIDES) as (keyof ForceSchools)[]).map((school) => {
    const sides = SIDES[school] as Record<string, Side>;
    const stands = schools[school];
    return { school, other: Object.keys(sides).find((name) => name !== stands)!, side: sides[stands]! };
  });

/** The driver’s sides, each with the way to the other. */
export function SchoolStep({ number, schools }: { number: number; schools: ForceSchools }) {
  return (
    <NextStep number={number} title="How you want it">
      <ul>
        {choicesOf(schools).map(({ school, other, side }) => (
          <li key={school} className="mt-2 border-t border-line pt-2 first:mt-0 first:border-0 first:pt-0">
            <span className="font-medium text-ink">{side.stands}</span>
            <span className="block">{side.why}</span>
            <Button
              look="quiet"
              onClick={() => void chooseSchool({ [school]: other }).then((reply) => told(reply))}
            >
              {side.leave}
            </Button>
          </li>
        ))}
      </ul>
    </NextStep>
  );
}
