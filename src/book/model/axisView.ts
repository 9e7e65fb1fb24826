import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import type { CapturePicture } from '@/core/axes/capturePicture';
import type { AxisHistory } from '@/core/axes/axisHistory';
import type { PedalRecommendation } from '@/core/axes/recommend';
import type { AxisName } from '@/core/axes/recording';
import type { Menu } from '@/core/settings/menus';
import type { Layer } from '@/core/settings/setting';
import type { Problem } from '@/core/problem';
import type { Dialect } from '@/core/response/dialect';
import type { EffectiveResponse } from '@/core/response/compose';
import type { ResponseLayer } from '@/core/response/layer';
import type { FieldValues } from '@/core/response/settings';

export interface CaptureView extends CapturePicture {
  id: string;
  madeAtMs: number;
  driver: string;
  device: string;
  analysis: AxisAnalysis;
}

/** One axis of the open rig: what is measured, what is set, what is still to be done. */
export interface AxisView {
  axis: AxisName;
  name: string;
  capture: CaptureView | null;
  /** Why the newest kept capture cannot be analysed. */
  problems: Problem[];
  draft: { id: string; madeAtMs: number } | null;
  /** The title's own menu and its values, which most is set with. */
  dialect: Dialect | null;
  values: FieldValues;
  /** The menus of base, title and car, where they have one for this axis. */
  menus: Partial<Record<Layer, Menu>>;
  /** Base, title and car in signal order, and what they do together. */
  layers: ResponseLayer[];
  effective: EffectiveResponse;
  /** Shares of the newest ride's time over the travel; `null` where there is none. */
  ridden: number[] | null;
  recommendations: PedalRecommendation[];
  history: AxisHistory;
  /** Every kept capture by anybody that could be analysed, in time order. */
  past: { id: string; atMs: number; driver: string; analysis: AxisAnalysis }[];
}
