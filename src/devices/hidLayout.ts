/** One analogue field of a raw HID report, as its descriptor lays it out (HID 1.11, 6.2.2). */
export interface HidField {
  reportId: number;
  usagePage: number;
  usage: number;
  bitOffset: number;
  bitSize: number;
  min: number;
  max: number;
}

/** What the browser tells of a descriptor; a subset of WebHID's own types, so that a recorded one can drive tests. */
interface HidItem {
  isConstant?: boolean | undefined;
  isArray?: boolean | undefined;
  isRange?: boolean | undefined;
  usages?: number[] | undefined;
  usageMinimum?: number | undefined;
  reportSize?: number | undefined;
  reportCount?: number | undefined;
  logicalMinimum?: number | undefined;
  logicalMaximum?: number | undefined;
}
export interface HidCollection {
  inputReports?: { reportId?: number | undefined; items?: HidItem[] | undefined }[] | undefined;
  children?: HidCollection[] | undefined;
}

const GENERIC_DESKTOP = 0x01;
const SIMULATION = 0x02;
const BUTTON = 0x09;
/** X … Wheel of the desktop page, without the hat switch; throttle, accelerator, brake, clutch, steering … of simulation. */
const DESKTOP_AXES = [0x30, 0x38] as const;
const HAT = 0x39;
const LEAST_BITS = 6;

interface Walked {
  field: HidField;
  item: HidItem;
}

/** Fields of all input reports, in report order; constants are padding and take their room only. */
function walk(collections: readonly HidCollection[]): Walked[] {
  const found: Walked[] = [];
  // One report may be spread over several collections: its bits go on where the last left off.
  const bitsOf = new Map<number, number>();
  const visit = (collection: HidCollection) => {
    for (const { reportId = 0, items = [] } of collection.inputReports ?? [])
      for (const item of items) {
        const { reportSize = 0, reportCount = 0 } = item;
        for (let k = 0; k < reportCount; k++) {
          const bitOffset = bitsOf.get(reportId) ?? 0;
          bitsOf.set(reportId, bitOffset + reportSize);
          if (item.isConstant || item.isArray) continue;
          const full = item.isRange ? (item.usageMinimum ?? 0) + k : lastOr(item.usages, k);
          found.push({
            item,
            field: {
              reportId,
              usagePage: full >>> 16,
              usage: full & 0xffff,
              bitOffset,
              bitSize: reportSize,
              ...logicalRange(item, reportSize),
            },
          });
        }
      }
    collection.children?.forEach(visit);
  };
  collections.forEach(visit);
  return found;
}

/** A list of usages shorter than the count stands for the last one from there on. */
function lastOr(usages: number[] | undefined, k: number): number {
  return usages?.[Math.min(k, usages.length - 1)] ?? 0;
}

/** Some descriptors write the greatest value as −1 in the field's own width. */
function logicalRange({ logicalMinimum: min = 0, logicalMaximum: max = 0 }: HidItem, bits: number) {
  return { min, max: max > min ? max : min < 0 ? 2 ** (bits - 1) - 1 : 2 ** bits - 1 };
}

/** The analogue axes of a device: hats and narrow fields are none. */
export function hidAxes(collections: readonly HidCollection[]): HidField[] {
  return walk(collections)
    .map(({ field }) => field)
    .filter(({ usagePage, usage, bitSize }) => {
      if (bitSize < LEAST_BITS || usage === HAT) return false;
      const isDesktop = usagePage === GENERIC_DESKTOP && usage >= DESKTOP_AXES[0] && usage <= DESKTOP_AXES[1];
      return isDesktop || usagePage === SIMULATION;
    });
}

export function hidButtons(collections: readonly HidCollection[]): HidField[] {
  return walk(collections)
    .map(({ field }) => field)
    .filter(({ usagePage, bitSize }) => usagePage === BUTTON && bitSize === 1);
}

/** Reads a field out of a report's bytes (without its id); little-endian bits, signed where its range is. */
export function readHidField({ bitOffset, bitSize, min }: HidField, data: DataView): number | undefined {
  let value = 0;
  for (let bit = 0; bit < bitSize; bit++) {
    const at = bitOffset + bit;
    const byte = at >> 3;
    if (byte >= data.byteLength) return undefined;
    if ((data.getUint8(byte) >> (at & 7)) & 1) value += 2 ** bit;
  }
  return min < 0 && value >= 2 ** (bitSize - 1) ? value - 2 ** bitSize : value;
}
