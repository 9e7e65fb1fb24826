import type { ProofItem } from '@/core/axes/proof';
import { proofFigure, shortWords } from './proof';

const item = (kind: ProofItem['kind'], axis: ProofItem['axis'] = 'brake'): ProofItem => ({ axis, kind });

it('a pedal shows a share, the wheel a side', () => {
  expect(proofFigure(item('rest'), 0.0123)).toBe('1.2 %');
  expect(proofFigure(item('full'), 1)).toBe('100 %');
  expect(proofFigure(item('left-lock', 'steering'), 0.5)).toBe('50 % left');
  expect(proofFigure(item('right-lock', 'steering'), -0.987)).toBe('98.7 % right');
  expect(proofFigure(item('centre', 'steering'), 0)).toBe('centre');
});

it('a short press is asked for again, with what it showed; none says nothing', () => {
  expect(shortWords(null, 'brake')).toBe('');
  expect(shortWords(0.934, 'brake')).toMatch(/^That press showed 93.4 %\./);
});
