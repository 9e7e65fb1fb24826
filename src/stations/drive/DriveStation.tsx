'use client';

import { useEffect } from 'react';
import type { BookView } from '@/book/model/bookView';
import type { DrillLine } from '@/book/model/drillsView';
import type { ExperimentView } from '@/book/model/experimentView';
import { openDevice, useLiveRig } from '@/live/liveRig';
import { useOwnCombination } from '@/live/ownCombination';
import { LinkButton } from '@/ui/LinkButton';
import { DrillDrive } from './DrillDrive';
import { AskedRide } from './AskedRide';
import { FreeDrive, type DriveChoice } from './FreeDrive';
import { TestDrive } from './TestDrive';

/** Drive here: own wheel and pedals on our roads, full screen, through exactly what is in force, or what a question asks for. */
export function DriveStation({
  view,
  choice,
  asked,
  drill,
  isTest,
}: {
  view: BookView;
  choice: DriveChoice;
  /** The question whose rides are driven; `null` for a ride of one's own. */
  asked: ExperimentView | null;
  /** The drill that is practised; `null` for none. */
  drill: DrillLine | null;
  /** A test run is driven, part by part. */
  isTest: boolean;
}) {
  const { source, state } = useLiveRig();
  useOwnCombination(view.combination);
  const device = JSON.stringify(view.rig.spec.device);
  useEffect(
    () => openDevice(JSON.parse(device) as BookView['rig']['spec']['device'], view.combination.driver),
    [device, view.combination.driver],
  );
  if (!source || state === 'waiting')
    return (
      <main className="flex min-h-full flex-col justify-center px-10 py-6">
        <h1 className="text-5xl font-bold">Press any pedal, or pull a paddle</h1>
        <p className="mt-4 text-3xl text-muted">
          The browser shows a wheel or pedal set only after something on it has moved.
        </p>
        <p className="mt-8">
          <LinkButton href="/ride">Back to Ride</LinkButton>
        </p>
      </main>
    );
  if (asked)
    return <AskedRide key={`${source.info.id}/${asked.id}`} view={view} source={source} open={asked} />;
  if (isTest) return <TestDrive key={source.info.id} view={view} source={source} />;
  if (drill)
    return <DrillDrive key={`${source.info.id}/${drill.name}`} view={view} source={source} line={drill} />;
  return <FreeDrive key={source.info.id} view={view} source={source} choice={choice} />;
}
