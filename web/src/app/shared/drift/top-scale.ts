import { type DriftSetup, seededRandom, speedAt } from '@doceo/core';

/** Height of the near bank and of the far one in the picture, pixels. */
export const NEAR_PX = 26;
export const FAR_PX = 12;
/** Where the fly lands, as a share of the picture's width. */
const LANDS_AT = 0.3;
const ROOM_M = 1.2;

/** From metres to pixels: x downstream to the right, or to the left when the water runs that way; y across, upwards. */
export interface TopScale {
  pxPerM: number;
  leftM: number;
  widthM: number;
  x: (metres: number) => number;
  y: (metres: number) => number;
}

export function topScale(setup: DriftSetup, widthPx: number, heightPx: number, toLeft: boolean): TopScale {
  const acrossM = setup.lanes.at(-1)!.toM;
  const pxPerM = (heightPx - NEAR_PX - FAR_PX) / acrossM;
  const widthM = widthPx / pxPerM;
  let leftM = -LANDS_AT * widthM;
  leftM = Math.min(leftM, setup.standM - ROOM_M);
  if (setup.standM + ROOM_M > leftM + widthM) leftM = setup.standM + ROOM_M - widthM;
  const x = (metres: number): number => (metres - leftM) * pxPerM;
  return {
    ...{ pxPerM, leftM, widthM },
    x: toLeft ? (metres) => widthPx - x(metres) : x,
    y: (metres) => heightPx - NEAR_PX - metres * pxPerM,
  };
}

/** An arrow of a lane: where it begins and how far the water goes in a second and a half. */
export interface LaneArrow {
  fromM: number;
  toM: number;
  yM: number;
}

const ARROWS_APART_PX = 140;
const ARROW_S = 1.2;

export function laneArrows(setup: DriftSetup, { leftM, widthM, pxPerM }: TopScale): LaneArrow[] {
  const apartM = ARROWS_APART_PX / pxPerM;
  return setup.lanes.flatMap(({ toM, speedMs }, i) => {
    const yM = ((setup.lanes[i - 1]?.toM ?? 0) + toM) / 2;
    const first = leftM + 0.9 * apartM;
    const count = Math.max(0, Math.floor((leftM + widthM - 1 - first) / apartM) + 1);
    return Array.from({ length: count }, (_, k) => {
      const fromM = first + k * apartM;
      return { fromM, toM: fromM + speedMs * ARROW_S, yM };
    });
  });
}

/** A bubble on the water, as it lies at the start. */
export interface Bubble {
  alongM: number;
  yM: number;
  sizePx: number;
}

const BUBBLES = 46;

/** Bubbles over the whole picture, the same every time. */
export function bubbles(setup: DriftSetup, widthM: number): Bubble[] {
  const random = seededRandom('bubbles');
  const acrossM = setup.lanes.at(-1)!.toM;
  return Array.from({ length: BUBBLES }, () => ({
    alongM: random() * widthM,
    yM: acrossM * (0.02 + 0.96 * random()),
    sizePx: 1.2 + 1.4 * random(),
  }));
}

/** Where a bubble has gone by then, from the left edge, metres; it comes in again where it went out. */
export function bubbleAt(setup: DriftSetup, bubble: Bubble, widthM: number, atS: number): number {
  const gone = bubble.alongM + speedAt(setup, bubble.yM) * atS;
  return ((gone % widthM) + widthM) % widthM;
}

/** Colour of water by how fast it runs: pale and slow to dark and fast; what runs back is greyer. */
export function waterColour(speedMs: number): string {
  const share = Math.min(1, Math.abs(speedMs) / 1.2);
  const mix = (slow: number, fast: number): number => Math.round(slow + (fast - slow) * share);
  return speedMs < 0
    ? `rgb(${mix(190, 120)} ${mix(200, 136)} ${mix(196, 140)})`
    : `rgb(${mix(196, 78)} ${mix(222, 152)} ${mix(216, 158)})`;
}
