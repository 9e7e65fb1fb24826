import type { CarSpec } from '@/core/vehicle/carSpec';
import type { TrackSpec } from '@/core/vehicle/track';
import { CARS } from './cars';
import { SIMULATED_RIGS, type SimulatedRigSpec } from './simulatedRigs';
import { TITLES, type Title } from './titles';
import { TRACKS } from './tracks';

function byId<T extends { id: string }>(entries: readonly T[], id: string, what: string): T {
  const found = entries.find((entry) => entry.id === id);
  if (!found) throw new RangeError(`the catalogue has no ${what} "${id}"`);
  return found;
}

export const titleById = (id: string): Title => byId(TITLES, id, 'title');
export const carById = (id: string): CarSpec => byId(CARS, id, 'car');
export const trackById = (id: string): TrackSpec => byId(TRACKS, id, 'track');
export const simulatedRigById = (id: string): SimulatedRigSpec => byId(SIMULATED_RIGS, id, 'simulated rig');
