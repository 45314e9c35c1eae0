import { namesIn, withoutNames } from './student-names';

const NAMED: [string, string, string[], boolean][] = [
  ['a first name', 'What Petra needs', ['Petra Holm'], true],
  ['a last name in small letters', 'for holm', ['Petra Holm'], true],
  ['part of a word', 'Petrarch and Holmes', ['Petra Holm'], false],
  ['a name with signs of expressions', 'for O.Neil (junior)', ['O.Neil'], true],
  ['letters beyond ASCII', 'Ø for Łukasz', ['Łukasz Ø'], true],
  ['very short words', 'Al and Bo', ['Al Bo'], false],
  ['no students', 'anything', [], false],
];

describe('names of students in what leaves', () => {
  it.each(NAMED)('%s', (_, title, names, hit) =>
    expect(namesIn({ title }, names).map(({ path }) => path)).toEqual(hit ? ['title'] : []),
  );

  it('are looked for however deep a text lies, and not in codes', () => {
    const plan = { id: 'petra', blocks: [{ cue: 'as Petra', watchFor: ['petra'] }, { note: 'ask Holm' }] };
    expect(namesIn(plan, ['Petra Holm'], 'body')).toEqual([
      { path: 'body.blocks[0].cue', code: 'student-name', message: 'names a student: “Petra”' },
      { path: 'body.blocks[1].note', code: 'student-name', message: 'names a student: “Holm”' },
    ]);
  });

  it('become a mark in a copy; the codes and what was there stay', () => {
    const plan = { id: 'petra', n: 3, blocks: [{ cue: 'as Petra Holm does, and PETRA again' }] };
    expect(withoutNames(plan, ['Petra Holm'])).toEqual({
      ...{ id: 'petra', n: 3 },
      blocks: [{ cue: 'as … … does, and … again' }],
    });
    expect(plan.blocks[0]?.cue).toContain('Petra');
    expect(withoutNames('nobody here', [])).toBe('nobody here');
  });
});
