import type { Page } from 'puppeteer-core';

/** Texts on the page whose contrast with what lies behind them is below a ratio, after the formula of WCAG 2. */
export function lowContrast(page: Page, least: number): Promise<string[]> {
  return page.evaluate((ratio) => {
    interface Color {
      r: number;
      g: number;
      b: number;
      a: number;
    }
    const parse = (text: string): Color => {
      const [r = 0, g = 0, b = 0, a = 1] = (text.match(/[\d.]+/g) ?? []).map(Number);
      return { r, g, b, a };
    };
    const linear = (value: number): number =>
      value / 255 <= 0.04045 ? value / 255 / 12.92 : ((value / 255 + 0.055) / 1.055) ** 2.4;
    const light = ({ r, g, b }: Color): number =>
      0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
    const over = (top: Color, below: Color): Color => ({
      r: top.r * top.a + below.r * (1 - top.a),
      g: top.g * top.a + below.g * (1 - top.a),
      b: top.b * top.a + below.b * (1 - top.a),
      a: 1,
    });
    const parents = (element: Element): Element[] =>
      element.parentElement ? [element, ...parents(element.parentElement)] : [element];
    const ground = (element: Element): Color =>
      parents(element)
        .map((one) => parse(getComputedStyle(one).backgroundColor))
        .reverse()
        .reduce((below, top) => over(top, below), { r: 255, g: 255, b: 255, a: 1 });
    return [...document.querySelectorAll<HTMLElement>('body *')]
      .filter(
        (element) =>
          [...element.childNodes].some((node) => node.nodeType === 3 && node.textContent?.trim()) &&
          element.checkVisibility() &&
          element.getBoundingClientRect().width > 1,
      )
      .flatMap((element) => {
        const below = ground(element);
        const opacity = parents(element).reduce(
          (product, one) => product * Number(getComputedStyle(one).opacity),
          1,
        );
        const color = parse(getComputedStyle(element).color);
        const [bright, dark] = [light(over({ ...color, a: color.a * opacity }, below)), light(below)].sort(
          (a, b) => b - a,
        ) as [number, number];
        const found = (bright + 0.05) / (dark + 0.05);
        return found < ratio
          ? [`${found.toFixed(1)} ${element.className} ${element.textContent?.trim().slice(0, 30)}`]
          : [];
      });
  }, least);
}
