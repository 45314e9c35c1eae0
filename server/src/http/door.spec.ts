import { Door } from './door';

describe('the door', () => {
  let seen: string[];
  let door: Door;
  beforeEach(() => {
    jest.useFakeTimers();
    [seen, door] = [[], new Door()];
  });
  afterEach(() => jest.useRealTimers());
  const comes = (who: string): void =>
    door.enter((leave) => {
      seen.push(who);
      leave();
    });
  const stays = (who: string): void => door.enter(() => seen.push(who));

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

  it('lets nobody in while three are inside, until one leaves', () => {
    for (const who of ['a', 'b']) stays(who);
    let leaves = (): void => undefined;
    door.enter((leave) => {
      seen.push('c');
      leaves = leave;
    });
    comes('d');
    jest.advanceTimersByTime(90);
    expect(seen).toEqual(['a', 'b', 'c']);
    leaves();
    jest.advanceTimersByTime(6);
    expect(seen).toEqual(['a', 'b', 'c', 'd']);
  });

  it('keeps no place for whoever stays long', () => {
    for (const who of ['a', 'b', 'c', 'd']) stays(who);
    jest.advanceTimersByTime(95);
    expect(seen).toEqual(['a', 'b', 'c']);
    jest.advanceTimersByTime(11);
    expect(seen).toEqual(['a', 'b', 'c', 'd']);
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
