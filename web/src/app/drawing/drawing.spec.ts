import { buildRig, leaderLength, rigEdits, SKILLS, skillState } from '@doceo/core';
import { drawStreams } from '../record/streams';
import { drawRig } from '../rig/rig-drawing';
import { spreadLabels } from './spread-labels';

describe('labels', () => {
  it.each([
    [
      [10, 12, 14],
      [10, 30, 50],
    ],
    [
      [50, 10, 52],
      [50, 10, 70],
    ],
    [
      [100, 100],
      [80, 100],
    ],
    [
      [-5, 0],
      [0, 20],
    ],
  ])('%j move to %j', (wanted, places) => expect(spreadLabels(wanted, 20, 0, 100)).toEqual(places));

  it('share what room there is', () => expect(spreadLabels([0, 0, 0], 80, 0, 100)).toEqual([0, 50, 100]));
});

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

describe('the streams', () => {
  it('have a reach for every skill, each once', () => {
    const streams = drawStreams(skillState(SKILLS, [], 0), 870, 112);
    expect(streams.flatMap(({ reaches }) => reaches.map(({ skill }) => skill.id)).sort()).toEqual(
      SKILLS.skills.map(({ id }) => id).sort(),
    );
  });
});
