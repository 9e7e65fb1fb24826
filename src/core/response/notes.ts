import { percentAbout } from '../text/percent';
import type { AxisName } from '../axes/axes';
import { effectiveResponse } from './compose';
import { isLinear } from './curve';
import { layerInverse, type ResponseLayer } from './layer';

/** Something about a response that its driver should know, with the reason in one sentence. */
export interface ResponseNote {
  code: 'doubled-dead-zone' | 'travel-thrown-away' | 'resolution-lost' | 'hides-centring' | 'curves-stacked';
  text: string;
}

export interface NoteFacts {
  axis: AxisName;
  /** Base, title and car in signal order, with the names they go by. */
  layers: { name: string; layer: ResponseLayer }[];
  /** Steps that the device tells apart over the whole travel; `null` where it was not measured. */
  steps: number | null;
  /** How far the wheel stays off its centre when let go, degrees; `null` where it was not measured. */
  centringErrorDeg: number | null;
  /** Hand angle at which the response is full, degrees; for the steering alone. */
  fullAtDeg: number | null;
}

/** Less of the way than this is left: every millimetre counts double and more. */
const LITTLE_TRAVEL = 0.5;
/** Fewer steps than this between nothing and full are felt as stairs. */
const FEW_STEPS = 200;
/** A wheel that stays further off than this does not come back. */
const CENTRING_DEG = 1;

/** What is worth saying of a response, most pressing first. */
export function responseNotes(facts: NoteFacts): ResponseNote[] {
  return [doubled(facts), hiding(facts), thrown(facts), coarse(facts), stacked(facts)].filter(
    (note) => note !== null,
  );
}

function doubled({ layers }: NoteFacts): ResponseNote | null {
  const with_ = layers.filter(({ layer }) => layer.deadzone > 0);
  if (with_.length < 2) return null;
  const { deadzone } = effectiveResponse(layers.map(({ layer }) => layer));
  const each = with_.map(({ name, layer }) => `${percentAbout(layer.deadzone)} in ${name}`).join(' and ');
  return {
    code: 'doubled-dead-zone',
    text: `Two dead zones lie one behind the other (${each}): together the first ${percentAbout(deadzone)} of the way do nothing. Keep one of them.`,
  };
}

function hiding({ axis, layers, centringErrorDeg, fullAtDeg }: NoteFacts): ResponseNote | null {
  if (axis !== 'steering') return null;
  const { deadzone } = effectiveResponse(layers.map(({ layer }) => layer));
  if (deadzone === 0 || fullAtDeg === null) return null;
  const hidden = deadzone * fullAtDeg;
  const fault =
    centringErrorDeg !== null && Math.abs(centringErrorDeg) >= CENTRING_DEG
      ? `The wheel comes to rest ${Math.abs(centringErrorDeg).toFixed(1)}° off centre, and the dead zone hides it: look for friction or a worn centre instead.`
      : 'The wheel comes back by itself: nothing needs to be hidden.';
  return {
    code: 'hides-centring',
    text: `The first ${hidden.toFixed(1)}° to each side steer nothing. ${fault}`,
  };
}

function thrown({ layers }: NoteFacts): ResponseNote | null {
  const { travel } = effectiveResponse(layers.map(({ layer }) => layer));
  if (travel >= LITTLE_TRAVEL) return null;
  return {
    code: 'travel-thrown-away',
    text: `Only ${percentAbout(travel)} of the way are used: the same movement does ${(1 / travel).toFixed(1)} times as much.`,
  };
}

function coarse({ layers, steps }: NoteFacts): ResponseNote | null {
  if (steps === null) return null;
  const { travel } = effectiveResponse(layers.map(({ layer }) => layer));
  const left = Math.floor(steps * travel);
  if (left >= FEW_STEPS || left >= steps) return null;
  return {
    code: 'resolution-lost',
    text: `The sensor tells ${steps.toLocaleString('en')} steps apart; ${left.toLocaleString('en')} of them are left between nothing and full.`,
  };
}

function stacked({ layers }: NoteFacts): ResponseNote | null {
  const curved = layers.filter(({ layer }) => !isLinear(layer.curve));
  if (curved.length < 2) return null;
  return {
    code: 'curves-stacked',
    text: `${curved.map(({ name }) => name).join(' and ')} bend the same signal; what the hand feels is the product of both.`,
  };
}

/** Travel at which a chain of layers gives y: the inverse of the response, at the upper edge where it is flat. */
export function travelFor(layers: ResponseLayer[], y: number): number {
  return layers.reduceRight((v, layer) => layerInverse(layer, v, 'upper'), y);
}
