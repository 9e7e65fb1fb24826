import { isSequentialLever } from '@/core/axes/analyseShifter';
import type { AxisName } from '@/core/axes/axes';
import type { CaptureStep } from '@/core/axes/programme';
import { Pebble } from '@/ui/Pebble';
import type { CaptureStatus } from '@/live/captureSession';
import { stepName } from '@/words/prompts';

interface Props {
  axis: AxisName;
  steps: CaptureStep[];
  status: Pick<CaptureStatus, 'at' | 'done' | 'progress'>;
  isLarge?: boolean;
}

/** Every repeat as a pebble; the step under way fills. */
export function CaptureProgress({ axis, steps, status, isLarge = false }: Props) {
  const size = isLarge ? 34 : 22;
  // Many short steps (gates, holds) are named by the one under way alone.
  const isCrowded = steps.length > 6;
  const isSequential = isSequentialLever(steps.flatMap(({ gate }) => gate ?? []));
  return (
    <ol className={`flex flex-wrap gap-y-2 ${isCrowded ? 'gap-x-3' : 'gap-x-8'}`} aria-label="Progress">
      {steps.map((step, i) => {
        const isHere = i === status.at;
        const done = i < status.at ? step.wanted : isHere ? status.done : 0;
        return (
          <li key={`${step.label}-${i}`} aria-current={isHere ? 'step' : undefined}>
            <span
              className={`block min-h-5 ${isLarge ? 'text-xl' : 'text-sm'} ${isHere ? 'font-bold' : 'text-muted'}`}
            >
              {!isCrowded || isHere ? (
                stepName(step, axis, isSequential)
              ) : (
                <span className="sr-only">{stepName(step, axis, isSequential)}</span>
              )}
            </span>
            <span className="flex gap-1" aria-label={`${done} of ${step.wanted}`} role="img">
              {Array.from({ length: step.wanted }, (_, k) => (
                <Pebble
                  key={k}
                  size={size}
                  shape={k + i}
                  kind={k < done ? 'check' : isHere && k === done ? 'dot' : 'empty'}
                />
              ))}
            </span>
            {step.wanted === 1 && isHere && (
              <span className="mt-1 block h-1 w-full min-w-16 rounded bg-line" aria-hidden="true">
                <span
                  className="block h-1 rounded bg-lichen"
                  style={{ width: `${100 * status.progress}%` }}
                />
              </span>
            )}
          </li>
        );
      })}
    </ol>
  );
}
