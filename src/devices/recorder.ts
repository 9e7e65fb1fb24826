import type { AxisName } from '@/core/axes/axes';

const BLOCK = 1 << 14;

/**
 * Samples of several axes as they come in, in blocks: however long a recording grows, no sample waits for a copy of the
 * ones before it.
 */
export function sampleRecorder(axes: readonly AxisName[]) {
  const width = axes.length + 1;
  const blocks: Float64Array[][] = [];
  let length = 0;
  const column = (k: number, from: number, to: number): Float64Array<ArrayBuffer> => {
    const out = new Float64Array(to - from);
    for (let at = from; at < to;) {
      const block = Math.floor(at / BLOCK);
      const end = Math.min(to, (block + 1) * BLOCK);
      out.set(blocks[block]![k]!.subarray(at - block * BLOCK, end - block * BLOCK), at - from);
      at = end;
    }
    return out;
  };
  return {
    axes,
    get length() {
      return length;
    },
    /** @param values raw counts in the order of `axes` */
    push(t: number, values: ArrayLike<number>) {
      const at = length % BLOCK;
      if (at === 0) blocks.push(Array.from({ length: width }, () => new Float64Array(BLOCK)));
      const block = blocks.at(-1)!;
      block[0]![at] = t;
      for (let k = 1; k < width; k++) block[k]![at] = values[k - 1]!;
      length++;
    },
    /** Copies of the rows from one on. */
    rows(from: number, to = length): { t: Float64Array; axes: Partial<Record<AxisName, Float64Array>> } {
      return {
        t: column(0, from, to),
        axes: Object.fromEntries(axes.map((axis, k) => [axis, column(k + 1, from, to)])),
      };
    },
    /** Every row of one axis from one on, in order; walks the blocks, which is what drawing wants. */
    each(axis: number, from: number, visit: (t: number, value: number) => void) {
      for (let at = from; at < length;) {
        const block = Math.floor(at / BLOCK);
        const base = block * BLOCK;
        const end = Math.min(length, base + BLOCK) - base;
        const [times, values] = [blocks[block]![0]!, blocks[block]![axis + 1]!];
        for (let i = at - base; i < end; i++) visit(times[i]!, values[i]!);
        at = base + end;
      }
    },
    time: (i: number) => blocks[Math.floor(i / BLOCK)]![0]![i % BLOCK]!,
    value: (axis: number, i: number) => blocks[Math.floor(i / BLOCK)]![axis + 1]![i % BLOCK]!,
  };
}
