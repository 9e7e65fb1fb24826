import { strokesOf, type AxisName, AXES } from '@/core/axes/axes';
import { gateName, isSequentialLever } from '@/core/axes/analyseShifter';
import type { EChartsCoreOption } from 'echarts/core';
import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import type { EffectiveResponse } from '@/core/response/compose';
import type { PedalAnalysis } from '@/core/axes/pedalAnalysis';
import type { SteeringAnalysis } from '@/core/axes/steeringAnalysis';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';
import type { CaptureTrace } from '@/core/axes/captureTrace';
import { capital } from '@/words/format';

const PHASE_NAMES: Record<string, string> = {
  rest: 'Rest',
  cover: 'Resting',
  takeup: 'Slack',
  sweep: 'Full sweeps',
};

function phaseName(label: string, axis: AxisName, isSequential: boolean): string {
  const [kind, which] = label.split(':');
  if (kind === 'hold') return `${Number(which) > 0 ? '' : '−'}${Math.abs(Number(which))}°`;
  if (kind === 'gate' && isSequential) return gateName(Number(which), true);
  if (kind === 'gate') return which === '-1' ? 'R' : `${which}`;
  if (kind === 'press') return `Full ${strokesOf(axis)}`;
  return PHASE_NAMES[label] ?? label;
}

interface Line {
  at: number;
  text: string;
  kind: 'now' | 'wanted';
}

/** Where the response begins and where it is full, in travel. */
type Ends = Pick<EffectiveResponse, 'deadzone' | 'saturation'>;

/** The lines that say where a pedal begins and where its 100 % is, now and as recommended. */
export function captureLines(analysis: PedalAnalysis, layer: Ends): Line[] {
  const lines: Line[] = [];
  const { deadzone, saturation, coverTravel } = analysis;
  const drags = deadzone !== null && layer.deadzone < (coverTravel?.p995 ?? deadzone);
  lines.push(
    drags
      ? { at: 100 * deadzone, text: 'should start here', kind: 'wanted' }
      : { at: 100 * layer.deadzone, text: 'starts here', kind: 'now' },
  );
  const isShort = saturation !== null && layer.saturation > saturation + 0.01;
  lines.push(
    isShort
      ? { at: 100 * saturation, text: '100 % should be here', kind: 'wanted' }
      : { at: 100 * layer.saturation, text: '100 % from here', kind: 'now' },
  );
  return lines;
}

/** Time, phases and the trace, which every axis shares; the scale is its own. */
export function captureOption(
  trace: CaptureTrace,
  analysis: AxisAnalysis,
  layer: Ends,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const start = trace.t[0] ?? 0;
  const own = ownScale(trace, analysis, layer, palette, start);
  const isSequential = analysis.axis === 'gear' && isSequentialLever(analysis.gates.map(({ gate }) => gate));
  const color = palette[AXES[analysis.axis].ink];
  return {
    ...base,
    grid: { ...PLAIN_GRID, left: 8, right: 52, top: 12, bottom: 40 },
    tooltip: { ...base.tooltip, valueFormatter: (value: unknown) => own.format(Number(value)) },
    dataZoom: [{ type: 'inside' }],
    xAxis: {
      ...valueAxis(palette, 'seconds'),
      nameLocation: 'middle',
      nameGap: 24,
      nameTextStyle: { color: palette.muted, fontSize: 13 },
      min: 0,
      max: (trace.t.at(-1) ?? 1) - start,
      splitLine: { show: false },
      axisLabel: {
        color: palette.muted,
        fontSize: 12,
        hideOverlap: true,
        showMaxLabel: false,
        formatter: (v: number) => v.toFixed(0),
      },
    },
    yAxis: { ...valueAxis(palette, ''), position: 'right', ...own.axis },
    series: [
      {
        name: own.name,
        type: 'line',
        showSymbol: false,
        ...(analysis.axis === 'gear' ? { step: 'end' } : {}),
        data: trace.t.map((t, i) => [t - start, own.value(trace.value[i]!)]),
        lineStyle: { color, width: 2.2 },
        itemStyle: { color },
        markArea: {
          silent: true,
          label: {
            position: 'insideTopLeft',
            color: palette.muted,
            fontSize: 12,
            fontWeight: 600,
            distance: 5,
          },
          data: trace.phases.map((phase, i) => [
            {
              xAxis: phase.fromS - start,
              name: own.namesPhase(phase.label) ? phaseName(phase.label, analysis.axis, isSequential) : '',
              itemStyle: { color: palette.raised, opacity: i % 2 ? 0.9 : 0.35 },
              // Two short phases side by side: one name above the other.
              label: { padding: i % 2 ? [14, 0, 0, 0] : 0 },
            },
            { xAxis: phase.toS - start },
          ]),
        },
        markLine: {
          silent: true,
          symbol: 'none',
          data: own.lines.map(({ at, text, kind }) => ({
            yAxis: at,
            lineStyle: {
              color: kind === 'wanted' ? palette.lichen : palette.muted,
              width: 2,
              type: kind === 'wanted' ? 'solid' : 'dashed',
            },
            label: {
              formatter: text,
              // Above a line near the top stand the names of the phases.
              position: at > NEAR_TOP ? 'insideStartBottom' : 'insideStartTop',
              color: kind === 'wanted' ? palette.lichen : palette.muted,
              fontSize: 13,
              fontWeight: 600,
            },
          })),
        },
      },
      ...own.marks,
    ],
  };
}

/** Per cent of travel from which a line is named on its lower side. */
const NEAR_TOP = 95;
/** Room above 100 % for the names of the phases. */
const HIGHEST = 115;

/** A press is marked over its plateau, not where it begins. */
const PRESS_MIDDLE_S = 0.55;

interface OwnScale {
  name: string;
  value(raw: number): number;
  format(value: number): string;
  axis: object;
  lines: Line[];
  marks: object[];
  namesPhase(label: string): boolean;
}

function ownScale(
  trace: CaptureTrace,
  analysis: AxisAnalysis,
  layer: Ends,
  palette: ChartPalette,
  start: number,
): OwnScale {
  if (analysis.axis === 'steering') return steeringScale(trace, analysis, palette);
  if (analysis.axis === 'gear')
    return {
      name: 'Reading',
      value: (v) => v,
      format: (v) => String(v),
      axis: {
        min: Math.min(0, analysis.min),
        max: analysis.max + 2,
        interval: 1,
        axisLabel: { color: palette.muted, showMaxLabel: false },
      },
      lines: [],
      marks: [],
      namesPhase: (label) => label.startsWith('gate'),
    };
  return {
    name: `${capital(analysis.axis)} travel`,
    value: (v) => Math.max(0, 100 * v),
    format: (v) => `${v.toFixed(1)} %`,
    axis: {
      min: 0,
      max: HIGHEST,
      interval: 25,
      axisLabel: { color: palette.muted, showMaxLabel: false, formatter: '{value}' },
    },
    lines: captureLines(analysis, layer),
    namesPhase: () => true,
    marks: [
      {
        name: 'Press',
        type: 'scatter',
        symbol: 'triangle',
        symbolRotate: 180,
        symbolSize: 9,
        symbolOffset: [0, -8],
        tooltip: { show: false },
        itemStyle: { color: palette[AXES[analysis.axis].ink] },
        data: analysis.presses.map((press) => [press.tS - start + PRESS_MIDDLE_S, 100 * press.peak]),
      },
      ...roughMarks(analysis, palette),
    ],
  };
}

/** Worn track as a band across the picture, at its place in the travel. */
function roughMarks(analysis: PedalAnalysis, palette: ChartPalette): object[] {
  if (analysis.roughSpots.length === 0) return [];
  return [
    {
      type: 'line',
      data: [],
      markArea: {
        silent: true,
        itemStyle: { color: palette.rust, opacity: 0.16 },
        label: { position: 'insideRight', color: palette.rust, fontSize: 12, fontWeight: 600 },
        data: analysis.roughSpots.map((spot) => [
          { yAxis: 100 * spot.from, name: 'rough track' },
          { yAxis: 100 * spot.to },
        ]),
      },
    },
  ];
}

/** Room above the left lock for the names of the phases. */
const ABOVE_LOCK = 1.16;

/** A lock that lies this little over a line of the grid ends there. */
const HARDLY_DEG = 8;

function steeringScale(trace: CaptureTrace, analysis: SteeringAnalysis, palette: ChartPalette): OwnScale {
  const most = Math.max(...trace.value.map(Math.abs));
  const step = most > 700 ? 360 : most > 200 ? 180 : 90;
  return {
    name: 'Steering',
    value: (v) => v,
    format: (v) => `${v.toFixed(0)}°`.replace('-', '−'),
    axis: {
      min: -Math.ceil((most - HARDLY_DEG) / step) * step,
      max: Math.max(most * ABOVE_LOCK, Math.ceil((most - HARDLY_DEG) / step) * step),
      interval: step,
      axisLabel: {
        color: palette.muted,
        showMaxLabel: false,
        formatter: (v: number) => `${v}°`.replace('-', '−'),
      },
    },
    lines: [],
    namesPhase: (label) => label !== 'rest',
    marks: [
      {
        name: 'Hold',
        type: 'scatter',
        symbol: 'circle',
        symbolSize: 9,
        tooltip: { show: false },
        itemStyle: { color: palette.steering },
        data: analysis.holds.map((hold) => [hold.tS - (trace.t[0] ?? 0) + 0.45, hold.degrees]),
      },
    ],
  };
}
