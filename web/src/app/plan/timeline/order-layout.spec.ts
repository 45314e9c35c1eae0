import fc from 'fast-check';
import { layOut, ROW_PX } from './order-layout';

describe('the lines of a running order', () => {
  const starts = fc
    .array(fc.integer({ min: 0, max: 60 }), { minLength: 1, maxLength: 20 })
    .map((list) => list.map((n) => n * 5).sort((a, b) => a - b));

  it('never overlap, never stand above their block, and lie in the day', () => {
    fc.assert(
      fc.property(starts, fc.integer({ min: 305, max: 480 }), (startMins, totalMin) => {
        const { rowTops, pxPerMin, heightPx } = layOut(startMins, totalMin, 5);
        rowTops.forEach((top, i) => {
          expect(top).toBeGreaterThanOrEqual((startMins[i] ?? 0) * pxPerMin - 1e-9);
          if (i > 0) expect(top - (rowTops[i - 1] ?? 0)).toBeGreaterThanOrEqual(ROW_PX - 1e-9);
        });
        expect((rowTops.at(-1) ?? 0) + ROW_PX).toBeLessThanOrEqual(heightPx + 1e-9);
      }),
    );
  });

  it('stand at their hour where there is room, and a block of five minutes still holds its number', () => {
    expect(layOut([0, 60], 120, 30).rowTops).toEqual([0, 60 * 1.9]);
    expect(5 * layOut([0, 5], 60, 5).pxPerMin).toBeGreaterThanOrEqual(15);
    expect(layOut([], 60, 60).heightPx).toBeGreaterThan(0);
  });
});
