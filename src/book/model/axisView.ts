import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import type { AxisHistory } from '@/core/axes/axisHistory';
import type { PedalProposal } from '@/core/axes/recommend';
import type { AxisName, WorkedBy } from '@/core/axes/axes';
import type { Menu } from '@/core/settings/menus';
import type { Layer } from '@/core/settings/setting';
import type { Problem } from '@/core/problem';
import type { MenuSchema } from '@/core/response/menuSchema';
import type { EffectiveResponse } from '@/core/response/compose';
import type { ResponseLayer } from '@/core/response/layer';
import type { FieldValues } from '@/core/response/settings';

/** The newest capture of an axis; its picture comes when it is drawn. */
export interface CaptureView {
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
  /** What works it, where that is no foot but fingers. */
  by?: WorkedBy;
  capture: CaptureView | null;
  /** Why the newest kept capture cannot be analysed. */
  problems: Problem[];
  draft: { id: string; madeAtMs: number } | null;
  /** The title's own menu and its values, which most is set with. */
  dialect: MenuSchema | null;
  values: FieldValues;
  /** The menus of base, title and car, where they have one for this axis. */
  menus: Partial<Record<Layer, Menu>>;
  /** Base, title and car in signal order, and what they do together. */
  layers: ResponseLayer[];
  effective: EffectiveResponse;
  recommendations: PedalProposal[];
  /** Those of them that are not for this driver. */
  declined: PedalProposal['parameter'][];
  /** How many kept captures by anybody could be analysed. */
  captureCount: number;
}

/** An axis over its captures. */
export interface AxisPast {
  history: AxisHistory;
  /** Every kept capture by anybody that could be analysed, in time order. */
  captures: { id: string; atMs: number; driver: string }[];
}

/** Where the foot rested and pressed on the newest capture and the newest ride: shares of the time over the travel. */
export interface AxisTravel {
  ridden: number[] | null;
  pressed: number[] | null;
}
