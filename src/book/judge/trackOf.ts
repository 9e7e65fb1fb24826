import { trackById } from '@/catalog/find';
import type { TrackSpec } from '@/core/vehicle/track';
import type { BookView } from '../model/bookView';

/** The road that is driven. Pages carry only a road of one's own: ours are known to them. */
export const trackOf = ({ trackId, ownTrack }: Pick<BookView, 'trackId' | 'ownTrack'>): TrackSpec =>
  ownTrack ?? trackById(trackId);
