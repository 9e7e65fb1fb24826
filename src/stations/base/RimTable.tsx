'use client';

import { useEffect, useMemo, useState } from 'react';
import type { RimFigures } from '@/core/force/rimOf';
import { FAST_MPS, ROLL_MPS } from '@/core/force/handsOff';
import { isForceDescribed } from '@/core/force/forceParameters';
import { reasonOf } from '@/core/problem';
import { percent } from '@/core/text/percent';
import { speedText } from '@/core/text/speedUnit';
import { rimBeforeAndAfter } from '@/book/judge/measuredBase';
import { calmBasis } from '@/book/judge/basis';
import type { BookView } from '@/book/model/bookView';
import { BasisMark } from '@/parts/BasisMark';
import { Table } from '@/ui/Table';
import { startWorker } from '@/workers/startWorker';

/** The first of the rows speak of the base alone. */
const OF_THE_BASE = 2;

interface Row {
  name: string;
  before: string;
  after: string;
}

/** What is foretold of the rim with what is described or usual, and with what was measured. */
export function RimTable({ view }: { view: BookView }) {
  const isMeasured = view.rig.spec.base.measured.length > 0;
  const asked = useMemo(() => JSON.stringify(rimBeforeAndAfter(view)), [view]);
  const [known, setKnown] = useState<{ asked: string; before: RimFigures; after: RimFigures } | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => {
    const worker = startWorker.base();
    // A worker that was ended while it loaded has nothing more to say.
    let isOver = false;
    const { before, after } = JSON.parse(asked) as ReturnType<typeof rimBeforeAndAfter>;
    Promise.all([worker.ask((base) => base.rim(before)), worker.ask((base) => base.rim(after))])
      .then(([one, other]) => {
        if (isOver) return;
        setKnown({ asked, before: one, after: other });
        setFault(null);
      })
      .catch((error: unknown) => {
        if (!isOver) setFault(reasonOf(error));
      });
    return () => {
      isOver = true;
      worker.end();
    };
  }, [asked]);
  if (fault)
    return (
      <p role="alert" className="mt-4 text-rust">
        The rim could not be foretold: {fault}.
      </p>
    );
  if (known?.asked !== asked)
    return (
      <p role="status" className="mt-6 text-muted">
        Letting the simulated rim go…
      </p>
    );
  // What a rim does by itself hangs on the title's force as well.
  const all = rowsOf(known.before, known.after, view);
  const rows = isForceDescribed(view.menus) ? all : all.slice(0, OF_THE_BASE);
  const usual = { head: 'As described or usual', value: (row: Row) => row.before, isFigure: true };
  return (
    <div className="mt-6 max-w-2xl">
      <Table
        label="What the rim is foretold to do"
        caption={
          <span>
            {view.names.car} in {view.names.title}, with the settings in force
            <BasisMark basis={calmBasis(view.rig.spec)} />
          </span>
        }
        rows={rows}
        keyOf={({ name }) => name}
        isInOrder
        columns={[
          { head: 'Foretold', value: (row) => row.name, isRowHead: true },
          usual,
          ...(isMeasured ? [{ head: 'As measured', value: (row: Row) => row.after, isFigure: true }] : []),
        ]}
      />
    </div>
  );
}

function rowsOf(before: RimFigures, after: RimFigures, { speedUnit }: BookView): Row[] {
  const row = (name: string, of: (rim: RimFigures) => string): Row => ({
    name,
    before: of(before),
    after: of(after),
  });
  const damper = ({ leastDamperNms: d }: RimFigures) =>
    d === null ? 'none settles it' : d === 0 ? 'none is needed' : `${d.toFixed(3)} N·m·s/rad`;
  const still = ({ stillMinForce: m }: RimFigures) => (m === null ? 'moves without any' : percent(m, 1));
  return [
    row('Friction', ({ frictionNm }) => `${frictionNm.toFixed(3)} N·m`),
    row('Inertia of motor and rim', ({ inertiaKgM2 }) => `${(1000 * inertiaKgM2).toFixed(1)} g·m²`),
    row('Of the greatest force, friction takes', ({ swallowed }) => percent(swallowed, 1)),
    row(`Let go at ${speedText(ROLL_MPS, speedUnit)}`, ({ roll }) => roll),
    row(`Let go at ${speedText(FAST_MPS, speedUnit)}`, ({ fast }) => fast),
    row('Least damper that settles both', damper),
    row('Greatest minimum force that stays still', still),
  ];
}
