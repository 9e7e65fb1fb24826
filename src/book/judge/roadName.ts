import type { Road } from '@/core/rides/road';
import type { ShownRoad } from '../model/bookView';

/** What the road of a ride is called; one that the title does not know any more has no name. */
export const roadName = (road: Road, roads: readonly ShownRoad[]): string =>
  road.kind === 'own' ? road.name : (roads.find(({ id }) => id === road.id)?.name ?? 'a road of before');
