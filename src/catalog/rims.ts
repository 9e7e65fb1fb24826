import type { ButtonKind, RimButton, RimSpot } from '@/core/rig/rimButton';

const button = (index: number, name: string, spot: RimSpot, kind: ButtonKind = 'button'): RimButton => ({
  ...{ index, name, spot, kind },
  seconds: null,
  hitInstead: [],
  passes: true,
});
const paddles = [
  button(0, 'right paddle', 'behind-right-upper', 'paddle'),
  button(1, 'left paddle', 'behind-left-upper', 'paddle'),
];

/** Rims of simulated rigs whose drivers have pressed them one by one; the Gannet's is still to be. */
export const RIMS = {
  wren: [
    ...paddles,
    button(2, 'left top', 'left-upper'),
    button(3, 'left bottom', 'left-lower'),
    button(4, 'right top', 'right-upper'),
    button(5, 'right bottom', 'right-lower'),
    button(6, 'left of the middle', 'left-bottom'),
    button(7, 'right of the middle', 'right-bottom'),
    button(8, 'left thumb', 'left-middle'),
    button(9, 'right thumb', 'right-middle'),
  ],
  tern: [
    ...paddles,
    button(2, 'left thumb', 'left-middle'),
    button(3, 'left top', 'left-upper'),
    button(4, 'left low', 'left-lower'),
    button(5, 'right thumb', 'right-middle'),
    button(6, 'right top', 'right-upper'),
    button(7, 'right low', 'right-lower'),
    button(8, 'bottom left', 'left-bottom'),
    button(9, 'bottom right', 'right-bottom'),
    button(10, 'middle', 'centre'),
    button(11, 'top', 'centre-upper'),
  ],
} satisfies Record<string, RimButton[]>;
