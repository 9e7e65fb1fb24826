import { watchAnyHold, watchAssignment } from './assignment';

/** A browser that shows one gamepad with one pedal, read every 20 ms. */
function pedal(path: (s: number) => number, seconds: number) {
  let s = 0;
  const pad = { id: 'Pad', connected: true, buttons: [], axes: [0] };
  Object.defineProperty(globalThis, 'navigator', {
    configurable: true,
    value: { getGamepads: () => [{ ...pad, axes: [2 * path(s) - 1] }] },
  });
  const watch = watchAssignment([]);
  for (; s < seconds; s += 0.02) {
    const { found } = watch.look(1000 * s);
    if (found) return s;
  }
  return null;
}

const between = (from: number, to: number, s: number) => Math.min(1, Math.max(0, (s - from) / (to - from)));

it('a press to the stop and back is found soon after it has come back', () => {
  const at = pedal((s) => between(1, 1.5, s) - between(2.5, 3, s), 10);
  expect(at).toBeGreaterThan(3);
  expect(at).toBeLessThan(3.6);
});

it('a pedal held at its stop is not taken for one that came back', () => {
  expect(pedal((s) => between(1, 1.5, s) - between(2.9, 3.3, s), 3)).toBeNull();
});

it('a pedal that was down when the watch began is found once it is left alone', () => {
  const at = pedal((s) => 1 - between(0.5, 1, s), 10);
  expect(at).toBeGreaterThan(2.9);
  expect(at).toBeLessThan(3.3);
});

it('a wheel that stays where it is let go is found there', () => {
  expect(
    pedal((s) => 0.5 + 0.5 * between(0.5, 1, s) - between(1.5, 2.5, s) + 0.2 * between(3, 3.5, s), 10),
  ).toBeGreaterThan(5);
});

it('what does not move far is not found', () => {
  expect(pedal((s) => 0.3 * Math.sin(3 * s) ** 2, 10)).toBeNull();
});

/** Whether a pedal was held that lies at these values at these moments, s. */
function isAnyHeld(looks: [s: number, value: number][]) {
  const watch = watchAnyHold();
  return looks.some(([s, value]) => {
    Object.assign(navigator, {
      getGamepads: () => [{ id: 'Pad', connected: true, buttons: [], axes: [value] }],
    });
    return watch(1000 * s);
  });
}
/** Down from 0.1 s to an end, looked at so often a second. */
const pressUntil = (end: number, perS: number) =>
  Array.from({ length: 2 * perS + 1 }, (_, i): [number, number] => {
    const s = i / perS;
    return [s, s > 0.05 && s <= end ? 0.8 : -1];
  });

it('a hold of a second counts when it is let go, a shorter press does not', () => {
  expect(isAnyHeld(pressUntil(1.3, 20))).toBe(true);
  expect(isAnyHeld(pressUntil(0.9, 20))).toBe(false);
  // While it is still down nothing was let go.
  expect(isAnyHeld(pressUntil(9, 20))).toBe(false);
});

it('two presses that a standing page took for one are no hold', () => {
  const [before, after] = [pressUntil(0.4, 20).slice(0, 6), pressUntil(9, 20).slice(34, 37)];
  expect(isAnyHeld([...before, ...after, [1.9, -1]])).toBe(false);
});
