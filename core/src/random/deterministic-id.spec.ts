import { deterministicId } from '.';

describe('ids made from texts', () => {
  it('are three hundred thousand different ones for as many texts', () => {
    const ids = new Set(Array.from({ length: 300_000 }, (_, i) => deterministicId(`reading/${i}`)));
    expect(ids.size).toBe(300_000);
  });
});
