import { holdTimer } from './holdTimer';

it('a hold is as long as it was looked at without a gap', () => {
  const timer = holdTimer();
  expect(timer.isOn).toBe(false);
  // Looks that are 400 ms apart saw what was between, later ones did not.
  expect([1000, 1400, 1800].map((ms) => timer.on(ms))).toEqual([0, 400, 800]);
  expect(timer.isOn).toBe(true);
  expect(timer.on(2201)).toBe(0);
  expect(timer.on(2300)).toBe(99);
});

it('what it was held until is the last look that saw it, and it begins anew', () => {
  const timer = holdTimer();
  timer.on(0);
  timer.on(300);
  expect([timer.off(), timer.isOn, timer.off()]).toEqual([300, false, 0]);
  expect(timer.on(350)).toBe(0);
});
