'use client';

import { useState } from 'react';
import { strengthFor } from '@/core/force/weight';
import { chainOf } from '@/core/force/chainOf';
import { Button } from '@/ui/Button';
import { NumberField } from '@/ui/fields';
import type { BookView } from '@/book/model/bookView';
import type { RoadMap } from '@/book/model/rideTrace';
import type { DraftSettings } from '@/parts/useDraftSettings';
import { RideChoice, StrengthPicture } from './StrengthPicture';
import type { ForceState } from './useForce';
import type { LoggedForce } from './useLoggedRide';

/** Strength: clipping on a ride of one's choice. */
export function StrengthPanel({
  view,
  force,
  logged,
  road,
}: {
  view: BookView;
  force: ForceState;
  logged: LoggedForce;
  road: RoadMap;
}) {
  // Held here: the picture goes while a ride is read, and what was chosen of it stays.
  const [isMap, setMap] = useState(false);
  const { ride, fault, isBusy } = logged;
  const { report, kept } = force;
  const judgement = ride ? logged.report?.judgement : report!.judgement;
  // A ghost that lies under the line would only thicken it.
  const ghost = !ride && kept && kept !== report ? kept.judgement : null;
  return (
    <>
      <RideChoice view={view} chosen={ride} onChoose={logged.choose} />
      {fault ? (
        <p role="alert" className="flex h-64 items-center text-rust">
          The ride could not be judged: {fault}.
        </p>
      ) : judgement ? (
        <StrengthPicture
          view={view}
          road={ride ? outlineMap(logged) : road}
          judgement={judgement}
          ghost={ghost}
          isMap={isMap}
          onMap={setMap}
        />
      ) : (
        <p role="status" className="flex h-64 items-center text-muted">
          {isBusy ? 'Reading the ride…' : 'This ride was logged without a force.'}
        </p>
      )}
    </>
  );
}

/** Where the chosen log's lap went, as a map. */
function outlineMap({ report }: LoggedForce): RoadMap | null {
  const outline = report?.outline;
  return outline ? { name: 'The lap as it was logged', ...outline } : null;
}

/** The base's strength for a weight that the driver names. */
export function WantedWeight({ force, draft }: { force: ForceState; draft: DraftSettings }) {
  const [wanted, setWanted] = useState<number | null>(null);
  const { facts, report } = force;
  if (!report) return null;
  const found =
    wanted === null ? null : strengthFor(facts, chainOf(facts), wanted, report.judgement.cornerNm);
  return (
    <div className="mt-4 flex max-w-2xl flex-wrap items-center gap-4">
      <div className="w-80">
        <NumberField label="Wanted in corners" unit="N·m" value={wanted} onChange={setWanted} />
      </div>
      {found &&
        ('refused' in found ? (
          <p role="status" className="text-rust">
            {found.refused}
          </p>
        ) : (
          <>
            <p role="status">
              {found.field.field.label} <span className="font-mono">{found.to}</span> gives{' '}
              {found.cornerNm.toFixed(1)} N·m.
            </p>
            {found.to !== found.field.value && (
              <Button onClick={() => draft.attempt(found.field.key, found.to)}>Try {found.to}</Button>
            )}
          </>
        ))}
    </div>
  );
}
