import type { TaughtButtons } from '@/live/answerButtons';

/** How yes and no are said, for the foot of the screen. */
export function AnswerWords({
  taught: { buttons, nameOf },
  yes,
  no,
  holds = true,
}: {
  taught: Pick<TaughtButtons, 'buttons' | 'nameOf'>;
  /** What yes and no mean here; `null` where there is nothing to say with it. */
  yes: string | null;
  no: string | null;
  holds?: boolean;
}) {
  const button = (index: number | null) => (index === null ? 'any button' : nameOf(index));
  return (
    <>
      {yes && (
        <span>
          <strong className="text-ink">{button(buttons.yes)}</strong>
          {holds && <> or a pedal held</>}: {yes}
        </span>
      )}
      {no && buttons.no !== null && (
        <span>
          <strong className="text-ink">{button(buttons.no)}</strong>: {no}
        </span>
      )}
    </>
  );
}
