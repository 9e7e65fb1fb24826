import type { Comparison } from '@/core/decide/compareRides';
import { trustSentence, verdictSentence } from './verdict';

describe('Verdict in words', () => {
  const measure = (
    name: Comparison['name'],
    unit: Comparison['unit'],
    meanA: number,
    meanB: number,
    half: number,
    n = 3,
  ): Comparison => ({
    name,
    label: name,
    unit,
    digits: unit === 's' ? 2 : 0,
    meanA,
    meanB,
    difference: meanB - meanA,
    interval: [meanB - meanA - half, meanB - meanA + half],
    p: 0.1,
    pHolm: 0.3,
    verdict: 'no difference shown',
    smallestShown: 0.5,
    nA: n,
    nB: n,
  });

  it('says what changed, most telling first', () => {
    const all = [
      measure('brakeDrag', 'share', 1, 0, 0),
      measure('brakeReach', 'share', 0, 1, 0),
      measure('lapTimeS', 's', 115.6, 113.4, 0.2),
    ];
    expect(verdictSentence(all)).toBe(
      'With B the brake no longer drags (it did on 100 % of the full throttle), 100 % of the full presses show 100 % instead of 0 % and a lap is 2.20 s shorter',
    );
    expect(verdictSentence([measure('lapTimeS', 's', 115.6, 115.5, 0.4)])).toBe(
      'No difference that these laps could show',
    );
    expect(verdictSentence([measure('lapTimeS', 's', 113, 115, 0.4)])).toBe('With B a lap is 2.00 s longer');
  });

  it('calls three laps a side few, and five enough', () => {
    expect(trustSentence([measure('lapTimeS', 's', 1, 2, 0.1)])).toMatch(
      /^3 laps against 3: .*best possible p 0\.10/,
    );
    expect(trustSentence([measure('lapTimeS', 's', 1, 2, 0.1, 5)])).toMatch(
      /^5 laps against 5: 0 of 1 measures differ/,
    );
  });
});
