'use client';

import isEqual from 'fast-deep-equal';
import { useEffect, useState } from 'react';
import { simulatedRigById } from '@/catalog/find';
import { SIMULATED_RIGS } from '@/catalog/simulatedRigs';
import { AXIS_WORDS, type AxisName } from '@/core/axes/axes';
import { axesOf, type AxisPlace } from '@/core/rig/rigSpec';
import type { Rig } from '@/core/rig/rig';
import { pads, placeName, placesOf, pressedButtons } from '@/devices/readings';
import { shortName } from '@/devices/realDevice';
import type { Mover } from '@/devices/axisMovement';
import { Button } from '@/ui/Button';
import { capital } from '@/words/format';
import { notifyReply } from './notifyReply';
import { assignAxis, takeDevice } from '@/book/write/rigs';
import { RawReports } from './RawReports';
import { useMover } from '@/live/useMover';

/** Where every axis of the rig comes from: by moving it, or from a list. */
export function AxisSources({ rig }: { rig: Rig }) {
  const [watched, setWatched] = useState<AxisName | null>(null);
  const { device } = rig.spec;
  const sources = device.kind === 'real' ? device.axes : {};
  const taken = Object.entries(sources)
    .filter(([axis]) => axis !== watched)
    .map(([, source]) => source);
  const assign = async (axis: AxisName, found: { device: string; place: AxisPlace }) => {
    setWatched(null);
    const reply = await assignAxis({ axis, device: found.device, place: found.place });
    notifyReply(reply, `The ${AXIS_WORDS[axis]} is ${placeName(found.place)} of ${shortName(found.device)}`);
  };
  return (
    <section aria-labelledby="axis-sources" className="border-b border-line pb-4">
      <h3 id="axis-sources" className="py-3 font-bold">
        Where the axes come from
      </h3>
      <p className="text-[15px] text-muted">
        {device.kind === 'simulated'
          ? `The simulated ${simulatedRigById(device.rig).name} stands in.`
          : 'Move an axis to assign it: the biggest mover wins.'}
      </p>
      <ul>
        {axesOf(rig.spec).map((axis) => {
          const source = sources[axis];
          return (
            <li key={axis} className="border-t border-line py-2 first:border-0">
              <div className="flex items-center justify-between gap-2">
                <span>
                  <span className="block font-semibold">{capital(AXIS_WORDS[axis])}</span>
                  <span className="block text-sm text-muted">
                    {source
                      ? `${placeName(source.place)} of ${shortName(source.device)}`
                      : device.kind === 'simulated'
                        ? 'simulated'
                        : 'not assigned'}
                  </span>
                </span>
                <Button
                  onClick={() => setWatched(watched === axis ? null : axis)}
                  aria-label={`Find the ${AXIS_WORDS[axis]} by moving it`}
                >
                  {watched === axis ? 'Stop' : 'Move it'}
                </Button>
              </div>
              {watched === axis &&
                (axis === 'gear' ? (
                  <FindLever onFound={(found) => void assign(axis, found)} />
                ) : (
                  <FindAxis axis={axis} taken={taken} onFound={(found) => void assign(axis, found)} />
                ))}
            </li>
          );
        })}
      </ul>
      <RawReports rig={rig} />
      {device.kind === 'real' && (
        <label className="mt-2 grid gap-1 text-[15px]">
          No hardware at hand?
          <select
            className="h-11 rounded-lg border border-line bg-raised px-2"
            value=""
            onChange={(event) =>
              void takeDevice({ kind: 'simulated', rig: event.target.value }).then((reply) =>
                notifyReply(reply, 'A simulated rig stands in'),
              )
            }
          >
            <option value="" disabled>
              let a simulated rig stand in
            </option>
            {SIMULATED_RIGS.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
    </section>
  );
}

type Found = Pick<Mover, 'device' | 'place'>;

function FindAxis({ axis, taken, onFound }: { axis: AxisName; taken: Found[]; onFound(found: Found): void }) {
  const { first, ties } = useMover(true, taken);
  const choices = ties.length > 0 ? ties : first ? [first] : [];
  return (
    <div className="mt-2 text-[15px]" aria-live="polite">
      {choices.length === 0 && <p>Move the {AXIS_WORDS[axis]} over its whole way, and nothing else…</p>}
      {ties.length > 0 && <p>Several moved about as far. Which is it?</p>}
      {choices.map((mover) => (
        <div key={mover.device + JSON.stringify(mover.place)} className="mt-1">
          <Button look="next" onClick={() => onFound(mover)}>
            That is it: {placeName(mover.place)} of {shortName(mover.device)}
          </Button>
        </div>
      ))}
      <PlaceList onFound={onFound} />
    </div>
  );
}

/** Every place of every gamepad, for whoever knows. */
function PlaceList({ onFound }: { onFound(found: Found): void }) {
  return (
    <select
      className="mt-2 h-11 w-full rounded-lg border border-line bg-raised px-2"
      aria-label="Or choose a reading"
      value=""
      onChange={(event) => onFound(JSON.parse(event.target.value) as Found)}
    >
      <option value="" disabled>
        or choose a reading
      </option>
      {pads().flatMap(({ key, pad }) =>
        placesOf(pad).map((place) => (
          <option key={`${key}/${placeName(place)}`} value={JSON.stringify({ device: key, place })}>
            {shortName(key)}: {placeName(place)}
          </option>
        )),
      )}
    </select>
  );
}

/** A lever is buttons: those that go down while it is moved through its gates. */
function FindLever({ onFound }: { onFound(found: Found): void }) {
  const found = usePressed();
  return (
    <div className="mt-2 text-[15px]" aria-live="polite">
      <p>
        {found
          ? `Seen: ${placeName(found.place)} of ${shortName(found.device)}. Go through every gate.`
          : 'Move the lever through every gate, reverse last…'}
      </p>
      {found && (
        <Button look="next" className="mt-1" onClick={() => onFound(found)}>
          That was every gate
        </Button>
      )}
    </div>
  );
}

/** Buttons that have been down since the watch began, of the device that had most of them. */
export function usePressed(): { device: string; place: Extract<AxisPlace, { kind: 'buttons' }> } | null {
  const [found, setFound] = useState<ReturnType<typeof usePressed>>(null);
  useEffect(() => {
    const seen = new Map<string, Set<number>>();
    let frame = requestAnimationFrame(function look() {
      for (const { device, index } of pressedButtons())
        seen.set(device, (seen.get(device) ?? new Set()).add(index));
      const most = [...seen].sort((a, b) => b[1].size - a[1].size)[0];
      const now = most && { device: most[0], place: { kind: 'buttons' as const, indices: [...most[1]] } };
      setFound((before) => (isEqual(before, now ?? null) ? before : (now ?? null)));
      frame = requestAnimationFrame(look);
    });
    return () => cancelAnimationFrame(frame);
  }, []);
  return found;
}
