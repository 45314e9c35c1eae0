import { LongPress } from './long-press';

describe('a long press', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it('does what it means once the finger stays, and the click that ends it is none', () => {
    const press = new LongPress();
    const act = jest.fn();
    press.begin(act);
    jest.advanceTimersByTime(540);
    expect(act).not.toHaveBeenCalled();
    jest.advanceTimersByTime(20);
    expect(act).toHaveBeenCalledTimes(1);
    press.end();
    expect([press.wasLong(), press.wasLong()]).toEqual([true, false]);
  });

  it('is a tap when the finger is off before', () => {
    const press = new LongPress();
    const act = jest.fn();
    press.begin(act);
    jest.advanceTimersByTime(300);
    press.end();
    jest.advanceTimersByTime(2000);
    expect(act).not.toHaveBeenCalled();
    expect(press.wasLong()).toBe(false);
  });
});
