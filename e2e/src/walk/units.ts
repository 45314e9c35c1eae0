import type { Page } from 'puppeteer-core';
import type { UnitSystem } from '@doceo/core';

const METRIC = /\d\s?(?:mm|cm|m|km|g|kg|N|°C|m\/s|cm\/s|km\/h|hPa|m³\/s)(?![\p{L}\d/²³])/u;
const IMPERIAL = /\d\s?(?:ft|lb|oz|gr|°F|mph|in\/s|ft\/s|miles?|in(?! \d))(?![\p{L}\d/])/u;

/** Lines of the page, and what its controls are called, that speak in units of the other system. */
export async function foreignUnits(page: Page, system: UnitSystem): Promise<string[]> {
  const texts = await page.evaluate(() => {
    /** What somebody wrote himself is shown as he wrote it. */
    const said = [...document.querySelectorAll<HTMLElement>('[data-said]')];
    said.forEach((one) => (one.style.display = 'none'));
    const lines = document.body.innerText.split('\n');
    said.forEach((one) => (one.style.display = ''));
    const visible = (one: Element): boolean => one.checkVisibility() && !one.closest('[data-said]');
    const drawn = [...document.querySelectorAll('svg text')]
      .filter(visible)
      .map((one) => one.textContent ?? '');
    const named = [...document.querySelectorAll('[aria-label], [title], [placeholder]')]
      .filter(visible)
      .flatMap((one) =>
        ['aria-label', 'title', 'placeholder', 'aria-valuetext'].map((name) => one.getAttribute(name) ?? ''),
      );
    const fields = [...document.querySelectorAll<HTMLInputElement>('input[type=text], input:not([type])')]
      .filter(visible)
      .map(({ value }) => value);
    return [...lines, ...drawn, ...named, ...fields].map((text) => text.replace(/\s+/g, ' ').trim());
  });
  const foreign = system === 'metric' ? IMPERIAL : METRIC;
  return [...new Set(texts)]
    .filter((text) => foreign.test(text))
    .map((text) => {
      const at = Math.max(0, (foreign.exec(text)?.index ?? 0) - 30);
      return `${system} tells “${text.slice(at, at + 60)}”`;
    });
}
