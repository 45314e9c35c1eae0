import { Pen } from './pen';

const A = { x: 0, y: 0 };
const B = { x: 4, y: 0 };
const C = { x: 4, y: 3 };

describe('a pen', () => {
  const drawn = (...corners: { x: number; y: number }[]): Pen => {
    const pen = new Pen();
    pen.take('pool', A);
    for (const corner of corners) pen.put(corner);
    return pen;
  };

  it('puts corners, two at one place as one, and closes on the first once there are three', () => {
    const pen = drawn(A, B, B);
    expect([pen.corners(), pen.canClose(), pen.put(A)]).toEqual([[A, B], false, false]);
    const whole = drawn(A, B, C);
    expect([whole.canClose(), whole.put(A), whole.corners()]).toEqual([true, true, [A, B, C]]);
  });

  it('draws its line through the corners to the cursor', () => {
    const pen = drawn(A, B);
    pen.moveTo(C);
    expect(pen.path()).toBe('0,0 4,0 4,3');
    pen.takeBack();
    expect(pen.path()).toBe('0,0 4,3');
  });

  it('leaves nothing behind when it is laid down', () => {
    const pen = drawn(A, B);
    pen.lay();
    expect([pen.kind(), pen.corners(), pen.cursor(), pen.path()]).toEqual([null, [], null, '']);
  });
});
