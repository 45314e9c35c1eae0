import type { Page } from 'puppeteer-core';

/** More than this moves the thing a reader is about to press. */
export const MOST_SHIFT = 0.1;

interface Shifts {
  total: number;
  worst: string;
  worstValue: number;
}

/** Begins to add up what moves by itself on every page this tab opens. */
export function watchShifts(page: Page): Promise<unknown> {
  return page.evaluateOnNewDocument(() => {
    interface Shift extends PerformanceEntry {
      value: number;
      hadRecentInput: boolean;
      sources: { node: Node | null }[];
    }
    const found: Shifts = { total: 0, worst: '', worstValue: 0 };
    (window as unknown as { shifts: Shifts }).shifts = found;
    new PerformanceObserver((list) => {
      for (const one of list.getEntries() as Shift[]) {
        if (one.hadRecentInput) continue;
        found.total += one.value;
        if (one.value > found.worstValue) {
          found.worstValue = one.value;
          found.worst = one.sources
            .map(({ node }) =>
              node instanceof Element
                ? `${node.tagName.toLowerCase()}.${node.getAttribute('class') ?? ''}`
                : '',
            )
            .join(', ');
        }
      }
    }).observe({ type: 'layout-shift', buffered: true });
  });
}

/** What moved by itself since the page was opened, when it is too much. */
export async function shiftFlaws(page: Page): Promise<string[]> {
  const { total, worst } = await page.evaluate(() => (window as unknown as { shifts: Shifts }).shifts);
  return total > MOST_SHIFT ? [`moves by itself: ${total.toFixed(2)} by ${worst}`] : [];
}
