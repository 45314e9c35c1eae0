import { METRES_PER_FOOT, sweepDistances, type SweepFound, type SweepRange } from '@doceo/core';
import type { CustomSeriesRenderItem } from 'echarts';
import type { EChartsCoreOption } from 'echarts/core';
import { CHART } from '../../theme/chart-theme';
import type { Tried } from './side-store';

/** Float distances along, weights of shot up. */
export const MAP = { distances: 20, weights: 20, mostKg: 0.0006 };
/** Pixels of the cells' own canvas along the distances, which lie closer about the depth than beyond. */
export const MAP_ACROSS = 400;
/** Room for the axes around the cells, pixels. */
const MAP_ROOM = { left: 52, right: 18, top: 26, bottom: 40 };

/** Where that leaves the cells, as a style. */
export const MAP_GROUND = {
  top: `${MAP_ROOM.top}px`,
  left: `${MAP_ROOM.left}px`,
  width: `calc(100% - ${MAP_ROOM.left + MAP_ROOM.right}px)`,
  height: `calc(100% - ${MAP_ROOM.top + MAP_ROOM.bottom}px)`,
};

type CellFound = Pick<SweepFound, 'clearS' | 'contactShare' | 'goesUnder'>;

export interface MapFrame extends SweepRange {
  ownM: number;
  tried: Tried | null;
  metric: boolean;
}

/** Where the columns of a map begin and end, one more than there are columns: midway between two distances. */
export function columnEdges(range: SweepRange): number[] {
  const at = sweepDistances(range);
  const inner = at.slice(1).map((one, i) => (one + at[i]!) / 2);
  return [2 * at[0]! - inner[0]!, ...inner, 2 * at.at(-1)! - inner.at(-1)!];
}

/** Axes, the schools’ rules and the rings of a map, as a chart without its cells. */
export function mapFrame({ ownM, tried, metric, ...range }: MapFrame): EChartsCoreOption {
  const { depthM, toM } = range;
  const edges = columnEdges(range);
  const unit = metric ? 1 : 1 / METRES_PER_FOOT;
  const stepY = (MAP.mostKg / (MAP.weights - 1)) * 1000;
  const rule = (factor: number, text: string) => ({
    xAxis: factor * depthM * unit,
    label: { formatter: text, position: 'end', color: CHART.ink, fontFamily: CHART.body, fontSize: 11 },
  });
  return {
    animation: false,
    grid: MAP_ROOM,
    xAxis: {
      type: 'value',
      min: edges[0]! * unit,
      max: edges.at(-1)! * unit,
      name: metric ? 'float above the point fly, m' : 'float above the point fly, ft',
      nameLocation: 'middle',
      nameGap: 24,
      splitLine: { show: false },
      axisLabel: { showMinLabel: false, showMaxLabel: false },
    },
    yAxis: {
      type: 'value',
      min: -stepY / 2,
      max: MAP.mostKg * 1000 + stepY / 2,
      name: 'shot added, g',
      nameLocation: 'middle',
      nameGap: 36,
      splitLine: { show: false },
      axisLabel: {
        showMinLabel: false,
        showMaxLabel: false,
        formatter: (value: number) => value.toFixed(1),
      },
    },
    series: [
      {
        ...point([ownM * unit, 0], '#ffffff', CHART.ink),
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: CHART.ink, type: 'dotted', width: 1.6 },
          data: [rule(1.5, '1.5 × depth'), rule(2, '2 × depth')].filter(({ xAxis }) => xAxis <= toM * unit),
        },
      },
      ...(tried ? [point([tried.leaderM * unit, tried.addedKg * 1000], CHART.accent, CHART.ink)] : []),
    ],
  };
}

/** A ring on the map. */
function point(at: [number, number], fill: string, stroke: string): object {
  return {
    type: 'custom',
    silent: true,
    z: 5,
    data: [at],
    renderItem: ((_, api) => {
      const [cx, cy] = api.coord([api.value(0), api.value(1)]) as [number, number];
      return { type: 'circle', shape: { cx, cy, r: 7 }, style: { fill, stroke, lineWidth: 2.5 } };
    }) satisfies CustomSeriesRenderItem,
  };
}

/** How long a drift is in the zone and off the bottom; browner the more of it drags. */
export function cellColour({ clearS, contactShare, goesUnder }: CellFound, durationS: number): string {
  if (goesUnder) return '#f0a37e';
  const share = Math.min(1, clearS / durationS);
  const mix = (pale: number, deep: number): number => Math.round(pale + (deep - pale) * share);
  const water = [mix(232, 18), mix(240, 92), mix(234, 104)];
  const drags = Math.min(1, Math.max(0, contactShare - 0.25) / 0.5);
  const bed = [176, 160, 122];
  return `rgb(${water.map((one, i) => Math.round(one + (bed[i]! - one) * drags)).join(',')})`;
}

const found = (rest: Partial<CellFound>): string =>
  cellColour({ clearS: 0, contactShare: 0, goesUnder: false, ...rest }, 1);

/** What the colours of the cells say. */
export const MAP_LEGEND = [
  {
    text: 'Darker: longer in the zone, off the bottom',
    colour: `linear-gradient(90deg, ${found({})}, ${found({ clearS: 1 })})`,
  },
  { text: 'Drags on the bottom', colour: found({ contactShare: 1 }) },
  { text: 'The float goes under', colour: found({ goesUnder: true }) },
];
