import { peaking, section, type Section } from '../numeric/biquad';
import { BAND_HZ } from './forceSettings';

/** Width of every band. */
const BAND_Q = 1.4;

/** The base's bands in a row; `null` where none is touched. */
export function equaliser(bands: readonly number[], rateHz: number): ((x: number) => number) | null {
  const sections: Section[] = BAND_HZ.flatMap((hz, i) => {
    const gain = bands[i] ?? 1;
    return gain === 1 || hz >= rateHz / 2 ? [] : [section(peaking(hz, rateHz, BAND_Q, gain))];
  });
  if (sections.length === 0) return null;
  return (x) => sections.reduce((value, band) => band.next(value), x);
}
