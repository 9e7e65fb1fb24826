/** Names of the colours that a chart is drawn in, and the variables of the theme that hold them. */
const VARIABLES = {
  ground: '--ground',
  raised: '--raised',
  ink: '--ink',
  muted: '--muted',
  line: '--line',
  lichen: '--lichen',
  rust: '--rust',
  brake: '--brake',
  throttle: '--throttle',
  steering: '--steering',
  clutch: '--clutch',
  handbrake: '--handbrake',
  sideA: '--side-a',
  sideB: '--side-b',
} as const;

/** Colours that chart options are built from; read from the page's theme, so that options stay pure functions. */
export type ChartPalette = Record<keyof typeof VARIABLES, string>;

/** A palette from whatever gives a variable's colour. */
export function paletteOf(colourOf: (variable: string) => string): ChartPalette {
  const palette: ChartPalette = { ...VARIABLES };
  for (const name of Object.keys(VARIABLES) as (keyof ChartPalette)[])
    palette[name] = colourOf(VARIABLES[name]);
  return palette;
}

export function readPalette(): ChartPalette {
  const style = getComputedStyle(document.documentElement);
  return paletteOf((variable) => style.getPropertyValue(variable).trim());
}

const FONT = "'Atkinson Hyperlegible Next Variable', sans-serif";

/** What every chart shares: type, axes, crosshair. */
export function chartBase(palette: ChartPalette) {
  return {
    animation: false,
    backgroundColor: 'transparent',
    textStyle: { fontFamily: FONT, color: palette.muted, fontSize: 13 },
    tooltip: {
      trigger: 'axis' as const,
      backgroundColor: palette.raised,
      borderColor: palette.line,
      textStyle: { color: palette.ink, fontFamily: FONT, fontSize: 13 },
      axisPointer: { type: 'line' as const, lineStyle: { color: palette.muted, type: 'solid' as const } },
    },
  };
}

/** The plot lies exactly where its margins say; names of axes do not push it. */
export const PLAIN_GRID = { outerBoundsMode: 'none' as const };

/** A value axis with hairlines and no box. */
export function valueAxis(palette: ChartPalette, name: string) {
  return {
    type: 'value' as const,
    name,
    nameTextStyle: { color: palette.muted, fontSize: 13, align: 'left' as const },
    axisLine: { show: false },
    axisTick: { show: false },
    axisLabel: { color: palette.muted, fontSize: 13 },
    splitLine: { lineStyle: { color: palette.line } },
  };
}
