'use client';

import { useState } from 'react';
import { trackFaults, type DescribedTrack } from '@/core/formats/trackJson';
import { describeProblem } from '@/core/problem';
import { closedSegments } from '@/core/roads/closedSegments';
import { readSegmentLines, segmentLines } from '@/core/roads/segmentLines';
import type { TrackSegment } from '@/core/vehicle/track';
import { Button } from '@/ui/Button';

type Laid = Pick<DescribedTrack, 'closed' | 'segments' | 'origin'> & {
  course?: DescribedTrack['course'] & object;
};

/** A road laid corner by corner, as lines that can be pasted. */
export function RoadLines({
  isOpen,
  segments,
  onLaid,
}: {
  isOpen: boolean;
  segments: TrackSegment[];
  onLaid(road: Laid, about: string[]): void;
}) {
  const [text, setText] = useState(() => segmentLines(segments));
  const [closed, setClosed] = useState(true);
  const [fault, setFault] = useState<string | null>(null);
  const lay = () => {
    const read = readSegmentLines(text);
    if (!read.ok) return setFault(read.problems.map(describeProblem).join(' '));
    setFault(null);
    const laid: Laid = { closed, segments: read.value, origin: 'laid corner by corner' };
    const isOff = trackFaults({ name: 'x', widthM: null, ...laid }).some(({ code }) => code === 'not-closed');
    if (!isOff) return onLaid(laid, []);
    const closing = closedSegments(read.value);
    if (!closing)
      return setFault(
        'As it stands there it does not come round: its corners have to turn it through one circle (or none, as a figure of eight). One is missing or turns the other way; or let it be an open road.',
      );
    onLaid({ ...laid, segments: [], course: closing.course, origin: 'laid corner by corner, and closed' }, [
      `As laid it ended ${closing.gapM.toFixed(1)} m from its start; the least change of curvature closed it.`,
    ]);
  };
  return (
    <details open={isOpen} className="mt-4 max-w-3xl border-y border-line">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">
        Lay it corner by corner
      </summary>
      <div className="grid gap-3 pb-3">
        <label className="grid gap-1">
          <span className="text-sm text-muted">
            A corner on each line: the straight before it in m, its radius in m, how far it turns in °, left
            or right
          </span>
          <textarea
            rows={5}
            className="w-full rounded-lg border border-line bg-raised p-3 font-mono text-[15px]"
            placeholder={'300 190 75 right\n60 60 70 right\n235 12.5 180 left'}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </label>
        <div className="flex flex-wrap items-center gap-4">
          <Button disabled={text.trim() === ''} onClick={lay}>
            Lay these lines
          </Button>
          <label className="flex min-h-11 items-center gap-2 text-[15px]">
            <input
              type="checkbox"
              className="size-5"
              checked={closed}
              onChange={(event) => setClosed(event.target.checked)}
            />
            It ends where it begins
          </label>
        </div>
        {fault && (
          <p role="alert" className="border-l-4 border-rust pl-3 text-[15px]">
            {fault}
          </p>
        )}
      </div>
    </details>
  );
}
