import { TEMPLATE_IDS, textInUnits } from '@doceo/core';
import { RIG_TEMPLATE_WORDS } from './rig-templates';

describe('a way to rig in words', () => {
  it.each(TEMPLATE_IDS)('%s says what it is for, in which water, and what to say meanwhile', (id) => {
    const { name, purpose, water, cues } = RIG_TEMPLATE_WORDS[id];
    expect(name.length).toBeGreaterThan(5);
    expect(purpose).toMatch(/^[A-Z].{28,}\.$/);
    expect(water.length).toBeGreaterThan(8);
    expect(cues.length).toBeGreaterThan(0);
    for (const cue of cues) expect(textInUnits(cue, 'metric')).toBe(cue);
  });

  it('has a name of its own for each', () => {
    const names = TEMPLATE_IDS.map((id) => RIG_TEMPLATE_WORDS[id].name);
    expect(new Set(names).size).toBe(TEMPLATE_IDS.length);
  });
});
