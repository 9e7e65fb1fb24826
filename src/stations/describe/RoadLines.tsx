'use client';

import { useState } from 'react';
import { trackFaults, type DescribedTrack } from '@/core/formats/trackJson';
import { describeProblem } from '@/core/problem';
import { closedSegments } from '@/core/roads/closedSegments';
import { readSegmentLines, segmentLines } from '@/core/roads/segmentLines';
import { Button } from '@/ui/Button';
import { CheckField } from '@/ui/CheckField';
import { LinesField } from '@/ui/LinesField';

type Laid = Pick<DescribedTrack, 'closed' | 'segments' | 'origin'> & {
  course?: DescribedTrack['course'] & object;
};

/** A road laid corner by corner, as lines that can be pasted. */
export function RoadLines({
  isOpen,
  road,
  onLaid,
}: {
  isOpen: boolean;
  /** The one that is laid anew. */
  road: Pick<DescribedTrack, 'closed' | 'segments'>;
  onLaid(road: Laid, about: string[]): void;
}) {
  const [text, setText] = useState(() => segmentLines(road.segments));
  const [closed, setClosed] = useState(road.closed);
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
        <LinesField
          label="A corner on each line: the straight before it in m, its radius in m, how far it turns in °, left or right"
          rows={5}
          placeholder={'300 190 75 right\n60 60 70 right\n235 12.5 180 left'}
          value={text}
          onChange={setText}
        />
        <div className="flex flex-wrap items-center gap-4">
          <Button disabled={text.trim() === ''} onClick={lay}>
            Lay these lines
          </Button>
          <CheckField label="It ends where it begins" checked={closed} onChange={setClosed} />
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
