import type { Curve } from './curve';
import { travelHistogram, TRAVEL_BINS } from '../rides/travelHistogram';
import { respond } from './compose';
import { NEUTRAL_LAYER, type ResponseLayer } from './layer';
import { responseNotes, travelFor, type NoteFacts } from './notes';

const layer = (more: Partial<ResponseLayer>): ResponseLayer => ({ ...NEUTRAL_LAYER, ...more });
const said = (layers: ResponseLayer[], more: Partial<NoteFacts> = {}) =>
  responseNotes({
    axis: 'brake',
    layers: layers.map((l, i) => ({ name: ['the base', 'Causeway', 'the car'][i]!, layer: l })),
    steps: 60_000,
    centringErrorDeg: null,
    fullAtDeg: null,
    ...more,
  });

it('nothing is said of a response that nothing is wrong with', () => {
  expect(said([NEUTRAL_LAYER, layer({ deadzone: 0.05, saturation: 0.9 })])).toEqual([]);
});

it('two dead zones are named with what they cost together', () => {
  const [note] = said([layer({ deadzone: 0.1 }), layer({ deadzone: 0.1 })]);
  expect(note!.code).toBe('doubled-dead-zone');
  expect(note!.text).toMatch(/10 % in the base and 10 % in Causeway/);
  // A tenth, and a tenth of the nine that are left.
  expect(note!.text).toMatch(/first 19 % of the way/);
});

it('travel that is thrown away, steps that are lost, curves on curves', () => {
  const codes = said(
    [
      layer({ saturation: 0.4, curve: { kind: 'power', gamma: 2 } }),
      layer({ curve: { kind: 'blend', k: 0.5 } }),
    ],
    {
      steps: 400,
    },
  ).map((note) => note.code);
  expect(codes).toEqual(['travel-thrown-away', 'resolution-lost', 'curves-stacked']);
});

it.each<Curve>([
  { kind: 'blend', k: 0 },
  { kind: 'power', gamma: 1 },
  {
    kind: 'points',
    points: [
      [0, 0],
      [0.4, 0.4],
      [1, 1],
    ],
  },
])('a curve that is neutral, however it is written, bends nothing: %j', (curve) => {
  expect(said([layer({ curve }), layer({ curve: { kind: 'power', gamma: 2 } })])).toEqual([]);
});

it('a steering dead zone is weighed against the wheel’s own return', () => {
  const steering = { axis: 'steering' as const, fullAtDeg: 450 };
  const dead = [layer({ deadzone: 0.02 })];
  expect(said(dead, { ...steering, centringErrorDeg: 2.5 })[0]!.text).toMatch(/9\.0° .* 2\.5° off centre/);
  expect(said(dead, { ...steering, centringErrorDeg: 0.2 })[0]!.text).toMatch(/comes back by itself/);
});

it('a ride lies where the hand was, through the response that was in force', () => {
  const layers = [layer({ deadzone: 0.1 }), layer({ saturation: 0.5, curve: { kind: 'power', gamma: 2 } })];
  const travels = [0.2, 0.2, 0.35, 0.05];
  const seen = Float64Array.from(travels, (x) => respond(layers, x));
  const shares = travelHistogram(seen, layers)!;
  const at = (x: number) => shares[Math.floor(x * TRAVEL_BINS)]! + shares[Math.floor(x * TRAVEL_BINS) - 1]!;
  expect(at(0.2)).toBeCloseTo(2 / 3, 12);
  expect(at(0.35)).toBeCloseTo(1 / 3, 12);
  expect(travelFor(layers, respond(layers, 0.35))).toBeCloseTo(0.35, 12);
  expect(travelHistogram(Float64Array.of(0, 0), layers)).toBeNull();
});
