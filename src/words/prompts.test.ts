import { programmeFor } from '@/core/axes/programme';
import { promptOf, remarkText, stepName } from './prompts';

it('puts every remark of the guide, and every step, in words', () => {
  expect(remarkText({ kind: 'press-stopped-early', share: 0.4, others: 0.86 }, 'brake')).toBe(
    'That press stopped at 40 %, the others at 86 %. Not counted.',
  );
  expect(remarkText({ kind: 'none' }, 'brake')).toBe('');
  expect(remarkText({ kind: 'short-on-one-side', side: 'left', share: 0.8 }, 'steering')).toMatch(
    /^The left side ended at 80 %/,
  );
  for (const axis of ['steering', 'brake', 'handbrake', 'gear', 'paddle_left'] as const)
    programmeFor(axis, { takeup: true, rotationDeg: 900 }).forEach((step, at) => {
      const { title, how } = promptOf(axis, step, at);
      expect(`${title} ${how}`).toMatch(/^[A-Z].+[.]$/);
      expect(`${title} ${how}`).not.toMatch(/undefined|NaN|_/);
    });
  expect(
    promptOf('steering', { kind: 'hold', label: 'hold:-360', wanted: 1, least: 1, degrees: -360 }, 3).title,
  ).toBe('Hold a full turn to the right');
});

it('a lever is pulled, a pedal is pressed: in remarks, and in the names of the steps', () => {
  expect(remarkText({ kind: 'not-held' }, 'handbrake')).toBe('Hold the pull for half a second. Not counted.');
  expect(remarkText({ kind: 'pressed-instead-of-resting' }, 'brake')).toMatch(/a press. Only rest the foot;/);
  const press = programmeFor('handbrake').at(-1)!;
  expect(stepName(press, 'handbrake')).toBe('Pulls');
  expect(stepName(press, 'brake')).toBe('Presses');
});
