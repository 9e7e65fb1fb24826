import type { LaunchAdvice } from '@/core/launch/recommendLaunch';
import { launchWords } from './launch';

const tried = (hold: number, t60P80: number, awayShare: number) => ({
  ...{ hold, exactS: t60P80, t60Mean: t60P80, t60Sd: 0.05, t60P80, awayShare },
  ...{ spinM: 2, bog: 0.1, clutchKj: 73.4 },
});
const advice: LaunchAdvice = {
  rpm: 4000,
  closedFormHold: 0.437,
  exactBest: 0.45,
  recommended: 0.46,
  holds: [tried(0.44, 5.46, 1), tried(0.45, 4.91, 0.17), tried(0.46, 5.01, 0)],
  overRpm: [],
};

it('says the hold in per cent of the travel, what it gives, and what lies one step past the best', () => {
  const words = launchWords(advice);
  expect(words.finding).toBe('Hold the second paddle at 46 % of the clutch’s travel, the engine at 4000 rpm');
  expect(words.gives).toMatch(/5\.01 s/);
  expect(words.cliff).toMatch(/^At 44 % .*5\.46 s/);
  const calm = { ...advice, holds: advice.holds.map((one) => ({ ...one, awayShare: 0 })) };
  expect(launchWords(calm).cliff).not.toMatch(/run away/);
  expect(words.heat).toBe('73 kJ go into the clutch');
  expect(words.away).toMatch(/none/);
  expect(launchWords({ ...advice, recommended: 0.45 }).away).toMatch(/17 starts of 100/);
});
