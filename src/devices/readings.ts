import isEqual from 'fast-deep-equal';
import type { AxisPlace } from '@/core/rig/rigSpec';
import { hidByKey, openHids } from './hid';
import type { AxisRange } from './source';

/** One analogue reading of anything that the browser shows, right now. */
export interface Reading extends AxisRange {
  device: string;
  place: AxisPlace;
  value: number;
}

/** Connected gamepads with a key each: two of the same id are told apart by their order. */
export function pads(): { key: string; pad: Gamepad }[] {
  const count = new Map<string, number>();
  return navigator
    .getGamepads()
    .filter((pad) => pad?.connected)
    .map((pad) => {
      const n = (count.get(pad!.id) ?? 0) + 1;
      count.set(pad!.id, n);
      return { key: n === 1 ? pad!.id : `${pad!.id} #${n}`, pad: pad! };
    });
}

export function padByKey(key: string): Gamepad | undefined {
  return pads().find((entry) => entry.key === key)?.pad;
}

/** A hat reported as an axis rests outside −1…1 (8/7 or 9/7): no pedal does. */
const HAT_FROM = 1.05;

export function isHatValue(value: number): boolean {
  return Math.abs(value) > HAT_FROM;
}

/** Least and greatest value that a place can give. */
export function rangeOfPlace(device: string, place: AxisPlace): AxisRange {
  switch (place.kind) {
    case 'axis':
      return { min: -1, max: 1 };
    case 'button':
      return { min: 0, max: 1 };
    case 'buttons':
      return { min: 0, max: Math.max(1, ...place.indices.map((index) => index + 1)) };
    case 'hid': {
      const field = hidByKey(device)?.axes[place.index];
      return field ? { min: field.min, max: field.max } : { min: 0, max: 65535 };
    }
  }
}

/** The reading of a place now; `undefined` while its device is away. */
export function readPlace(device: string, place: AxisPlace): number | undefined {
  if (place.kind === 'hid') return hidByKey(device)?.values[place.index];
  const pad = padByKey(device);
  return pad ? readPad(pad, place) : undefined;
}

function readPad(pad: Gamepad, place: Exclude<AxisPlace, { kind: 'hid' }>): number | undefined {
  if (place.kind === 'axis') return pad.axes[place.index];
  if (place.kind === 'button') return pad.buttons[place.index]?.value;
  const pressed = place.indices.find((index) => pad.buttons[index]?.pressed);
  return pressed === undefined ? 0 : pressed + 1;
}

/** Every analogue reading of every device. */
export function allReadings(): Reading[] {
  const ofPads = pads().flatMap(({ key, pad }) =>
    placesOf(pad).map((place) => ({ device: key, place, value: readPad(pad, place) })),
  );
  const ofHids = openHids().flatMap(({ key, values }) =>
    values.map((value, index) => ({ device: key, place: { kind: 'hid' as const, index }, value })),
  );
  return [...ofPads, ...ofHids].flatMap(({ device, place, value }) =>
    value === undefined || !Number.isFinite(value)
      ? []
      : [{ device, place, value, ...rangeOfPlace(device, place) }],
  );
}

/** Every analogue place of a gamepad. */
export function placesOf(pad: Gamepad): Exclude<AxisPlace, { kind: 'hid' | 'buttons' }>[] {
  return [
    ...pad.axes.map((_, index) => ({ kind: 'axis' as const, index })),
    ...pad.buttons.map((_, index) => ({ kind: 'button' as const, index })),
  ];
}

/** Buttons that are down, of all gamepads. */
export function pressedButtons(): { device: string; index: number }[] {
  return pads().flatMap(({ key, pad }) =>
    pad.buttons.flatMap((button, index) => (button.pressed ? [{ device: key, index }] : [])),
  );
}

export const samePlace = (a: AxisPlace, b: AxisPlace) => isEqual(a, b);

export function placeName(place: AxisPlace): string {
  switch (place.kind) {
    case 'axis':
      return `axis ${place.index + 1}`;
    case 'button':
      return `button ${place.index + 1}`;
    case 'buttons':
      return `buttons ${place.indices.map((index) => index + 1).join(', ')}`;
    case 'hid':
      return `raw field ${place.index + 1}`;
  }
}
