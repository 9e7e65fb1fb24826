import { DRILL_NAMES, DRILLS } from '@/core/drills/measureDrill';
import { DRILL_WORDS, drillText } from './drills';

it('every measure of every drill has its word', () => {
  for (const name of DRILL_NAMES)
    expect(Object.keys(DRILL_WORDS[name].measures)).toEqual([...DRILLS[name].names]);
});

it('says what is known, with its unit, and passes over what is not', () => {
  const measures = { presses: 6, peakMean: 0.812, peakSd: null };
  expect(drillText({ name: 'brake-peak', measures, warnings: [] })).toBe('presses 6, mean peak 81 %');
  const slid = { transitionS: 1.234, largestSlipDeg: 21.6, spins: 0 };
  expect(drillText({ name: 'eight', measures: slid, warnings: [] })).toBe(
    'from side to side 1.23 s, largest slip 22°, spins 0',
  );
});
