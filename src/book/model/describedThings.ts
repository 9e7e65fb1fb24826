import type { TitleDocument } from '@/core/formats/titleJson';
import type { DescribedTrack } from '@/core/formats/trackJson';
import type { DescribedCar } from '@/core/vehicle/carClass';

/** What the driver has described, by the ids by which it is chosen, and every title that can be copied. */
export interface DescribedThings {
  titles: { id: string; name: string }[];
  cars: { id: string; name: string }[];
  roads: { id: string; name: string }[];
  copies: { id: string; name: string }[];
  /** The own title, car or road that is described anew. */
  title: { id: string; document: TitleDocument } | null;
  car: (DescribedCar & { id: string }) | null;
  road: { id: string; document: DescribedTrack } | null;
}
