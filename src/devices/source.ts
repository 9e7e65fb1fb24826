import type { AxisName } from '@/core/axes/axes';

export interface AxisRange {
  min: number;
  max: number;
}

/** Where samples come from. Everything above this contract is the same for a real wheel and a simulated one. */
interface DeviceInfo {
  id: string;
  label: string;
  kind: 'simulated' | 'real' | 'replay';
  /** The axes that it gives, with the least and greatest raw count of each. */
  ranges: Partial<Record<AxisName, AxisRange>>;
  /** Nominal samples per second. */
  rateHz: number;
  /** How many of the axes come as raw reports, at full resolution and rate. */
  rawAxes: number;
}

/** Consecutive samples: seconds that never fall, and one column of raw counts per axis. */
export interface SampleBatch {
  t: Float64Array;
  axes: Partial<Record<AxisName, Float64Array>>;
}

/** `gone` means that the device was there and vanished; it may come back. */
export type DeviceState = 'waiting' | 'live' | 'gone';

export interface DeviceListener {
  samples?(batch: SampleBatch): void;
  state?(state: DeviceState): void;
  /** A button of the device was pressed. */
  button?(index: number): void;
}

export interface DeviceSource {
  readonly info: DeviceInfo;
  readonly state: DeviceState;
  /** @returns a function that ends the subscription */
  subscribe(listener: DeviceListener): () => void;
  close(): void;
}

export function axesOfSource(source: DeviceSource): AxisName[] {
  return Object.keys(source.info.ranges) as AxisName[];
}

/** Keeps the listeners of a source and tells them. */
export function listenerSet() {
  const listeners = new Set<DeviceListener>();
  return {
    subscribe(listener: DeviceListener) {
      listeners.add(listener);
      return () => {
        listeners.delete(listener);
      };
    },
    tell<K extends keyof DeviceListener>(what: K, value: Parameters<NonNullable<DeviceListener[K]>>[0]) {
      for (const listener of [...listeners])
        (listener[what] as ((v: typeof value) => void) | undefined)?.(value);
    },
    clear: () => listeners.clear(),
  };
}
