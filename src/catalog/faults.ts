import type { Fault, Question } from '@/core/ready/finder';

/** "My wheel is not found": what to ask. Hints say where to look. */
export const NOT_FOUND_QUESTIONS: readonly Question[] = [
  {
    id: 'light',
    text: 'Is the light of the base on?',
    hint: 'On the base itself, or the rim’s display.',
  },
  {
    id: 'turned-at-power-up',
    text: 'Did the wheel turn by itself when the power came on?',
    hint: 'It finds its ends then. Hands clear if you try again.',
  },
  {
    id: 'seen-here',
    text: 'Do the bars at the top of this page move when you turn the rim?',
    hint: 'Press a button of the wheel first: a browser shows a device only after that.',
  },
  {
    id: 'pedals-move',
    text: 'Do the bars move when you press the pedals?',
    hint: 'Each pedal once, to its stop.',
  },
  {
    id: 'title-started-last',
    text: 'Was the title started after everything was on?',
    hint: 'Base, pedals, shifter and rim, and only then the title.',
  },
  {
    id: 'listed-in-title',
    text: 'Does the title list the wheel among its devices?',
    hint: 'In its control settings, before anything is bound.',
  },
  {
    id: 'binds-buttons',
    text: 'Can you bind a button of the rim in the title?',
    hint: 'Any button, to anything.',
  },
  {
    id: 'binds-steering',
    text: 'Does the title take the steering when you turn the rim quickly?',
    hint: 'A quick full lock and back.',
  },
  {
    id: 'binding-stays',
    text: 'Are the bindings still there after the title is restarted?',
    hint: 'Leave it, start it again, look.',
  },
  {
    id: 'own-program-open',
    text: 'Is the base’s own program open now?',
    hint: 'Look in the tray as well.',
  },
  {
    id: 'rim-buttons',
    text: 'Do the buttons of the rim do anything at all?',
    hint: 'The rim’s light, or any reaction here.',
  },
  {
    id: 'was-fine-before-update',
    text: 'Did it work until something was updated?',
    hint: 'Firmware, driver program, system or title.',
  },
];

/** Causes of "my wheel is not found", each with what it makes one answer. */
export const NOT_FOUND_FAULTS: readonly Fault[] = [
  {
    id: 'no-power',
    name: 'The base has no power',
    expects: { light: 'no', 'turned-at-power-up': 'no', 'seen-here': 'no' },
    cure: [
      'Put the supply into the base first, then into the wall.',
      'Hands clear: the wheel turns by itself.',
    ],
    weight: 4,
  },
  {
    id: 'not-homed',
    name: 'The base is on but has not found its ends',
    expects: { light: 'yes', 'turned-at-power-up': 'no', 'seen-here': 'no' },
    cure: [
      'Power off, hands off the rim, nothing in its way, power on.',
      'If it still does not turn: the maker’s manual, section on the motor. Do not open it yourself.',
    ],
    weight: 3,
  },
  {
    id: 'usb',
    name: 'The USB cable or its port',
    expects: { light: 'yes', 'turned-at-power-up': 'yes', 'seen-here': 'no', 'was-fine-before-update': 'no' },
    cure: [
      'Another port, straight at the computer, no hub.',
      'Another cable.',
      'Wait ten seconds, press a button of the wheel.',
    ],
    weight: 5,
  },
  {
    id: 'driver-lost',
    name: 'An update took the driver away',
    expects: {
      light: 'yes',
      'turned-at-power-up': 'yes',
      'seen-here': 'no',
      'was-fine-before-update': 'yes',
    },
    cure: [
      'Put the driver program back that worked, and write it down under Rig as kept on purpose.',
      'Restart the computer with the base off, then power it on.',
    ],
    weight: 3,
  },
  {
    id: 'pedals-unplugged',
    name: 'The pedals came on after the base, or not at all',
    expects: { 'seen-here': 'yes', 'pedals-move': 'no', 'rim-buttons': 'yes', 'binds-steering': 'yes' },
    cure: ['Power off. Pedals into the base. USB. Power on.', 'Then start the title.'],
    weight: 5,
  },
  {
    id: 'rim-late',
    name: 'The rim was put on after the start, or does not make contact',
    expects: { 'seen-here': 'yes', 'pedals-move': 'yes', 'rim-buttons': 'no', 'binds-buttons': 'no' },
    cure: [
      'Power off, rim on, quick release locked, power on.',
      'Contacts of the quick release clean and dry.',
    ],
    weight: 3,
  },
  {
    id: 'title-first',
    name: 'The title was started before the wheel was on',
    expects: {
      'seen-here': 'yes',
      'pedals-move': 'yes',
      'rim-buttons': 'yes',
      'title-started-last': 'no',
      'listed-in-title': 'no',
    },
    cure: ['Leave the title, wait until the wheel is on and centred, start the title again.'],
    weight: 8,
  },
  {
    id: 'wrong-mode',
    name: 'The base is in a mode that the title does not know',
    expects: {
      'seen-here': 'yes',
      'pedals-move': 'yes',
      'rim-buttons': 'yes',
      'title-started-last': 'yes',
      'listed-in-title': 'no',
      'was-fine-before-update': 'no',
    },
    cure: ['Change the mode on the base (Ready says which one this title wants).', 'Start the title again.'],
    weight: 5,
  },
  {
    id: 'title-updated',
    name: 'The title’s update no longer knows the wheel',
    expects: {
      'seen-here': 'yes',
      'pedals-move': 'yes',
      'rim-buttons': 'yes',
      'title-started-last': 'yes',
      'listed-in-title': 'no',
      'was-fine-before-update': 'yes',
    },
    cure: [
      'Update the base’s firmware, or choose its plain mode.',
      'Take the settings from your card: the update may have reset them.',
    ],
    weight: 2,
  },
  {
    id: 'two-programs',
    name: 'Two programs hold the wheel at once',
    expects: {
      'seen-here': 'yes',
      'pedals-move': 'yes',
      'rim-buttons': 'yes',
      'listed-in-title': 'yes',
      'binds-buttons': 'no',
      'own-program-open': 'yes',
    },
    cure: ['Shut the base’s own program, also in the tray.', 'Start the title again.'],
    weight: 4,
  },
  {
    id: 'other-device-first',
    name: 'Another device stands in the wheel’s place',
    expects: {
      'seen-here': 'yes',
      'pedals-move': 'yes',
      'rim-buttons': 'yes',
      'listed-in-title': 'yes',
      'binds-buttons': 'no',
      'own-program-open': 'no',
    },
    cure: [
      'Unplug other controllers and virtual ones.',
      'Start the title with the wheel alone, then plug them in again.',
    ],
    weight: 3,
  },
  {
    id: 'rotation-too-wide',
    name: 'The title wants a quick full lock, and the rotation is too wide for one',
    expects: {
      'seen-here': 'yes',
      'pedals-move': 'yes',
      'rim-buttons': 'yes',
      'listed-in-title': 'yes',
      'binds-buttons': 'yes',
      'binds-steering': 'no',
    },
    cure: [
      'Turn the base down to about a third of a turn from the middle each way (300°).',
      'In the title: quick full lock and back while it listens.',
      'Restart the title if it still does not take it, and try once more.',
      'Put the rotation back, and measure the steering again.',
    ],
    weight: 5,
  },
  {
    id: 'locked-preset',
    name: 'Bound in a preset that cannot be changed',
    expects: {
      'seen-here': 'yes',
      'pedals-move': 'yes',
      'rim-buttons': 'yes',
      'listed-in-title': 'yes',
      'binds-buttons': 'yes',
      'binds-steering': 'yes',
      'binding-stays': 'no',
    },
    cure: [
      'Make a preset of your own in the title, choose it, and bind there.',
      'Save it, restart the title, look.',
    ],
    weight: 4,
  },
  {
    id: 'nothing-bound',
    name: 'Found, but nothing is bound yet',
    expects: {
      'seen-here': 'yes',
      'pedals-move': 'yes',
      'rim-buttons': 'yes',
      'listed-in-title': 'yes',
      'binds-buttons': 'yes',
      'binds-steering': 'yes',
      'binding-stays': 'yes',
    },
    cure: [
      'Bind steering, throttle and brake first, handbrake and shifter last and with nothing else mapped.',
    ],
    weight: 2,
  },
];
