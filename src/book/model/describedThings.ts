import type { TitleDocument } from '@/core/formats/titleJson';
import type { DescribedCar } from '@/core/vehicle/carClass';

/** What the driver has described, and every title as a document that can be copied. Ids are those by which it is chosen. */
export interface DescribedThings {
  titles: { id: string; name: string; document: TitleDocument }[];
  cars: (DescribedCar & { id: string })[];
  copies: { name: string; document: TitleDocument }[];
}
