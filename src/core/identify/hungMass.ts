/** A mass that hangs on the rim, kg, and how far from its axis, m. */
export interface HungMass {
  kg: number;
  m: number;
}

/** The label of releases with a mass, as captures write it. */
export const massLabel = (grams: number, millimetres: number) => `pendulum:${grams}@${millimetres}` as const;

/** The mass that a label names; `null` where it names none. */
export function hungMass(label: string): HungMass | null {
  const said = /^pendulum:([\d.]+)@([\d.]+)$/.exec(label);
  return said && { kg: Number(said[1]) / 1000, m: Number(said[2]) / 1000 };
}

/** Whether a run of a capture is a spin or a release. */
export const isSpin = (label: string): boolean => label === 'flick' || hungMass(label) !== null;
