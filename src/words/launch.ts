import type { HoldTried, LaunchAdvice } from '@/core/launch/recommendLaunch';

const seconds = (s: number) => `${s.toFixed(2)} s`;
/** A hold in per cent of the clutch's travel, 100 pressed. */
export const holdText = (hold: number): string => `${Math.round(100 * hold)} %`;

const triedAt = ({ holds }: LaunchAdvice, hold: number): HoldTried =>
  holds.reduce((best, one) => (Math.abs(one.hold - hold) < Math.abs(best.hold - hold) ? one : best));

/** What the launch comes to, in a few sentences. */
export function launchWords(advice: LaunchAdvice) {
  const { recommended, exactBest, rpm } = advice;
  const at = triedAt(advice, recommended);
  const past = triedAt(advice, exactBest - 0.01);
  return {
    finding: `Hold the second paddle at ${holdText(recommended)} of the clutch’s travel, the engine at ${rpm} rpm`,
    /** What it gives: simulated, with hands and feet that slip a little. */
    gives: `Four starts in five reach 60 m in ${seconds(at.t60P80)} or less`,
    cliff:
      past.awayShare > 0.5
        ? `At ${holdText(past.hold)} the wheels run away to the engine’s speed and stay there: ${seconds(past.t60P80)}.`
        : `At ${holdText(past.hold)} four starts in five take up to ${seconds(past.t60P80)}.`,
    heat: `${Math.round(at.clutchKj)} kJ go into the clutch`,
    away:
      at.awayShare > 0
        ? `In ${Math.round(100 * at.awayShare)} starts of 100 they do so here too.`
        : 'Here they did so in none of the starts that were tried.',
  };
}
