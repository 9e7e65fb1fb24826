/** When a driver wants something: in mid-corner, about once a lap, now and then, hardly ever. */
export type When = 'mid-corner' | 'lap' | 'sometimes' | 'rarely';

interface Action {
  word: string;
  when: When;
  /** What it costs to press it by accident is the ride, or the race. */
  isDangerous: boolean;
  /** What one wants near while one practises. */
  isForPractice: boolean;
}

const action = (word: string, when: When): Action => ({
  word,
  when,
  isDangerous: false,
  isForPractice: false,
});
const dangerous = (word: string, isForPractice = false): Action => ({
  ...{ word, isForPractice },
  when: 'rarely',
  isDangerous: true,
});

/** What buttons do in titles. A new one is an entry here. */
const TABLE = {
  'brake-balance-front': action('brake balance to the front', 'mid-corner'),
  'brake-balance-rear': action('brake balance to the rear', 'mid-corner'),
  'traction-more': action('more traction control', 'mid-corner'),
  'traction-less': action('less traction control', 'mid-corner'),
  'look-back': action('look back', 'lap'),
  'look-left': action('look left', 'sometimes'),
  'look-right': action('look right', 'sometimes'),
  flash: action('flash the lights', 'lap'),
  boost: action('boost', 'lap'),
  wing: action('open the wing', 'lap'),
  limiter: action('pit limiter', 'sometimes'),
  talk: action('talk', 'sometimes'),
  'engine-map': action('engine map', 'sometimes'),
  lights: action('lights', 'rarely'),
  wiper: action('wiper', 'rarely'),
  horn: action('horn', 'rarely'),
  camera: action('change the view', 'rarely'),
  display: action('next page of the display', 'sometimes'),
  ignition: dangerous('ignition'),
  reset: dangerous('reset the car', true),
  rewind: dangerous('rewind', true),
  pause: dangerous('pause'),
} as const satisfies Record<string, Action>;

export type ActionId = keyof typeof TABLE;
export const ACTIONS: Readonly<Record<ActionId, Action>> = TABLE;
export const ACTION_IDS = Object.keys(TABLE) as [ActionId, ...ActionId[]];

/** Presses a minute, as a driver's habit; only their order matters. */
const PER_MINUTE: Record<When, number> = { 'mid-corner': 2, lap: 0.7, sometimes: 0.1, rarely: 0.02 };

/** When it is wanted by who practises, or races. */
export function whenOf(id: ActionId, isPractising: boolean): When {
  const { when, isForPractice } = ACTIONS[id];
  return isPractising && isForPractice ? 'lap' : when;
}

export const perMinute = (id: ActionId, isPractising: boolean): number =>
  PER_MINUTE[whenOf(id, isPractising)];

/** Pressed while the hands are busy: a slip beside it happens. */
export const isDriven = (id: ActionId): boolean =>
  !ACTIONS[id].isDangerous && (ACTIONS[id].when === 'mid-corner' || ACTIONS[id].when === 'lap');
