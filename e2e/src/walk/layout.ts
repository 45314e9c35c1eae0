import type { Page } from 'puppeteer-core';

/** A line of text, or a control, where it stands on the screen. */
interface Box {
  name: string;
  element: Element;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Least side of what a finger presses, px. */
const FINGER_PX = 44;

/**
 * What is wrong with how the page lies: text that is cut or lies on other text, what scrolls sideways, and on a phone
 * what is too small for a finger. Texts of one line each, the same for the same flaw.
 */
export function layoutFlaws(page: Page, touch: boolean): Promise<string[]> {
  return page.evaluate(
    (finger, leastPx) => {
      const round = Math.round;
      const shown = (element: Element): boolean =>
        element.checkVisibility({ opacityProperty: true, visibilityProperty: true });
      const short = (text: string | null | undefined): string =>
        (text ?? '').replace(/\s+/g, ' ').trim().slice(0, 40);
      const nameOf = (element: Element): string => {
        const own = element.closest('[class*=p-], doceo-root *')?.tagName.toLowerCase() ?? '';
        let host: Element | null = element;
        while (host && !host.tagName.toLowerCase().startsWith('doceo-')) host = host.parentElement;
        const kind =
          typeof element.className === 'string' && element.className
            ? `.${element.className.split(' ')[0]}`
            : '';
        return `${host?.tagName.toLowerCase() ?? own} ${element.tagName.toLowerCase()}${kind}`;
      };
      const parents = (element: Element): Element[] => {
        const all: Element[] = [];
        for (let one: Element | null = element; one; one = one.parentElement) all.push(one);
        return all;
      };
      /** The box of what lies over the page by itself, or nothing for the page. */
      const layerOf = (element: Element): Element | null =>
        parents(element).find((one) => {
          const { position, zIndex } = getComputedStyle(one);
          return (
            position === 'fixed' || position === 'sticky' || (position === 'absolute' && zIndex !== 'auto')
          );
        }) ?? null;
      const hiddenFromSight = (element: Element): boolean =>
        parents(element).some((one) => {
          const { overflow, clipPath } = getComputedStyle(one);
          const { width, height } = one.getBoundingClientRect();
          // What comes in sight with the focus only lies beside the page until then.
          if (getComputedStyle(one).position === 'absolute' && one.getBoundingClientRect().right <= 0)
            return true;
          return (
            (clipPath !== 'none' && clipPath.startsWith('inset(50')) ||
            (overflow !== 'visible' && (width <= 1 || height <= 1))
          );
        });
      const cut: string[] = [];
      /** What is left of a line inside everything that cuts it off; says so when that is a part of it only. */
      const clipped = (box: Box): Box | null => {
        let { left, right, top, bottom } = box;
        for (const one of parents(box.element)) {
          const style = getComputedStyle(one);
          if (one === document.documentElement || one === document.body) break;
          if (style.overflowX === 'visible' && style.overflowY === 'visible') continue;
          const edge = one.getBoundingClientRect();
          const scrollsX = style.overflowX === 'auto' || style.overflowX === 'scroll';
          const scrollsY = style.overflowY === 'auto' || style.overflowY === 'scroll';
          const gone = right <= edge.left || left >= edge.right || bottom <= edge.top || top >= edge.bottom;
          if (gone && (scrollsX || scrollsY)) return null;
          const overX = style.overflowX === 'visible' ? 0 : Math.max(edge.left - left, right - edge.right);
          const overY = style.overflowY === 'visible' ? 0 : Math.max(edge.top - top, bottom - edge.bottom);
          // What is shortened with the whole of it on pointing is not lost.
          if (overX > 1.5 && !scrollsX && !box.element.closest('[title]'))
            cut.push(`cut at the side: ${box.name}`);
          if (overY > 4 && !scrollsY) cut.push(`cut in height: ${box.name}`);
          left = Math.max(left, edge.left);
          right = Math.min(right, edge.right);
          top = Math.max(top, edge.top);
          bottom = Math.min(bottom, edge.bottom);
          if (right - left < 1 || bottom - top < 1) return null;
        }
        return { ...box, left, right, top, bottom };
      };
      const lines: Box[] = [];
      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        const element = node.parentElement;
        if (!element || !node.textContent?.trim() || /^(SCRIPT|STYLE|OPTION|TITLE)$/i.test(element.tagName))
          continue;
        if (!shown(element) || hiddenFromSight(element)) continue;
        const range = document.createRange();
        range.selectNodeContents(node);
        for (const rect of range.getClientRects()) {
          if (rect.width < 1 || rect.height < 1) continue;
          const box = clipped({
            name: `${nameOf(element)} “${short(node.textContent)}”`,
            element,
            left: rect.left,
            right: rect.right,
            top: rect.top,
            bottom: rect.bottom,
          });
          if (!box) continue;
          lines.push(box);
          const edge = element.closest('button, .btn')?.getBoundingClientRect();
          if (edge && (box.left < edge.left - 1.5 || box.right > edge.right + 1.5))
            cut.push(`wider than what it is pressed by: ${box.name}`);
        }
      }
      const pen = document.createElement('canvas').getContext('2d') as CanvasRenderingContext2D;
      for (const field of document.querySelectorAll<HTMLInputElement>('input')) {
        if (!shown(field) || /range|checkbox|radio|file|hidden|color/.test(field.type)) continue;
        const style = getComputedStyle(field);
        pen.font = style.font;
        pen.letterSpacing = style.letterSpacing === 'normal' ? '0px' : style.letterSpacing;
        const room = field.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight);
        const text = field.value || field.placeholder;
        if (!/date|time|month/.test(field.type) && pen.measureText(text).width > room + 1)
          cut.push(`cut in a field: ${nameOf(field)} “${short(text)}”`);
      }
      for (const field of document.querySelectorAll('select')) {
        if (!shown(field)) continue;
        const style = getComputedStyle(field);
        pen.font = style.font;
        pen.letterSpacing = '0px';
        const text = field.selectedOptions[0]?.text ?? '';
        const arrow = style.appearance === 'none' ? 0 : 16;
        const room =
          field.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight) - arrow;
        if (pen.measureText(text).width > room + 2)
          cut.push(`cut in a field: ${nameOf(field)} “${short(text)}”`);
      }
      const found = [...cut];
      /** Glyphs fill about the middle two thirds of a line. */
      const core = (box: Box): Box => {
        const fifth = (box.bottom - box.top) / 5;
        return { ...box, top: box.top + fifth, bottom: box.bottom - fifth };
      };
      const sorted = lines.map(core).sort((a, b) => a.top - b.top);
      const layers = new Map(sorted.map((box) => [box, layerOf(box.element)]));
      sorted.forEach((a, i) => {
        for (let k = i + 1; k < sorted.length; k++) {
          const b = sorted[k] as Box;
          if (b.top >= a.bottom - 1) break;
          if (a.element === b.element || layers.get(a) !== layers.get(b)) continue;
          const x = Math.min(a.right, b.right) - Math.max(a.left, b.left);
          const y = Math.min(a.bottom, b.bottom) - b.top;
          if (x > 2 && y > 2) found.push(`one on the other: ${a.name} and ${b.name}`);
        }
      });
      const root = document.documentElement;
      if (root.scrollWidth > root.clientWidth + 1)
        found.push(`the page scrolls sideways: ${root.scrollWidth} in ${root.clientWidth} px`);
      for (const one of document.querySelectorAll('body *')) {
        const { overflowX } = getComputedStyle(one);
        if (
          (overflowX === 'auto' || overflowX === 'scroll') &&
          one.scrollWidth > one.clientWidth + 1 &&
          shown(one)
        )
          found.push(`scrolls sideways: ${nameOf(one)} ${one.scrollWidth} in ${one.clientWidth} px`);
      }
      if (finger)
        for (const one of document.querySelectorAll<HTMLElement>(
          'button, a[href], input, select, textarea, summary, [role=button], [role=slider], [role=tab]',
        )) {
          // Drawn to scale it is as large as it is, and can be chosen elsewhere too.
          if (one.closest('.to-scale')) continue;
          if (!shown(one) || hiddenFromSight(one) || (one as HTMLInputElement).type === 'file') continue;
          const inText =
            one.tagName === 'A' &&
            getComputedStyle(one).display === 'inline' &&
            [...(one.parentNode?.childNodes ?? [])].some(
              (node) => node.nodeType === 3 && node.textContent?.trim(),
            );
          if (inText) continue;
          const pressed = /checkbox|radio/.test((one as HTMLInputElement).type)
            ? (one.closest('label') ?? one)
            : one;
          const { width, height } = pressed.getBoundingClientRect();
          if (width > 0 && (width < leastPx - 0.5 || height < leastPx - 0.5))
            found.push(
              `too small for a finger: ${nameOf(one)} “${short(one.textContent || one.getAttribute('aria-label'))}” ${round(width)}×${round(height)} px`,
            );
        }
      return [...new Set(found)];
    },
    touch,
    FINGER_PX,
  );
}
