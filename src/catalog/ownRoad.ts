import { trackFrom, type DescribedTrack } from '@/core/formats/trackJson';
import type { TrackSpec } from '@/core/vehicle/track';

/** A road of the driver's own, as the book keeps it. */
export type OwnRoad = DescribedTrack & { id: string };

export const ownRoadId = (id: string) => `own-road-${id}`;

export const roadFromOwn = ({ id, ...described }: OwnRoad): TrackSpec => trackFrom(ownRoadId(id), described);
