import type { LoggedReport } from '@/core/force/forceReport';
import type { BookView } from '@/book/model/bookView';
import { keepFullScale } from '@/book/write/fullScale';
import { notifyReply } from '@/parts/notifyReply';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep } from '@/ui/StationPage';

/** How strong a title writes the force of a car of which nobody said it: from a log that is chosen, or how to get one. */
export function FullScaleStep({
  view,
  logged,
}: {
  view: BookView;
  /** What the chosen ride says by itself; `null` where none is chosen. */
  logged: LoggedReport | null;
}) {
  const { car, names } = view;
  const scale = logged?.scale ?? null;
  // A catalogue car's full scale belongs to the title that it comes with: only a car of one's own can be told.
  const isOwn = car.id.startsWith('own-car-');
  if (scale && isOwn) {
    const said = `${scale.fullScaleNm.toFixed(1)} N·m`;
    return (
      <NextStep
        title={`Full scale of the ${names.car}: ${said}`}
        actions={
          <Button
            look="next"
            onClick={() =>
              void keepFullScale(Number(scale.fullScaleNm.toFixed(2))).then((reply) =>
                notifyReply(reply, `${said} is written down`),
              )
            }
          >
            Write it down
          </Button>
        }
      >
        ± {scale.plusMinusNm.toFixed(1)} N·m over {scale.seconds.toFixed(0)} s of corners of this log, at the
        gain that is noted for it: what the front tyres give at that lateral acceleration over what{' '}
        {names.title} wrote. The car’s weight, trails and ratio stand behind it.
      </NextStep>
    );
  }
  return (
    <NextStep
      title={`How strong is the force of the ${names.car} here?`}
      actions={
        <>
          <LinkButton href="/ride">Bring in a log</LinkButton>
          <LinkButton href={`/translate/describe?of=car&id=${car.id}`}>Describe the car</LinkButton>
        </>
      }
    >
      Its full-scale torque in {names.title} is taken as usual, {car.fullScaleNm} N·m: no gain is advised on
      that. {howToTell(logged, isOwn)}
    </NextStep>
  );
}

const TELLING = 'force, speed, and lateral acceleration or yaw rate';

function howToTell(logged: LoggedReport | null, isOwn: boolean): string {
  if (!isOwn && logged?.scale)
    return `This log says ${logged.scale.fullScaleNm.toFixed(1)} ± ${logged.scale.plusMinusNm.toFixed(1)} N·m: described as a car of your own it can be written down.`;
  if (!isOwn) return `Described as a car of your own, a log with ${TELLING} tells it.`;
  return logged
    ? `The ride that is chosen does not tell it: it takes a log from the title with ${TELLING}, and corners that the force follows.`
    : `A log with ${TELLING} tells it: choose it above.`;
}
