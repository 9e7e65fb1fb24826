import { clippedTravel } from '@/core/axes/calibration';
import {
  proofGuide,
  proofItems,
  type ProofItem,
  type ProofReading,
  type ProofResult,
} from '@/core/axes/proof';
import type { AxisName } from '@/core/axes/axes';
import { lockShare, steeringDegrees } from '@/core/axes/steeringAngle';
import { respond } from '@/core/response/compose';
import type { DeviceSource, SampleBatch } from '@/devices/source';
import type { AxisView } from '@/book/model/axisView';

export interface ProofStatus {
  current: ProofItem | null;
  results: ProofResult[];
  /** What the axis that is asked shows now, as the title sees it. */
  value: number | null;
  /** What a full press that is asked again showed. */
  short: number | null;
  isGone: boolean;
}

const SHOWN_STEPS = 200;

/** What the title sees of an axis: through its calibration and the settings in force. */
export function titleReading(axis: Pick<AxisView, 'capture' | 'layers'>, raw: number): ProofReading | null {
  const analysis = axis.capture?.analysis;
  if (!analysis || analysis.axis === 'gear') return null;
  if (analysis.axis === 'steering')
    return {
      value: lockShare(analysis, raw),
      degrees: steeringDegrees(analysis, raw),
      // The centre may have been measured on the other side of it.
      frictionDeg: Math.abs(analysis.returnHysteresisDeg ?? 0),
    };
  return { value: respond(axis.layers, clippedTravel(analysis.calibration, raw)) };
}

/** The axes that the check asks for, and those that it cannot because they were never measured. */
export function provable(axes: AxisView[]): { items: ProofItem[]; unmeasured: AxisView[] } {
  const measured = axes.filter((axis) => axis.capture);
  return {
    items: proofItems(measured.map((axis) => axis.axis)),
    unmeasured: axes.filter((axis) => !axis.capture),
  };
}

/** The final check over a live device: feeds what the title sees to the guide and tells what changed. */
export function proofSession(
  source: DeviceSource,
  axes: AxisView[],
  onStatus: (status: ProofStatus) => void,
  onItem: (item: ProofItem | null) => void,
) {
  const guide = proofGuide(provable(axes).items);
  const byName = new Map(axes.map((axis) => [axis.axis, axis]));
  let value: number | null = null;
  let told = '';
  let asked: ProofItem | null | undefined;
  const tell = () => {
    const current = guide.current();
    if (current !== asked) {
      asked = current;
      value = null;
      onItem(current);
    }
    const status = {
      current,
      results: [...guide.results],
      value,
      short: guide.short(),
      isGone: source.state === 'gone',
    };
    const news = JSON.stringify(status);
    if (news === told) return;
    told = news;
    onStatus(status);
  };
  const take = (batch: SampleBatch) => {
    const last = batch.t.length - 1;
    if (last < 0) return;
    const readings: Partial<Record<AxisName, ProofReading>> = {};
    for (const [name, column] of Object.entries(batch.axes) as [AxisName, Float64Array][]) {
      const axis = byName.get(name);
      const reading = axis && titleReading(axis, column[last]!);
      if (reading) readings[name] = reading;
    }
    const current = guide.current();
    if (current) value = Math.round((readings[current.axis]?.value ?? 0) * SHOWN_STEPS) / SHOWN_STEPS;
    guide.feed(batch.t[last]!, readings);
    tell();
  };
  const stop = source.subscribe({ samples: take, state: tell });
  tell();
  return {
    giveUp() {
      guide.giveUp();
      tell();
    },
    close: stop,
  };
}

export type ProofSession = ReturnType<typeof proofSession>;
