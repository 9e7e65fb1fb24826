import { trackById } from '@/catalog/find';
import type { Road } from '@/core/rides/road';

/** What the road of a ride is called. */
export const roadName = (road: Road): string => (road.kind === 'own' ? road.name : trackById(road.id).name);
