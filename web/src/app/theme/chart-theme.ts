/** The one look of all charts, from the tokens in `styles/tokens.css`. */
export const CHART = {
  ink: '#15261f',
  soft: '#4c5b53',
  line: '#d9d2bf',
  accent: '#e2460f',
  body: 'Atkinson Hyperlegible Next Variable',
  figure: 'Spline Sans Mono',
  strands: {
    casting: '#2b6790',
    rigging: '#9b5320',
    'hook-setting': '#7b2d52',
    water: '#23745a',
    safety: '#b8341b',
    'fish-care': '#576a77',
  },
} as const;

const fonts = [CHART.body, CHART.figure].map((family) => `12px "${family}"`);

/** The type of the charts. It comes when first asked for; where it cannot be had a chart is drawn without it. */
export const chartFonts = {
  there: (): boolean => !('fonts' in document) || fonts.every((font) => document.fonts.check(font)),
  fetch: async (): Promise<void> => {
    await Promise.allSettled(fonts.map((font) => document.fonts.load(font)));
  },
};

export const chartTheme = {
  color: Object.values(CHART.strands),
  backgroundColor: 'transparent',
  textStyle: { fontFamily: CHART.body, color: CHART.ink },
  categoryAxis: {
    axisLine: { lineStyle: { color: CHART.ink } },
    axisTick: { show: false },
    axisLabel: { color: CHART.ink },
    splitLine: { show: false },
  },
  valueAxis: {
    axisLine: { show: false },
    axisLabel: { color: CHART.soft, fontFamily: CHART.figure },
    splitLine: { lineStyle: { color: CHART.line } },
  },
  tooltip: {
    backgroundColor: '#fffdf6',
    borderColor: CHART.ink,
    textStyle: { color: CHART.ink },
    extraCssText: 'box-shadow:none;border-radius:0',
  },
};
