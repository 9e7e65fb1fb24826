import 'server-only';
import { ANALYSIS_VERSION, analyseAxis, type AxisAnalysis } from '@/core/axes/analyseAxis';
import { capturePicture, type CapturePicture } from '@/core/axes/capturePicture';
import { axisHistory } from '@/core/axes/axisHistory';
import { recommendPedal, type PedalProposal } from '@/core/axes/recommend';
import { AXIS_WORDS, isPedalAxis, type AxisName, type WorkedBy } from '@/core/axes/axes';
import { responseLayers, type Menus } from '@/core/settings/menus';
import { proposalId } from '@/core/settings/proposal';
import { LAYERS, type SettingValues } from '@/core/settings/setting';
import { fieldValues } from '@/core/settings/trail';
import type { Outcome, Problem } from '@/core/problem';
import type { MenuSchema } from '@/core/response/menuSchema';
import { effectiveResponse } from '@/core/response/compose';
import type { ResponseLayer } from '@/core/response/layer';
import type { FieldValues } from '@/core/response/settings';
import {
  listCaptures,
  recordingOf,
  storeAnalysis,
  storedAnalysis,
  storedCapture,
  type CaptureRow,
  type StoredCapture,
} from '@/data/captures';
import { askWorker, isLong } from '@/data/serverWorker';
import type { Database } from '@/data/database';
import { yieldToEventLoop } from '@/data/yieldToEventLoop';
import { memo } from './memo';
import type { AxisPast, AxisView, CaptureView } from '../model/axisView';
import type { RequestContext } from './requestContext';

interface AxisFacts {
  axis: AxisName;
  by: WorkedBy;
  driver: string;
  /** Captures of this axis by anybody, in time order. */
  captures: CaptureRow[];
  menus: Menus;
  settings: SettingValues;
  /** Proposals that are not for this driver here. */
  declined: readonly string[];
}

/** The brake is pressed by one foot: nobody else's capture stands in for it. */
const OWN_FOOT: readonly AxisName[] = ['brake'];

export async function axisView(db: Database, facts: AxisFacts): Promise<AxisView> {
  const { axis, by, driver, captures, menus, settings, declined } = facts;
  const kept = captures.filter((row) => row.status === 'kept');
  const own = kept.findLast((row) => row.driver === driver);
  const newest = own ?? (OWN_FOOT.includes(axis) ? undefined : kept.at(-1));
  const draft = captures.findLast((row) => row.status === 'draft' && row.driver === driver);
  const dialect = menus.title[axis]?.dialect ?? null;
  const values = fieldValues(settings, 'title', axis);
  const layers = responseLayers(menus, settings, axis);
  const effective = effectiveResponse(layers);
  const { capture, problems } = newest ? await viewCapture(db, newest) : NO_CAPTURE;
  const recommendations =
    capture && dialect ? recommend(capture.analysis, dialect, values, layers[0]!, by) : [];
  return {
    axis,
    name: AXIS_WORDS[axis].replace(/^./, (c) => c.toUpperCase()),
    ...(by === 'fingers' && { by }),
    capture,
    problems,
    draft: draft ? { id: draft.id, madeAtMs: draft.madeAtMs } : null,
    dialect,
    values,
    menus: Object.fromEntries(
      LAYERS.flatMap((layer) => (menus[layer][axis] ? [[layer, menus[layer][axis]]] : [])),
    ),
    layers,
    effective,
    recommendations,
    declined: recommendations
      .filter((one) => declined.includes(proposalId(one)))
      .map(({ parameter }) => parameter),
    captureCount: kept.length,
  };
}

function recommend(
  analysis: AxisAnalysis,
  dialect: MenuSchema,
  values: FieldValues,
  base: ResponseLayer,
  by: WorkedBy,
): PedalProposal[] {
  return analysis.axis !== 'gear' && analysis.axis !== 'steering' && isPedalAxis(analysis.axis)
    ? recommendPedal(analysis, dialect, values, [base], by)
    : [];
}

/** What a kept capture says; it never changes, so it is worked out once. */
export function analysisOf(db: Database, { id, madeAtMs }: Pick<CaptureRow, 'id' | 'madeAtMs'>) {
  return memo(db, `analysis:${id}:${madeAtMs}`, async () => {
    const known = (await storedAnalysis(db, id, ANALYSIS_VERSION)) as Outcome<AxisAnalysis> | null;
    if (known) return known;
    await yieldToEventLoop();
    const stored = await storedCapture(db, id);
    if (!stored) return null;
    const result = await analysisOfStored(stored);
    await storeAnalysis(db, id, ANALYSIS_VERSION, result);
    return result;
  });
}

/** What a capture says; of a long one it is worked out beside. */
export async function analysisOfStored({ head, parts, axis }: StoredCapture): Promise<Outcome<AxisAnalysis>> {
  if (isLong(parts)) return askWorker<Outcome<AxisAnalysis>>((worker) => worker.analyse(head, parts, axis));
  await yieldToEventLoop();
  return analyseAxis(recordingOf(head, parts), axis);
}

interface ViewedCapture {
  capture: CaptureView | null;
  problems: Problem[];
}

const NO_CAPTURE: ViewedCapture = { capture: null, problems: [] };

async function viewCapture(db: Database, row: CaptureRow): Promise<ViewedCapture> {
  const { id, madeAtMs, driver, device } = row;
  const result = await analysisOf(db, row);
  if (!result) return NO_CAPTURE;
  if (!result.ok) return { capture: null, problems: result.problems };
  return { capture: { id, madeAtMs, driver, device, analysis: result.value }, problems: [] };
}

/** What is drawn of a kept capture; `null` where there is none, or where nothing can be said of it. */
export function readCapturePicture(db: Database, row: CaptureRow): Promise<CapturePicture | null> {
  return memo(db, `picture:${row.id}:${row.madeAtMs}`, async () => {
    const result = await analysisOf(db, row);
    await yieldToEventLoop();
    const stored = await storedCapture(db, row.id);
    if (!stored || !result?.ok) return null;
    const { axis } = row;
    const { head, parts } = stored;
    const analysis = result.value;
    return isLong(parts)
      ? askWorker<CapturePicture>((worker) => worker.capturePicture(head, parts, axis, analysis))
      : capturePicture(recordingOf(head, parts), axis, analysis);
  });
}

/** What the captures of an axis say over the months, by every driver of the rig. */
export async function readPast(
  { book, rig }: RequestContext,
  { axis, effective }: AxisView,
): Promise<AxisPast> {
  const kept = (await listCaptures(book, rig.id)).filter((row) => row.axis === axis && row.status === 'kept');
  const analysed = await Promise.all(kept.map(async (row) => ({ row, result: await analysisOf(book, row) })));
  const past = analysed.flatMap(({ row, result }) =>
    result?.ok ? [{ id: row.id, atMs: row.madeAtMs, driver: row.driver, analysis: result.value }] : [],
  );
  return {
    history: axisHistory(past, effective.deadzone),
    captures: past.map(({ id, atMs, driver }) => ({ id, atMs, driver })),
  };
}
