import { expect, type Page } from '@playwright/test';

/** What hands and feet do; a test says it, or eyes that look at the picture. */
export interface Hands {
  throttle: number;
  /** A foot that rests on it. */
  brake: number;
  /** Right positive, 1 is the end of the wheel. */
  steer: number;
  buttons: boolean[];
  isThere: boolean;
  /** Steers and goes by what is seen of the road, and nothing else. */
  isDriving: boolean;
}

/** Three axes and two buttons: a wheel, a throttle, and a brake. Runs in the page, so it closes over nothing. */
export function plainWheel() {
  const state: Hands = {
    ...{ throttle: 0, brake: 0.05, steer: 0, buttons: [false, false], isThere: true, isDriving: false },
  };
  (window as unknown as { wheel: Hands }).wheel = state;
  const started = performance.now();

  // What the eyes know of the picture: grass is greener than road and line, the road is 10 m wide, and 11 m ahead lies here.
  const [FOCAL, AHEAD_M, ROAD_M, EYE_M, GREENER] = [0.74, 11, 10, 1.15, 24];
  const LOOKS_DOWN = 0.035;
  /** Hands, of the wheel's half turn, for a curvature in 1/m. */
  const HANDS = 5.2;
  const look = (canvas: HTMLCanvasElement) => {
    const { width, height } = canvas;
    const focal = FOCAL * width;
    const horizon = 0.42 * height - focal * Math.tan(LOOKS_DOWN);
    const row = Math.round(horizon + (focal * EYE_M) / AHEAD_M);
    const { data } = canvas.getContext('2d')!.getImageData(0, row, width, 1);
    const isGrass = (x: number) => data[4 * x]! - data[4 * x + 2]! > GREENER;
    let [left, right] = [0, width - 1];
    const middle = Array.from({ length: width }, (_, x) => x).sort(
      (a, b) => Math.abs(a - width / 2) - Math.abs(b - width / 2),
    );
    const on = middle.find((x) => !isGrass(x));
    if (on === undefined) return 0;
    for (left = on; left > 0 && !isGrass(left);) left--;
    for (right = on; right < width - 1 && !isGrass(right);) right++;
    const half = (ROAD_M * focal) / AHEAD_M / 2;
    const at = left > 0 ? left + half : right < width - 1 ? right - half : width / 2;
    return Math.atan((at - width / 2) / focal);
  };
  const drive = () => {
    const canvas = document.querySelector('[data-drive=driving] canvas') as HTMLCanvasElement | null;
    if (!canvas) {
      Object.assign(state, { throttle: 0, steer: 0 });
      return;
    }
    const wanted = HANDS * ((2 * Math.sin(look(canvas))) / AHEAD_M);
    state.steer += 0.5 * (Math.max(-1, Math.min(1, wanted)) - state.steer);
    // Full throttle, a moment at a time: this foot knows nothing between.
    state.throttle = (performance.now() / 1000) % 2 < 0.48 ? 1 : 0;
  };

  const pad = () => {
    if (state.isDriving) drive();
    const h1 = document.querySelector('h1')?.textContent ?? '';
    const t = (performance.now() - started) / 1000;
    const isAsked = /^Press any pedal/.test(h1) && !document.querySelector('[data-drive]');
    const brake = isAsked ? Math.max(0, Math.sin(4 * t)) : state.brake;
    return {
      ...{ id: 'Plain wheel (made up)', index: 0, connected: true, mapping: '' },
      timestamp: performance.now(),
      axes: [state.steer, -0.95 + 1.95 * state.throttle, -0.95 + 1.9 * brake],
      buttons: state.buttons.map((pressed) => ({ pressed, touched: pressed, value: Number(pressed) })),
    };
  };
  Object.defineProperty(navigator, 'getGamepads', {
    value: () => (state.isThere ? [pad(), null] : [null]),
  });
}

export const hands = (page: Page, over: Partial<Hands>) =>
  page.evaluate((o) => void Object.assign((window as unknown as { wheel: Hands }).wheel, o), over);

/** Pulls a paddle for some pictures. */
export const pull = (page: Page, button: 0 | 1) =>
  page.evaluate(async (index) => {
    const { buttons } = (window as unknown as { wheel: Hands }).wheel;
    buttons[index] = true;
    for (let i = 0; i < 6; i++) await new Promise(requestAnimationFrame);
    buttons[index] = false;
    for (let i = 0; i < 3; i++) await new Promise(requestAnimationFrame);
  }, button);

/** From an empty book to a rig with that wheel, in a car; its three axes are found. */
export async function beginWithPlainWheel(page: Page, url: string, car: string) {
  await page.addInitScript(plainWheel);
  await page.goto(url);
  await expect(page.getByText(/axis 3 of Plain wheel moved over/)).toBeVisible();
  await page.getByLabel('What do you call it?').fill('Workbench');
  await page.getByLabel('Which title do you drive?').selectOption('Causeway');
  await page.getByLabel('With which car?').selectOption(car);
  await page.getByRole('button', { name: 'That is the brake: begin' }).click();
  await expect(page.getByText('On the Workbench in Causeway')).toBeVisible();
  await page.goto(`${url}/rig`);
  for (const [axis, place] of [
    ['steering', 1],
    ['throttle', 2],
  ] as const) {
    await page.getByRole('button', { name: `Find the ${axis} by moving it` }).click();
    const list = page.getByLabel('Or choose a reading');
    await list.selectOption({ label: `Plain wheel: axis ${place}` });
    await expect(page.getByText(`axis ${place} of Plain wheel`, { exact: true })).toBeVisible();
  }
}
