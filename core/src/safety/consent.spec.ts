import { mayBeRecorded } from './consent';

describe('a record', () => {
  it.each([
    [17, false, false],
    [17, true, true],
    [18, false, true],
    [null, false, true],
  ])('of somebody aged %s with consent %s may be kept: %s', (age, consent, may) =>
    expect(mayBeRecorded(age, consent)).toBe(may),
  );
});
