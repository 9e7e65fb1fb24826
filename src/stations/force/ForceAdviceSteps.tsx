'use client';

import Link from 'next/link';
import { useState } from 'react';
import type { ForceAdvice } from '@/core/force/forceAdvice';
import { forceField } from '@/core/force/forceParameters';
import { decimalsOf } from '@/core/response/dialect';
import { keyText } from '@/core/settings/setting';
import { Button } from '@/ui/Button';
import type { ForceReport } from '@/core/force/forceReport';
import type { BookView } from '@/book/model/bookView';
import { applyChanges } from '@/book/write/settings';
import { NextStep } from '@/ui/StationPage';
import { told } from '@/parts/told';
import { ApplyButton } from './ApplyButton';
import { heavierCaution } from '@/book/judge/force';
import { SchoolStep } from './SchoolStep';
import type { ForceState } from './useForce';

/** What would help, numbered, and the driver’s schools. */
export function ForceAdviceSteps({
  force,
  report,
  view,
}: {
  force: ForceState;
  /** Of the ride that is chosen. */
  report: ForceReport | null;
  view: BookView;
}) {
  const [declined, setDeclined] = useState<string[]>([]);
  const idOf = (one: ForceAdvice) => `${keyText(one.key)}:${one.to}`;
  const all = [
    ...(force.stability?.advice ?? []),
    ...(report ? [report.gain, report.weight] : []).filter((one) => one !== null),
    ...(force.smooth?.advice ?? []),
  ];
  const shown = all.filter((one) => !declined.includes(idOf(one)));
  const least = forceField(view.menus, view.settings, 'title', 'minForce');
  return (
    <>
      {shown.map((one, i) => (
        <AdviceStep
          key={idOf(one)}
          one={one}
          number={i + 1}
          view={view}
          isBusy={force.isBusy}
          onDecline={() => setDeclined([...declined, idOf(one)])}
        />
      ))}
      {force.isBusy && !force.fault && shown.length === 0 && (
        <p className="py-4 text-muted" role="status">
          Working out what would help…
        </p>
      )}
      {least && (
        <NextStep
          number={shown.length + 1}
          title={`${least.field.label}, found on the rig`}
          actions={
            <Link
              href="/seat?do=least"
              className="inline-flex min-h-11 items-center rounded-lg border border-line px-4 text-[15px] font-medium hover:bg-raised"
            >
              From the seat
            </Link>
          }
        >
          A slow roll, hands off: a few answers by paddle find the greatest value that stays still.
        </NextStep>
      )}
      <SchoolStep number={shown.length + (least ? 2 : 1)} schools={view.schools} />
    </>
  );
}

function AdviceStep({
  one,
  number,
  view,
  isBusy,
  onDecline,
}: {
  one: ForceAdvice;
  number: number;
  view: BookView;
  isBusy: boolean;
  onDecline(): void;
}) {
  const field = view.menus[one.key.layer].steering!.dialect.fields.find(({ key }) => key === one.key.field)!;
  const text = (value: number) => value.toFixed(decimalsOf(field));
  const change = `${text(one.from)} → ${text(one.to)}`;
  const caution = heavierCaution(view, { ...view.settings, [keyText(one.key)]: one.to });
  const apply = async () => {
    const reply = await applyChanges([
      { ...one.key, to: one.to, seen: view.settings[keyText(one.key)] ?? null, why: one.evidence },
    ]);
    told(reply, `${one.label} ${change} is on the trail`);
  };
  return (
    <NextStep
      number={number}
      title={
        <>
          {one.label} <span className="font-mono text-[15px] whitespace-nowrap">{change}</span>
        </>
      }
      actions={
        <>
          <ApplyButton
            caution={caution}
            name={`Apply: ${one.label} ${text(one.from)} to ${text(one.to)}`}
            isBusy={isBusy}
            onApply={() => void apply()}
          >
            Apply
          </ApplyButton>
          <Button look="quiet" onClick={onDecline} aria-label={`Not for me: ${one.label}`}>
            Not for me
          </Button>
        </>
      }
    >
      {one.evidence}
    </NextStep>
  );
}
