import type { FigureKind } from './basis';

/**
 * Every figure that a station shows, by station and by what docs/figures.md calls it, with what it rests on. A new figure is
 * an entry here: what nobody can say the basis of is not shown.
 */
export const FIGURES: Record<string, FigureKind> = {
  'Axes: ends, centre, direction, noise, resolution of an axis': 'capture',
  'Axes: dead zone and saturation that a capture asks for': 'capture',
  'Axes: chance that a full press reads 100 %, now and after': 'capture',
  'Axes: rough spots, spikes, dropouts, drift, notes': 'capture',
  'Axes: rotation, centre offset, hysteresis, degrees per step': 'capture',
  'Axes: gates of a shifter': 'capture',
  'Axes: noise, ends and rough spots over the months, when the noise outgrows': 'capture',
  'Axes: changes in the title’s own numbers, rotation to type in, force of the base': 'capture',
  'Shape: the curve, travel that is used, slopes': 'response',
  'Shape: the way back to linear, step by step': 'response',
  'Shape: rotation and linearity for a calmer centre': 'hairpin',
  'Translate: values in another title, and how far off they are': 'response',
  'Lock: what a quarter turn shows, where the rim is stopped': 'rotation',
  'Lock: the base that a title believes in': 'rotation',
  'Lock: hands in the tightest corner': 'hairpin',
  'Lock: how every car answers to the hands': 'hairpin',
  'Force: clipping, headroom, percentiles, torque of a simulated ride': 'torque',
  'Force: each effect and the grip cue': 'signal',
  'Force: let go at a slow roll and at speed, least damper, greatest minimum force': 'calm',
  'Force: detail, roughness, what the base’s smoothing can do, the centre': 'smooth',
  'Force: clipping of a ride of the book': 'ride',
  'Force: full-scale torque of a car, from a log': 'ride',
  'Force: the cars of a title against one another': 'torque',
  'Force: a crash': 'crash',
  'Force: how soon a let-go rim turns half a turn': 'crash',
  'Base: friction, damping and inertia measured by hand': 'hand',
  'Base: share of the greatest force that friction takes': 'calm',
  'Describe: what hangs on what is assumed of a car': 'hairpin',
  'Describe: length, corners and radii of a road that was driven': 'ride',
  'Force: causes of a feeling': 'calm',
  'Ride: laps and driving measures': 'ride',
  'Ride: clipping of the newest ride, and the gains that suit it': 'ride',
  'Verdict: A against B: difference, interval, p, what is left at most': 'ride',
};
