import { axisFinding } from '@/book/judge/road/axes';
import type { AxisName } from '@/core/axes/axes';
import type { AxisView } from '@/book/model/axisView';
import type { BookView } from '@/book/model/bookView';
import { StationPage } from '@/ui/StationPage';
import { AxisTabs } from './AxisTabs';
import { CaptureProblems } from './CaptureProblems';

const PEDAL_TELLS = [
  'Foot off: noise, centre and drift.',
  'Foot resting: what drags on the straights.',
  'Three full sweeps: both ends, resolution, wear.',
  'Six comfortable presses: where 100 % belongs.',
];
const TELLS: Partial<Record<AxisName, string[]>> = {
  steering: [
    'Hands off: noise, centre and drift.',
    'Lock to lock three times: both ends, resolution, wear.',
    'A quarter turn held each way: the scale, and which way is left.',
    'A full turn held each way: the rotation, four times as sure as from quarter turns.',
    'Let go after each: where it comes back to, from both sides.',
  ],
  gear: [
    'Neutral: what it reads between the gates.',
    'Every gate twice: its own reading, missed and double reads.',
  ],
  handbrake: [
    'Hand off: noise, centre and drift.',
    'The slack taken up three times: where it begins.',
    'Three full pulls: both ends, resolution, wear.',
    'Six comfortable pulls: where 100 % belongs.',
  ],
};

/** An axis without a capture: what the capture will tell. */
export function NotMeasured({
  view,
  axis,
  measure,
}: {
  view: BookView;
  axis: AxisView;
  measure: React.ReactNode;
}) {
  return (
    <StationPage
      finding={axisFinding(axis).heading}
      subtitle="Measured on your own hardware, by your own hands and feet."
      next={measure}
    >
      <AxisTabs view={view} axis={axis} shows="capture" />
      <CaptureProblems problems={axis.problems} />
      <ol className="mt-2 grid max-w-2xl gap-4 text-lg">
        {(TELLS[axis.axis] ?? PEDAL_TELLS).map((text, i) => (
          <li key={text} className="flex gap-4 border-b border-line pb-4">
            <span className="font-mono text-muted">{i + 1}</span>
            {text}
          </li>
        ))}
      </ol>
    </StationPage>
  );
}
