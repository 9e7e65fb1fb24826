import { ACTIONS, type ActionId } from '@/core/buttons/actions';
import type { ButtonMap, Conflict } from '@/core/buttons/buttonMap';
import { ACTION_IDS } from '@/core/buttons/actions';
import type { RigSpec } from '@/core/rig/rigSpec';
import { secondsOf, type ButtonKind, type RimButton } from '@/core/rig/rimButton';
import { capital } from './format';

export const PADDLE_WORDS: Record<RigSpec['rim']['paddleMode'], string> = {
  'both-clutch': 'both are the clutch',
  'two-stage': 'clutch, one of them at the bite point',
  'clutch-handbrake': 'clutch and handbrake',
  'brake-throttle': 'brake and throttle: driven by hand alone',
};

export const KIND_WORDS: Record<ButtonKind, string> = {
  button: 'button',
  paddle: 'paddle',
  rotary: 'rotary or thumb wheel',
  stick: 'stick',
};

/** A time from the resting grip, and whether anybody measured it. */
export const reachSaid = (button: RimButton): string =>
  button.seconds === null ? `${secondsOf(button).toFixed(1)} s usual` : `${button.seconds.toFixed(2)} s`;

const called = (buttons: readonly RimButton[], index: number): string =>
  buttons.find((one) => one.index === index)?.name ?? `button ${index + 1}`;

/** A conflict of a map as a sentence. */
export function conflictSaid(conflict: Conflict, buttons: readonly RimButton[]): string {
  const action = capital(ACTIONS[conflict.action].word);
  const at = called(buttons, conflict.button);
  switch (conflict.kind) {
    case 'danger-beside':
      return `${action} lies on ${at}, beside ${ACTIONS[conflict.beside].word}: a slip while driving costs the ride.`;
    case 'two-on-one':
      return `${action} and ${ACTIONS[conflict.with].word} both lie on ${at}.`;
    case 'not-passed':
      return `${action} lies on ${at}, which does not arrive on the console.`;
    case 'gone':
      return `${action} lies on ${at}, which this rim has not.`;
    case 'out-of-reach':
      return `${action} is wanted in mid-corner, and ${at} takes ${conflict.seconds.toFixed(1)} s: the hand has to leave its grip.`;
  }
}

/** What lies on each button, as the card has it. */
export function buttonLines(map: ButtonMap, rim: RigSpec['rim']): string[] {
  const placed = ACTION_IDS.flatMap((action: ActionId) => {
    const index = map.on[action];
    return index === undefined || index === null ? [] : [{ action, index }];
  });
  return [
    ...placed.map(
      ({ action, index }) =>
        `${capital(ACTIONS[action].word)}: ${called(rim.buttons, index)} (button ${index + 1})${map.held.includes(action) ? ', held' : ''}`,
    ),
    ...rim.fields.map(({ label, value }) => `${label}: ${value}`),
  ];
}
