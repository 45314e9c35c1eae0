import { skillName, SKILLS } from '.';

describe('names of skills', () => {
  it('are told of one that is gone too', () => {
    expect(skillName('casting.pause')).toBe(SKILLS.get('casting.pause').name);
    expect([skillName('casting.long-gone'), skillName('odd')]).toEqual(['long gone', 'odd']);
  });
});
