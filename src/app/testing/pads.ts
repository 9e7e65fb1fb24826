/* Devices that exist in a page alone. Each runs in the page, of a browser too, so it closes over nothing. */

/** A pedal set that only exists in the page: its third axis follows what the guide asks for, in real time. */
export function plainPedals() {
  const REST = -0.94;
  const FULL = 0.93;
  const started = performance.now();
  let phase = '';
  let phaseAt = 0;
  const smooth = (u: number) => {
    const x = Math.min(1, Math.max(0, u));
    return x * x * (3 - 2 * x);
  };
  /** Up, hold, down and pause, again and again. */
  const stroke = (t: number, up: number, hold: number, pause: number, peak: number) => {
    const at = t % (2 * up + hold + pause);
    if (at < up) return peak * smooth(at / up);
    if (at < up + hold) return peak;
    return peak * (1 - smooth((at - up - hold) / up));
  };
  const travel = () => {
    const asked = document.querySelector('h1')?.textContent ?? '';
    const now = (performance.now() - started) / 1000;
    if (asked !== phase) {
      phase = asked;
      phaseAt = now;
    }
    const t = now - phaseAt;
    if (/^Press any pedal/.test(asked)) return stroke(t, 0.4, 0.2, 0.4, 1);
    if (/^Rest your foot/.test(asked)) return 0.035 + 0.003 * Math.sin(t);
    if (/^Press the brake to the stop/.test(asked)) return t < 0.4 ? 0 : stroke(t - 0.4, 1, 0.2, 0.6, 1);
    if (/^Press hard/.test(asked))
      return t < 0.4
        ? 0
        : stroke(t - 0.4, 0.25, 0.5, 0.6, 0.86 + 0.008 * Math.sin(7 * Math.floor((t - 0.4) / 1.6)));
    return 0;
  };
  const quantum = 2 / 4095;
  const read = () =>
    Math.round((REST + travel() * (FULL - REST) + 0.0004 * (Math.random() - 0.5)) / quantum) * quantum;
  const pad = () => ({
    id: 'Plain pedals (made up)',
    index: 0,
    connected: true,
    mapping: '',
    timestamp: performance.now(),
    axes: [0, -1, read()],
    buttons: [{ pressed: false, touched: false, value: 0 }],
  });
  Object.defineProperty(navigator, 'getGamepads', { value: () => [pad(), null], configurable: true });
}

/** A wheel with six buttons and a pedal: what the screen asks for is pressed, each button after a time of its own. */
export function plainRim() {
  const REACH_MS = [300, 350, 400, 450, 1000, 1100];
  const down = new Set<number>();
  let asked = '';
  let askedAt = 0;
  let slipped = false;
  const started = performance.now();
  const follow = () => {
    const now = performance.now();
    const text = document.querySelector('h1')?.textContent ?? '';
    if (text !== asked) {
      asked = text;
      askedAt = now;
      down.clear();
    }
    const name = text.match(/^Press: .*?(\d+)$/)?.[1];
    if (!name) return;
    const index = Number(name) - 1;
    const wait = REACH_MS[index]!;
    // Once the third is missed for the fourth.
    if (index === 2 && !slipped && now - askedAt > wait) {
      down.add(3);
      if (now - askedAt > wait + 120) {
        slipped = true;
        down.delete(3);
      }
    } else if (now - askedAt > wait) down.add(index);
  };
  const pad = () => {
    follow();
    // Pressed again and again: what is held down while the device is opened is no press.
    const isDown = Math.floor((performance.now() - started) / 150) % 2 === 0;
    const pressed = isDown ? (window as unknown as { tapped?: number }).tapped : undefined;
    return {
      ...{ id: 'Plain rim (made up)', index: 0, connected: true, mapping: '' },
      timestamp: performance.now(),
      // Pressed and let go again, never held: on the first page that would lead to the seat.
      axes: [0, -1, Math.sin((performance.now() - started) / 250)],
      buttons: REACH_MS.map((_, i) => {
        const is = down.has(i) || pressed === i;
        return { pressed: is, touched: is, value: is ? 1 : 0 };
      }),
    };
  };
  Object.defineProperty(navigator, 'getGamepads', { value: () => [pad(), null], configurable: true });
}
