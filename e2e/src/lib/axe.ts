import { readFileSync } from 'node:fs';
import type { Page } from 'puppeteer-core';

interface Finding {
  id: string;
  impact: string;
  nodes: { html: string }[];
}

/** Serious and critical findings of WCAG 2.2 A and AA on what is shown, as short texts. */
export async function axeFindings(page: Page): Promise<string[]> {
  await page.evaluate(readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8'));
  const violations = await page.evaluate(async () => {
    const { axe } = window as unknown as {
      axe: { run: (root: Document, options: object) => Promise<{ violations: Finding[] }> };
    };
    return (await axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] }))
      .violations;
  });
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .slice(0, 4)
          .map(({ html }) => html.slice(0, 150))
          .join(' | ')}`,
    );
}
