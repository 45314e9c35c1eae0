import { Rests } from './rests';

describe('rests of who works behind others', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  const lasting = (ms: number) => () => new Promise<void>((resolve) => setTimeout(resolve, ms));

  /** When each began, after the first, milliseconds. */
  async function beginnings(...statements: (() => Promise<void>)[]): Promise<number[]> {
    const rests = new Rests();
    const from = performance.now();
    const began: number[] = [];
    const all = (async () => {
      for (const statement of statements)
        await rests
          .before(() => {
            began.push(performance.now() - from);
            return statement();
          })
          .catch(() => undefined);
    })();
    await jest.runAllTimersAsync();
    await all;
    return began;
  }

  it('are as long as what was done', async () => {
    expect(await beginnings(lasting(30), lasting(10), lasting(0), lasting(0))).toEqual([0, 60, 80, 80]);
  });

  it('are never long', async () => {
    expect(await beginnings(lasting(9000), lasting(0))).toEqual([0, 9200]);
  });

  it('come after what failed too', async () => {
    const failing = () => lasting(25)().then(() => Promise.reject(new Error('no such table')));
    expect(await beginnings(failing, lasting(0))).toEqual([0, 50]);
  });

  it('are shared: two at once rest for both', async () => {
    const rests = new Rests();
    const from = performance.now();
    const both = Promise.all([rests.before(lasting(20)), rests.before(lasting(40))]);
    let third = 0;
    const later = both.then(() => rests.before(async () => void (third = performance.now() - from)));
    await jest.runAllTimersAsync();
    await later;
    // 20 from the first at 20, and 40 more from the second at 40.
    expect(third).toBe(80);
  });
});
