import { axisFinding } from '@/book/judge/road/axes';
import { workedByOf } from '@/core/rig/rigSpec';
import { captureWords } from '@/words/capture';
import type { AxisView } from '@/book/model/axisView';
import type { BookView } from '@/book/model/bookView';
import { StationPage } from '@/ui/StationPage';
import { AxisTabs } from './AxisTabs';
import { CaptureProblems } from './CaptureProblems';

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
        {captureWords(axis.axis, workedByOf(view.rig.spec)).tells.map((text, i) => (
          <li key={text} className="flex gap-4 border-b border-line pb-4">
            <span className="font-mono text-muted">{i + 1}</span>
            {text}
          </li>
        ))}
      </ol>
    </StationPage>
  );
}
