'use client';

import { useEffect, useMemo, useState } from 'react';
import { useRouter } from 'next/navigation';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import {
  describedTrackSchema,
  readDescribedTrackJson,
  trackFaults,
  trackFrom,
  writeTrackJson,
  type DescribedTrack,
} from '@/core/formats/trackJson';
import { describeProblem } from '@/core/problem';
import { crossingOf } from '@/core/roads/crossing';
import { NEW_ROAD, roadOrigin, saidOfReading } from '@/book/judge/roadRead';
import { roadMap } from '@/book/judge/roadMap';
import type { BookView } from '@/book/model/bookView';
import type { DescribedThings } from '@/book/model/describedThings';
import { saveRoad } from '@/book/write/roads';
import { RoadLine } from '@/parts/RoadLine';
import { readChosen } from '@/parts/readChosen';
import { notifyReply } from '@/parts/notifyReply';
import { useSchemaForm } from '@/parts/useSchemaForm';
import { Button } from '@/ui/Button';
import { downloadText } from '@/ui/download';
import { FileInput } from '@/ui/FileInput';
import { Form, FormNumber, FormText } from '@/ui/Form';
import { notify } from '@/ui/notices';
import { NextStep, StationPage } from '@/ui/StationPage';
import { CornerTable } from './CornerTable';
import { RoadLines } from './RoadLines';
import { useRoadReading } from './useRoadReading';

const LARGEST_MB = 256;
const namedSchema = z.object({
  name: describedTrackSchema.shape.name,
  widthM: describedTrackSchema.shape.widthM,
});

/** A road of one's own: read from a ride on it, or laid corner by corner. */
export function RoadForm({
  view,
  road,
  tabs,
  rideId,
}: {
  view: BookView;
  road: DescribedThings['road'];
  tabs: React.ReactNode;
  rideId: string | null;
}) {
  const router = useRouter();
  const [shape, setShape] = useState<DescribedTrack>(() => road?.document ?? NEW_ROAD);
  const [said, setSaid] = useState<string[]>([]);
  const [opened, setOpened] = useState(0);
  const form = useSchemaForm(namedSchema, { name: shape.name, widthM: shape.widthM });
  const named = useWatch({ control: form.control }) as Pick<DescribedTrack, 'name' | 'widthM'>;
  const track: DescribedTrack = { ...shape, ...named };
  const has = shape.segments.length > 0 || shape.course !== undefined;
  const take = (next: DescribedTrack, about: string[]) => {
    setShape(next);
    setSaid(about);
    if (next.name && !named.name) form.setValue('name', next.name, { shouldDirty: true });
  };
  const reading = useRoadReading({ car: view.car }, (found, from) =>
    take(
      {
        ...NEW_ROAD,
        name: named.name,
        closed: found.closed,
        course: found.course,
        origin: roadOrigin(found, from),
      },
      saidOfReading(found),
    ),
  );
  const rides = view.rides.filter(({ importedFrom }) => importedFrom !== null);
  const wanted = rides.find(({ id }) => id === rideId);
  const { ofRide } = reading;
  useEffect(() => {
    if (wanted) void ofRide(wanted.id, wanted.importedFrom!);
    // Only once: what is read again is asked for by hand.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted?.id]);
  const open = async (file: File) => {
    if (!file.name.endsWith('.json')) return reading.ofFile(file);
    const read = await readChosen(file, readDescribedTrackJson);
    if (!read.ok) return notify(read.problems.map((one) => describeProblem(one)).join(' '), 'fault');
    take(read.value, []);
    setOpened(opened + 1);
  };
  const save = async (value: z.output<typeof namedSchema>) => {
    const reply = await saveRoad({ road: { ...shape, ...value }, ...(road ? { replaces: road.id } : {}) });
    if (!notifyReply(reply, `${value.name} can be driven now`)) return;
    form.reset(value);
    router.push('/lock');
    router.refresh();
  };
  const faults = has ? trackFaults({ ...track, name: track.name || 'x' }) : [];
  return (
    <StationPage
      finding={has ? headingOf(track) : 'A road of your own'}
      subtitle={
        shape.origin || 'Read from a ride on it, or laid corner by corner. Lock takes its tightest corner.'
      }
      next={
        <>
          {has && (
            <NextStep
              title={named.name.trim() === '' ? 'Its name, and it can be driven' : `Keep ${named.name}`}
              actions={
                <>
                  <Button
                    type="submit"
                    form="road"
                    look="next"
                    disabled={named.name.trim() === '' || faults.length > 0}
                    onClick={() => form.setValue('name', named.name, { shouldDirty: true })}
                  >
                    Keep this road
                  </Button>
                  {named.name.trim() !== '' && faults.length === 0 && (
                    <Button
                      onClick={() =>
                        downloadText(`${named.name}.track.json`, writeTrackJson(track), 'application/json')
                      }
                    >
                      Save as a file
                    </Button>
                  )}
                </>
              }
            >
              {faults.length > 0
                ? faults.map(describeProblem).join(' ')
                : 'It is the one that is driven then, in any title; Lock asks the hands for its tightest corner.'}
            </NextStep>
          )}
          <NextStep title="From a ride on it">
            {rides.length === 0
              ? 'Take a log in at Ride, or open one here that Pebble Road saved: with positions, or with speed and yaw rate or steering.'
              : 'Positions tell it best, then yaw rate; steering needs the car.'}
            {rides.length > 0 && (
              <ul className="mt-1">
                {rides.slice(-4).map(({ id, importedFrom }) => (
                  <li key={id}>
                    <button
                      type="button"
                      className="min-h-11 cursor-pointer text-left underline underline-offset-4"
                      disabled={reading.isBusy}
                      onClick={() => void reading.ofRide(id, importedFrom!)}
                    >
                      Read it from {importedFrom}
                    </button>
                  </li>
                ))}
              </ul>
            )}
            <FileInput
              label="Open a .track.json or .ride.csv"
              accept=".json,.csv,application/json,text/csv"
              isDisabled={reading.isBusy}
              mostMb={LARGEST_MB}
              onFile={(file) => void open(file)}
            />
            <p role="status">{reading.isBusy ? 'Reading the road…' : ''}</p>
            {reading.fault && (
              <p role="alert" className="border-l-4 border-rust pl-3 text-ink">
                {reading.fault}
              </p>
            )}
          </NextStep>
        </>
      }
    >
      {tabs}
      <Form form={form} id="road" what="What you wrote of the road" onKeep={save}>
        <div className="mb-2 grid max-w-3xl gap-x-6 gap-y-1 @min-[36rem]:grid-cols-2">
          <FormText control={form.control} name="name" label="Called" most={80} />
          <div>
            <FormNumber control={form.control} name="widthM" label="Width" unit="m" />
            <p className={`text-sm text-muted ${named.widthM === null ? '' : 'invisible'}`}>assumed 10 m</p>
          </div>
        </div>
      </Form>
      {has && <RoadPicture track={track} />}
      {said.map((one) => (
        <p key={one} className="max-w-2xl text-[15px] text-muted">
          {one}
        </p>
      ))}
      <RoadLines
        key={opened}
        isOpen={!has || shape.segments.length > 0}
        road={shape}
        onLaid={(next, about) => take({ ...NEW_ROAD, name: named.name, ...next }, about)}
      />
    </StationPage>
  );
}

function headingOf(track: DescribedTrack): string {
  const { lengthM } = roadMap(trackFrom('described', track));
  const corners = track.course?.corners.length ?? track.segments.length;
  return `${track.name || 'A road'} of ${(lengthM / 1000).toFixed(2)} km, ${corners} ${corners === 1 ? 'corner' : 'corners'}`;
}

/** The road from above with its corners, and where it crosses itself. */
function RoadPicture({ track }: { track: DescribedTrack }) {
  const { closed, segments, course } = track;
  const spec = useMemo(
    () =>
      trackFrom('described', {
        name: 'This road',
        widthM: null,
        origin: '',
        closed,
        segments,
        ...(course && { course }),
      }),
    [closed, segments, course],
  );
  const crossing = useMemo(() => crossingOf(spec), [spec]);
  return (
    <>
      <RoadLine map={roadMap(spec)} className="h-72 w-full max-w-2xl text-muted" />
      {crossing && (
        <p className="max-w-2xl text-rust">
          It crosses itself, {crossing.firstM.toFixed(0)} m and {crossing.thenM.toFixed(0)} m from its start:
          right where there is a bridge, else a number is wrong.
        </p>
      )}
      <CornerTable spec={spec} />
    </>
  );
}
