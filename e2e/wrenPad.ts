import { carById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { SIMULATED_RIGS, simulatedAxes } from '@/catalog/simulatedRigs';
import type { Motion } from '@/core/axes/actor';
import type { AxisName } from '@/core/axes/axes';
import { playAxis, rangeOf } from '@/core/axes/simulatedAxis';
import { chainOf } from '@/core/force/chainOf';
import { handsOff, ROLL_MPS } from '@/core/force/handsOff';

/**
 * The Wren as a gamepad in the page: its hands and feet do what the prompt on the screen says, and nothing else reaches
 * the application. Time runs faster than the wall clock, and only between two looks: the clock of the page shows the very
 * moment that its devices are read at. What the application looks at every 4 ms it looks at every 8 ms of the Wren's.
 * Time stands still as well while nobody looks, and while the server is asked something.
 */
const SPEED = 16;
const LOOK_S = 0.008;
/** At once no more than this is made up, s: where it is looked at every 4 ms, and where by pictures. */
const MOST_AT_ONCE_S = 0.25;
const MOST_BETWEEN_LOOKS_S = 0.05;
const RATE = 250;
const YES = 0;
const NO = 1;
const GATES: Record<number, number> = { 1: 8, 2: 9, 3: 10, 4: 11, 5: 12, 6: 13, [-1]: 14 };
/** Whoever drives by hand alone has no clutch, no lever, and brake and throttle on the paddles. */
const isByHand = (window as unknown as { byHand?: boolean }).byHand === true;
const PEDALS: AxisName[] = isByHand ? ['throttle', 'brake'] : ['throttle', 'brake', 'clutch'];

const wall = performance.now.bind(performance);
const began = wall();
let simulatedS = 0;
performance.now = () => began + 1000 * simulatedS;

const wren = SIMULATED_RIGS.find((rig) => rig.id === 'wren')!;
const played = Object.entries(simulatedAxes(wren, 'Dawn shift')).map(([name, axis], i) => {
  const { rangeMin, rangeMax } = rangeOf(axis);
  return { name: name as AxisName, rangeMin, rangeMax, axis: playAxis(axis, 40 + i, RATE), raw: rangeMin };
});
const of = (name: AxisName) => played.find((p) => p.name === name)!;
const intend = (name: AxisName, motion: Motion) => of(name).axis.intend(motion);

const every = window.setInterval.bind(window);
const clear = window.clearInterval.bind(window);
const looks = new Map<number, () => void>();
let lastLook = 0;
window.setInterval = ((look: () => void, ms: number, ...rest: unknown[]) => {
  if (ms > 4) return every(look, ms, ...rest);
  // Negative: no timer of the browser's is called so.
  looks.set(--lastLook, look);
  return lastLook;
}) as typeof window.setInterval;
window.clearInterval = (id) => {
  if (!looks.delete(Number(id))) clear(id);
};
/** Questions that the server has not answered yet: how long it takes is none of the driver's time. */
let asked = 0;
const fetched = window.fetch.bind(window);
window.fetch = async (...request) => {
  asked++;
  try {
    return await fetched(...request);
  } finally {
    asked--;
  }
};
let before = began;
let owed = 0;
/** Simulated time that has come due since it was last asked. */
const due = (most: number) => {
  const now = wall();
  if (asked > 0) before = now;
  owed = Math.min(most, owed + (SPEED * (now - before)) / 1000);
  before = now;
};
every(() => {
  // Nobody looks: what the hands did meanwhile would be missed.
  if (looks.size === 0) return;
  due(MOST_AT_ONCE_S);
  for (; owed >= LOOK_S; owed -= LOOK_S) {
    for (let i = 0; i < LOOK_S * RATE; i++) step(1 / RATE);
    for (const look of [...looks.values()]) look();
  }
}, 4);
/** Who looks by pictures moves time by looking. */
const passed = () => {
  if (looks.size > 0) return;
  due(MOST_BETWEEN_LOOKS_S);
  for (; owed >= 1 / RATE; owed -= 1 / RATE) step(1 / RATE);
};

let prompt = '';
let promptAt = 0;
/** The pedal that is held down for longer than a press: an answer. */
let held: AxisName | null = null;
const down = new Set<number>();
let gateHeld = 0;

/** What the driver does at a prompt; seconds since it appeared come along. */
type Act = (match: RegExpMatchArray, s: number) => void;
const pulse = (button: number, s: number) => {
  // Pressed for a quarter of a second, every second and a half.
  if (s % 1.5 > 0.8 && s % 1.5 < 1.05) down.add(button);
};
const pedalOf = (text: string) => PEDALS.find((name) => text.includes(name))!;
/** A full press, then the foot waits for what the screen says. */
const sweepOnce = (name: AxisName, s: number) => intend(name, s % 9 < 3 ? 'sweep' : 'off');
/** Down for a second and a half, then up again, over and over. */
const hold = (name: AxisName, s: number) => {
  if (s % 3.5 > 0.6 && s % 3.5 < 2.2) held = name;
};

const causeway = titleById('causeway');
const marl = carById('marl-850');
const felt = new Map<number, boolean>();
/** What the Wren itself does with a minimum force, let go at a slow roll: worked out once a value. */
function rocksAt(value: number): boolean {
  const known = felt.get(value);
  if (known !== undefined) return known;
  const chain = chainOf({
    car: marl,
    rig: wren.spec,
    rateHz: causeway.forceHz,
    menus: menusFor(wren.spec, causeway, marl),
    values: { 'title/steering/minForce': value },
    rotationDeg: null,
  });
  const { verdict } = handsOff(chain, ROLL_MPS);
  const rocks = verdict === 'saws' || verdict === 'rings';
  felt.set(value, rocks);
  return rocks;
}

const SPIN = /^(Turn it .* and hold|Now spin it|Let it run out|Lift the mass|Open the hand|Let it swing out)/;
let massLabel: Motion = 'pendulum:500@140';

const ACTS: [RegExp, Act][] = [
  [/^(Turn it .* and hold|Now spin it|Let it run out)/, () => intend('steering', 'flick')],
  [/^(Lift the mass|Open the hand|Let it swing out)/, () => intend('steering', massLabel)],
  [
    /^Is a mass of (\d+) g/,
    (m, s) => {
      massLabel = `pendulum:${Number(m[1])}@140`;
      pulse(YES, s);
    },
  ],
  [/^Friction .* N·m$/, (_, s) => pulse(YES, s)],
  [/^Stir (\d+): does it rock/, (m, s) => pulse(rocksAt(Number(m[1])) ? YES : NO, s)],
  [/^Stir \d+ stays still|^That was all/, (_, s) => pulse(YES, s)],
  [/^Press any pedal|^There it is/, (_, s) => hold('brake', s)],
  [/^Press the brake to its stop and let go/, (_, s) => sweepOnce('brake', s)],
  [
    /^Now the (throttle|clutch), fully/,
    (m, s) => {
      const axis = m[1] as AxisName;
      if (PEDALS.includes(axis)) sweepOnce(axis, s);
      else hold('brake', s);
    },
  ],
  [/^Do you brake and accelerate by hand/, (_, s) => hold(isByHand ? 'brake' : 'throttle', s)],
  [/^Turn the wheel far|^Turn fully left/, () => intend('steering', 'sweep')],
  [/^Pull the handbrake fully/, (_, s) => hold('brake', s)],
  [
    /^Shifter: through every gate/,
    (_, s) => {
      const order = isByHand ? [] : [0, 1, 2, 3, 4, 5, 6, -1];
      const gate = order[Math.floor(s / 0.6)];
      if (gate === undefined) hold('brake', s - 0.6 * order.length);
      else if (s % 0.6 > 0.25) gateHeld = gate;
    },
  ],
  [/^Is the base a direct drive/, (_, s) => hold('throttle', s)],
  [/shall mean yes/, (_, s) => pulse(YES, s)],
  [/shall mean no/, (_, s) => pulse(NO, s)],
  [
    /^Move everything once/,
    () => {
      for (const name of PEDALS) intend(name, 'sweep');
      intend('steering', 'sweep');
    },
  ],
  [/^Nothing is touched|^The rim stands straight|^Let go|off the |^Lever in neutral/, () => {}],
  [
    /^Hold (a quarter turn|half a turn|a full turn) to the (left|right)/,
    (m) => {
      const angle = { 'a quarter turn': 90, 'half a turn': 180, 'a full turn': 360 }[m[1]!]!;
      intend('steering', `hold:${m[2] === 'left' ? angle : -angle}`);
    },
  ],
  [/^Turn to the (left|right) lock/, (m) => intend('steering', `hold:${m[1] === 'left' ? 5000 : -5000}`)],
  [
    /^Rest your (foot|finger) on the|^Finger on the \w+, not pulling/,
    (m) => intend(pedalOf(m.input!), 'rest'),
  ],
  [/^(?:Press|Pull) the (\w+) to the stop and back/, (m) => intend(m[1] as AxisName, 'sweep')],
  [/^(?:Press|Pull) the (\w+) fully, as you drive/, (m) => intend(m[1] as AxisName, 'press')],
  [/^(Press|Pull) hard/, () => intend('brake', 'press')],
  [/^Into (gate (\d)|reverse) and out/, (m) => intend('gear', `gate:${m[2] ? Number(m[2]) : -1}`)],
  // Pre-flight and recommendations: done, and taken.
  [/[.?]$/, (_, s) => pulse(YES, s)],
];

function step(dt: number) {
  simulatedS += dt;
  const said = document.querySelector('h1')?.textContent ?? '';
  if (said !== prompt) {
    prompt = said;
    promptAt = simulatedS;
    // A spin goes on whatever is said of it meanwhile.
    if (!SPIN.test(prompt)) for (const { axis } of played) axis.intend('off');
    record.prompts.push(said);
  }
  down.clear();
  gateHeld = 0;
  held = null;
  for (const [pattern, act] of ACTS) {
    const match = said.match(pattern);
    if (!match) continue;
    act(match, simulatedS - promptAt);
    break;
  }
  for (const p of played) p.raw = p.axis.sample(simulatedS);
}

const record = { prompts: [] as string[], seconds: () => simulatedS, rocksAt };
(window as unknown as { wren: typeof record }).wren = record;

function reading(name: AxisName): number {
  const { raw, rangeMin, rangeMax } = of(name);
  const share = held === name ? 0.9 : (raw - rangeMin) / (rangeMax - rangeMin);
  return 2 * share - 1;
}

function pad(): Gamepad {
  passed();
  const gear = gateHeld || of('gear').raw;
  return {
    id: 'Wren (made up)',
    index: 0,
    connected: true,
    mapping: '',
    timestamp: performance.now(),
    axes: [reading('steering'), ...PEDALS.map(reading)],
    buttons: Array.from({ length: 16 }, (_, i) => {
      const pressed = down.has(i) || (gear !== 0 && GATES[gear] === i);
      return { pressed, touched: pressed, value: pressed ? 1 : 0 };
    }),
  } as unknown as Gamepad;
}

Object.defineProperty(navigator, 'getGamepads', { value: () => [pad(), null] });
