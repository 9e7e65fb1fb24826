import { programmeFor } from '@/core/axes/programme';
import { promptOf, remarkText } from './prompts';

it('puts every remark of the guide, and every step, in words', () => {
  expect(remarkText({ kind: 'press-stopped-early', share: 0.4, others: 0.86 })).toBe(
    'That press stopped at 40 %, the others at 86 %. Not counted.',
  );
  expect(remarkText({ kind: 'none' })).toBe('');
  expect(remarkText({ kind: 'short-on-one-side', side: 'left', share: 0.8 })).toMatch(
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
