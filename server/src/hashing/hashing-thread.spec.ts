import { readdirSync, readFileSync } from 'node:fs';
import { hashing } from './hashing-thread';

/** How far each thread of this process steps back, in the order of numbers. */
function niceOfThreads(): number[] {
  return readdirSync('/proc/self/task')
    .map((task) =>
      Number(readFileSync(`/proc/self/task/${task}/stat`, 'utf8').split(') ')[1]?.split(' ')[16]),
    )
    .sort((a, b) => a - b);
}

describe('the thread that works passwords out', () => {
  it('makes a hash that is right for its password alone, and another one each time', async () => {
    const stored = String(await hashing({ password: 'a long walk upstream', against: null }));
    expect(stored).toMatch(/^\$argon2id\$/);
    expect(await hashing({ password: 'a long walk upstream', against: stored })).toBe(true);
    expect(await hashing({ password: 'a long walk downstream', against: stored })).toBe(false);
    expect(await hashing({ password: 'a long walk upstream', against: null })).not.toBe(stored);
  });

  it('says of a hash that is none that it is none, and goes on', async () => {
    await expect(hashing({ password: 'x', against: 'no hash' })).rejects.toThrow(/decoding/i);
    expect(await hashing({ password: 'x', against: null })).toMatch(/^\$argon2id\$/);
  });

  it('steps back alone: nothing else of the process does', async () => {
    const before = niceOfThreads();
    expect(before.filter((nice) => nice >= before[0]! + 10)).toHaveLength(1);
  });
});
