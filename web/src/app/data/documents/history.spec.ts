import fc from 'fast-check';
import { History } from './history';

describe('a history', () => {
  it('goes back and forth through what was kept', () => {
    const history = new History<string>();
    expect([history.canUndo(), history.canRedo()]).toEqual([false, false]);
    history.keep('a');
    history.keep('b');
    expect(history.back('c')).toBe('b');
    expect(history.back('b')).toBe('a');
    expect(history.back('a')).toBeUndefined();
    expect([history.canUndo(), history.canRedo()]).toEqual([false, true]);
    expect(history.forth('a')).toBe('b');
    expect(history.forth('b')).toBe('c');
    expect(history.forth('c')).toBeUndefined();
  });

  it('forgets what was taken back once something new is done', () => {
    const history = new History<string>();
    history.keep('a');
    history.back('b');
    history.keep('a');
    expect(history.canRedo()).toBe(false);
    expect(history.back('z')).toBe('a');
  });

  it('keeps the last two hundred steps', () => {
    const history = new History<number>();
    for (let i = 0; i < 250; i++) history.keep(i);
    let now = 250;
    for (let before = history.back(now); before !== undefined; before = history.back(now)) now = before;
    expect(now).toBe(50);
  });

  it('is back where it began after any steps taken back, and where it ended after as many done again', () =>
    fc.assert(
      fc.property(fc.array(fc.integer(), { minLength: 1, maxLength: 20 }), (values) => {
        const history = new History<number>();
        let now = -1;
        for (const value of values) {
          history.keep(now);
          now = value;
        }
        for (let i = 0; i < values.length; i++) now = history.back(now)!;
        expect(now).toBe(-1);
        for (let i = 0; i < values.length; i++) now = history.forth(now)!;
        expect(now).toBe(values.at(-1));
      }),
    ));
});
