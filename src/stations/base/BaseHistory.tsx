'use client';

import type { MeasuredBase } from '@/core/rig/measuredBase';
import { forgetMeasuredBase } from '@/book/write/measuredBase';
import { notifyReply } from '@/parts/notifyReply';
import { Button } from '@/ui/Button';
import { momentValue, Table } from '@/ui/Table';
import { withHalf } from '@/words/baseByHand';
import { moment } from '@/words/format';

/** Every measurement that is kept, the newest first: that one holds. */
export function BaseHistory({ measured }: { measured: readonly MeasuredBase[] }) {
  const forget = async ({ atMs }: MeasuredBase) => {
    notifyReply(await forgetMeasuredBase(atMs), `The measurement of ${moment(atMs)} is taken out`);
  };
  return (
    <div className="mt-6 max-w-2xl">
      <Table
        label="Measurements of this base"
        caption="Measurements of this base; the newest holds"
        rows={measured.toReversed()}
        keyOf={({ atMs }) => String(atMs)}
        fileName="base-measurements"
        columns={[
          {
            head: 'When',
            value: ({ atMs }) => momentValue(atMs),
            view: ({ atMs }) => moment(atMs),
            isRowHead: true,
          },
          { head: 'Spins', value: ({ swings }) => swings, isFigure: true },
          {
            head: 'Friction, N·m',
            value: ({ frictionNm }) => frictionNm && frictionNm.value,
            view: ({ frictionNm }) => (frictionNm ? withHalf(frictionNm, 3) : '–'),
            isFigure: true,
          },
          {
            head: 'Friction over inertia',
            value: ({ frictionOverInertia }) => frictionOverInertia.value,
            view: ({ frictionOverInertia }) => withHalf(frictionOverInertia, 2),
            isFigure: true,
          },
          {
            head: '',
            view: (one) => (
              <Button
                look="quiet"
                aria-label={`Take out ${moment(one.atMs)}`}
                onClick={() => void forget(one)}
              >
                Take out
              </Button>
            ),
          },
        ]}
      />
    </div>
  );
}
