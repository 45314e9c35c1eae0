import { Door } from './door';

describe('the door', () => {
  let seen: string[];
  let door: Door;
  beforeEach(() => {
    jest.useFakeTimers();
    [seen, door] = [[], new Door()];
  });
  afterEach(() => jest.useRealTimers());
  const comes = (who: string): void => door.enter(() => seen.push(who));

  it('lets the first in at once, and each of the others some milliseconds after the one before', () => {
    for (const who of ['a', 'b', 'c']) comes(who);
    expect(seen).toEqual(['a']);
    jest.advanceTimersByTime(20);
    expect(seen).toEqual(['a', 'b']);
    jest.advanceTimersByTime(20);
    expect(seen).toEqual(['a', 'b', 'c']);
  });

  it('is open for whoever comes when nobody stands there', () => {
    comes('a');
    jest.advanceTimersByTime(20);
    comes('b');
    expect(seen).toEqual(['a', 'b']);
  });

  it('goes on when one stumbles', () => {
    expect(() =>
      door.enter(() => {
        throw new Error('stumbled');
      }),
    ).toThrow('stumbled');
    comes('b');
    jest.advanceTimersByTime(20);
    expect(seen).toEqual(['b']);
  });

  it('lets nobody in while new connections come, for a while', () => {
    door.cameNew();
    comes('a');
    expect(seen).toEqual([]);
    for (let i = 0; i < 20; i++) {
      jest.advanceTimersByTime(5);
      door.cameNew();
    }
    expect(seen).toEqual([]);
    jest.advanceTimersByTime(12);
    expect(seen).toEqual(['a']);
  });

  it('lets one in all the same when they come without end', () => {
    door.cameNew();
    comes('a');
    comes('b');
    for (let i = 0; i < 64; i++) {
      jest.advanceTimersByTime(5);
      door.cameNew();
    }
    expect(seen).toEqual(['a']);
  });
});
