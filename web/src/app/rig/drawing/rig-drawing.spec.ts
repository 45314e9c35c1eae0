import { buildRig, leaderLength, rigEdits, TEMPLATE_IDS } from '@doceo/core';
import { cross } from '../../drawing/untangle';
import { drawRig } from './rig-drawing';
import { LINE_BELOW_PX, lineEndX } from './rig-labels';

describe('the rig drawing', () => {
  const rig = buildRig('indicator-nymph');
  const length = (a: { x: number; y: number }, b: { x: number; y: number }): number =>
    Math.hypot(a.x - b.x, a.y - b.y);

  it.each([0.4, 1.1, 2.5])('is to scale in %f m of water', (depthM) => {
    const deep = rigEdits.depth(rig, depthM);
    const drawing = drawRig(deep, { width: 430, height: 764 }, {});
    expect(
      drawing.sections.reduce((sum, { from, to }) => sum + length(from, to), 0) / drawing.scale,
    ).toBeCloseTo(leaderLength(deep), 6);
    expect((drawing.bedY - drawing.surfaceY) / drawing.scale).toBeCloseTo(depthM, 6);
  });

  it('keeps flies in the water, the indicator on it, and labels apart', () => {
    const drawing = drawRig(rig, { width: 430, height: 764 }, {});
    for (const fly of drawing.flies) expect(fly.y > drawing.surfaceY && fly.y < drawing.bedY).toBe(true);
    expect(drawing.fittings.find(({ kind }) => kind === 'indicator')?.y).toBeCloseTo(drawing.surfaceY, 6);
    const ys = drawing.labels.map(({ y }) => y).sort((a, b) => a - b);
    for (let i = 1; i < ys.length; i++)
      expect((ys[i] as number) - (ys[i - 1] as number)).toBeGreaterThanOrEqual(30);
  });
});

describe('every template drawn', () => {
  const size = { width: 430, height: 764 };
  const textsOf = (id: (typeof TEMPLATE_IDS)[number]) => {
    const drawn = buildRig(id);
    return Object.fromEntries(
      [...drawn.sections, ...drawn.fittings, ...drawn.flies].map((part) => [part.id, ['a', 'b']]),
    );
  };

  it.each(TEMPLATE_IDS)('%s is to scale, inside the drawing, with labels apart', (id) => {
    const drawn = buildRig(id);
    const drawing = drawRig(drawn, size, textsOf(id));
    const lengths = drawing.sections.reduce(
      (sum, { from, to }) => sum + Math.hypot(from.x - to.x, from.y - to.y),
      0,
    );
    expect(lengths / drawing.scale).toBeCloseTo(leaderLength(drawn), 5);
    for (const { x, y } of [
      ...drawing.sections.flatMap(({ from, to }) => [from, to]),
      ...drawing.flies,
      ...drawing.fittings,
    ]) {
      expect(x).toBeGreaterThan(20);
      expect(x).toBeLessThan(size.width);
      expect(y).toBeGreaterThan(20);
      expect(y).toBeLessThan(size.height - 60);
    }
    for (const side of ['left', 'right'] as const) {
      const ys = drawing.labels
        .filter((label) => label.side === side)
        .map(({ y }) => y)
        .sort((a, b) => a - b);
      ys.slice(1).forEach((y, i) => expect(y - (ys[i] as number)).toBeGreaterThanOrEqual(30));
    }
    expect(drawing.labels).toHaveLength(Object.keys(textsOf(id)).length);
  });

  it.each(TEMPLATE_IDS)('%s has no line to a label cross another', (id) => {
    const { labels } = drawRig(buildRig(id), size, textsOf(id));
    const lines = labels.map(
      (label) => [label.at, { x: lineEndX(label), y: label.y + LINE_BELOW_PX }] as const,
    );
    expect(lines.flatMap((one, i) => lines.slice(i + 1).filter((other) => cross(one, other)))).toEqual([]);
  });

  it.each(TEMPLATE_IDS)('%s has no label across the bed', (id) => {
    const { labels, bedY, kind } = drawRig(buildRig(id), size, textsOf(id));
    const across = labels.filter(({ side, y }) => side === 'right' && y > bedY - 26 && y < bedY + 14);
    expect(kind === 'grass' ? [] : across).toEqual([]);
  });
});
