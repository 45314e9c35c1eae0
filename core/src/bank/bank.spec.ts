import fc from 'fast-check';
import { type BankEvent, type BankEventBody, RETRIEVES } from './event';
import { nextToTry, type Tried, triedIn } from './search';
import { MIN_TAPS, tapTempo, unrollTime } from './tap-tempo';

const beat = (pauses: number[]): number[] =>
  pauses.reduce<number[]>((taps, pause) => [...taps, (taps.at(-1) ?? 0) + pause * 1000], [0]);

describe('tap tempo', () => {
  it('tells the pause each way, and whether the line had time', () => {
    const tempo = tapTempo(beat([1.2, 0.8, 1.3, 0.8, 1.1]), 9);
    expect(tempo.backS).toBeCloseTo(1.2, 9);
    expect(tempo.forwardS).toBeCloseTo(0.8, 9);
    expect(tempo.needed).toEqual({ fromS: expect.closeTo(1.116, 3), toS: expect.closeTo(1.51, 2) });
    expect(tempo.verdict).toBe('fits');
  });

  it.each([
    ['hurried', 0.5],
    ['late', 2],
  ])('is %s with a pause of %d s', (verdict, pause) =>
    expect(tapTempo(beat([pause, pause, pause]), 9).verdict).toBe(verdict),
  );

  it('a steady beat is even, whatever its speed; a limping one is not', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 3, noNaN: true }), (pause) => {
        expect(tapTempo(beat([pause, pause * 0.7, pause, pause * 0.7]), 8).unevenness).toBeCloseTo(0, 6);
      }),
    );
    expect(tapTempo(beat([0.5, 0.8, 1.5, 0.8]), 8).unevenness).toBeGreaterThan(0.4);
  });

  it('wants enough taps and a line', () => {
    expect(() => tapTempo([0, 900], 8)).toThrow('out-of-range');
    expect(tapTempo(beat([1, 1]).slice(0, MIN_TAPS), 8).backS).toBe(1);
    expect(() => unrollTime(0)).toThrow('out-of-range');
  });

  it('a longer line needs longer', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 20, noNaN: true }), (line) => {
        const [short, long] = [unrollTime(line), unrollTime(line + 1)];
        expect(long.fromS).toBeGreaterThan(short.fromS);
        expect(short.fromS).toBeLessThan(short.toS);
      }),
    );
  });
});

describe('searching still water', () => {
  const tried = (depthM: number, retrieve: Tried['retrieve'], moved = false): Tried => ({
    depthM,
    retrieve,
    pattern: 'leech',
    moved,
  });

  it('goes through depths before the retrieve changes, and retrieves before the pattern', () => {
    const done: Tried[] = [];
    const order: string[] = [];
    for (let next = nextToTry(done, [1, 2], 'leech'); next; next = nextToTry(done, [1, 2], 'leech')) {
      order.push(`${next.depthM} ${next.retrieve}`);
      done.push({ ...next, moved: false });
    }
    expect(order.slice(0, 4)).toEqual(['1 hand-twist', '2 hand-twist', '1 strip', '2 strip']);
    expect(order).toHaveLength(2 * RETRIEVES.length);
    expect(nextToTry(done, [1, 2], 'midge')).toEqual({ depthM: 1, retrieve: 'hand-twist', pattern: 'midge' });
  });

  it('stays with what moved a fish', () =>
    expect(nextToTry([tried(1, 'hand-twist'), tried(2, 'slow', true)], [1, 2, 3], 'leech')).toEqual({
      depthM: 2,
      retrieve: 'slow',
      pattern: 'leech',
    }));

  it('reads what stands in the log', () => {
    const event = (id: string, body: BankEventBody): BankEvent => ({
      id,
      lessonId: 'l',
      studentId: null,
      blockId: null,
      deviceId: 'd',
      atMs: Number(id),
      body,
    });
    const log = [
      event('1', { kind: 'tried', ...tried(1, 'slow') }),
      event('2', { kind: 'tried', ...tried(2, 'slow') }),
      event('3', { kind: 'undo', targetId: '2' }),
    ];
    expect(triedIn(log)).toEqual([tried(1, 'slow')]);
  });
});
