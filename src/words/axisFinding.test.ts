import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import type { PedalProposal } from '@/core/axes/recommend';
import { axisFinding } from './axisFinding';

const analysis = (part: object) => part as unknown as AxisAnalysis;
const asks = (...parameters: string[]) => parameters.map((parameter) => ({ parameter })) as PedalProposal[];
const brake = { axis: 'brake', roughSpots: [], deadzone: 0.03, saturation: 0.9 };
const ROUGH = [{ from: 0.4, to: 0.5 }];

it.each([
  [brake, ['deadzone', 'saturation'], 'The brake drags, and full is out of reach'],
  [brake, ['deadzone'], 'The brake drags under a resting foot'],
  [{ ...brake, roughSpots: ROUGH }, ['saturation'], 'Full brake is out of reach'],
  [{ ...brake, roughSpots: ROUGH }, [], 'The brake works, on a track that is rough in places'],
  [{ ...brake, saturation: null }, [], 'The brake is measured in part'],
  [brake, [], 'The brake rests at 0 and reaches 100 %'],
  [{ ...brake, axis: 'paddle_left' }, [], 'The left paddle rests at 0 and reaches 100 %'],
])('a pedal: the most pressing first (%#)', (found, keys, said) => {
  expect(axisFinding(analysis(found), asks(...keys))).toBe(said);
});

it('a dead zone that is asked for the resistance alone is no dragging foot', () => {
  expect(axisFinding(analysis(brake), asks('deadzone'), false)).toBe(
    'The brake begins before its resistance is felt',
  );
});

it.each([
  [{ rotationDeg: null }, 'The locks are measured, the rotation is not'],
  [{ rotationDeg: 901.4, snappedDeg: 900 }, 'The wheel turns 900° from lock to lock'],
  [{ rotationDeg: 893.6, snappedDeg: null, probablyDeg: 900 }, 'The wheel turns 894°, probably 900°'],
  [
    { rotationDeg: 811.2, snappedDeg: null, probablyDeg: null },
    'The wheel turns 811°, which is no common value',
  ],
])('a wheel: no rotation is said that was not found (%#)', (found, said) => {
  expect(axisFinding(analysis({ axis: 'steering', ...found }), [])).toBe(said);
});

const gate = (part: object = {}) => ({ reading: 1, missed: 0, doubles: 0, ...part });
it.each([
  [[gate(), gate({ reading: null }), gate({ missed: 2 })], '1 of 3 gates give nothing'],
  [[gate(), gate({ doubles: 1 }), gate({ missed: 2 })], '2 of 3 gates misread'],
  [[gate(), gate()], 'The lever reads both ways'],
  [[gate(), gate(), gate()], 'Every gate reads once, and as itself'],
])('a shifter: what gives nothing before what misreads (%#)', (gates, said) => {
  expect(axisFinding(analysis({ axis: 'gear', gates }), [])).toBe(said);
});
