import { buildRig, type FigureId, type Rig, rigFigures, TEMPLATE_IDS } from '@doceo/core';
import { rigFigureInWords, rigFiguresInWords } from './rig-figures';

const said = (rig: Rig, id: FigureId, units: 'metric' | 'imperial' = 'metric') => {
  const figure = rigFigures(rig, 2).find((one) => one.id === id);
  return figure && rigFigureInWords(figure, units);
};

describe('a figure of a rig in words', () => {
  const nymphs = buildRig('indicator-nymph');

  it.each<[FigureId, string, string, string]>([
    ['leader-length', 'Leader', '3.15 m', '10 ft 4 in'],
    ['indicator-distance', 'Indicator above point fly', '1.65 m', '5 ft 5 in'],
    ['net-reach', 'Line left at the net', '1.65 m of 3.79 m', '5 ft 5 in of 12 ft 5 in'],
    ['hook-count', 'Hooks', '2 of 2', '2 of 2'],
  ])('%s is told in either units', (id, label, metric, imperial) => {
    expect(said(nymphs, id)).toMatchObject({ label, text: metric });
    expect(said(nymphs, id, 'imperial')?.text).toBe(imperial);
  });

  it('names the parts that its weight comes from', () =>
    expect(said(nymphs, 'float-margin')?.inputs.map(({ label }) => label)).toEqual([
      'lift of the fixed indicator',
      'its own weight',
      'dropper nymph, under water',
      'point nymph, under water',
      'tin shot, under water',
      'leader below, under water',
    ]));

  it('tells where the leader parts, and how each knot holds', () => {
    const breaks = said(nymphs, 'breaks-first');
    expect(breaks?.text).toBe('improved clinch at the point nymph, 1.5 kg');
    expect(breaks?.inputs.at(-1)?.label).toBe('lost if it parts there');
    expect(breaks?.certainty).toBe('estimate');
  });

  it('tells the readings behind it, and is measured then', () => {
    const measured = {
      kind: 'knot-share',
      key: 'clinch',
      value: 0.4,
      readings: 3,
      on: '2026-05-02',
    } as const;
    const figure = rigFigures(nymphs, 2).find(({ id }) => id === 'breaks-first')!;
    const { certainty, inputs } = rigFigureInWords({ ...figure, certainty: 'measured', measured }, 'metric');
    expect(certainty).toBe('measured');
    expect(inputs.at(-1)).toEqual({ label: 'measured', text: '3 readings, last 2026-05-02' });
  });

  it('gives the length from which a leader tangles more in the units of who reads', () => {
    const long = buildRig('lake-long-leader');
    const labels = (units: 'metric' | 'imperial') =>
      said(long, 'tangle-risk', units)?.inputs.map(({ label }) => label);
    expect(labels('metric')).toContain('leader beyond 3 m');
    expect(labels('imperial')).toContain('leader beyond 10 ft');
  });

  it.each(TEMPLATE_IDS)('has words for all that %s comes to', (template) => {
    for (const { text, rule, inputs } of rigFiguresInWords(rigFigures(buildRig(template), 2), 'imperial')) {
      expect(text).not.toMatch(/undefined|NaN|null|Infinity/);
      expect(rule.length).toBeGreaterThan(10);
      expect(inputs.length).toBeGreaterThan(0);
    }
  });
});
