import type { AxisName } from '@/core/axes/axes';
import type { MenuSchema } from '@/core/response/menuSchema';

/** A title whose numbers can be typed in: the catalogue's, and the driver's own. */
export interface DialectSource {
  id: string;
  name: string;
  dialects: Partial<Record<AxisName, MenuSchema>>;
}
