import { mayBeRecorded } from './consent';

describe('a record', () => {
  it.each([
    [17, false, false, false],
    [17, false, true, true],
    // A birthday counts for more than what was said without one.
    [17, true, false, false],
    [18, false, false, true],
    [null, false, false, false],
    [null, false, true, true],
    [null, true, false, true],
  ])(
    'of somebody aged %s, said to be of age %s, with consent %s may be kept: %s',
    (age, said, consent, may) => expect(mayBeRecorded(age, said, consent)).toBe(may),
  );
});
