import { readdirSync } from 'node:fs';
import { getPriority } from 'node:os';
import { hashing } from './hashing-thread';

/** The threads of this process that step back behind its first one. */
function threadsBehind(): string[] {
  return readdirSync('/proc/self/task').filter((task) => niceOf(task) >= Math.min(19, getPriority() + 10));
}

/** How far one steps back; nothing for one that has ended meanwhile. */
function niceOf(task: string): number {
  try {
    return getPriority(Number(task));
  } catch {
    return Number.NaN;
  }
}

describe('the thread that works passwords out', () => {
  it('steps back alone, once for all', async () => {
    const [own, others] = [getPriority(), threadsBehind()];
    for (const password of ['one', 'another']) await hashing({ password, against: null });
    expect(threadsBehind().filter((task) => !others.includes(task))).toHaveLength(1);
    expect(getPriority()).toBe(own);
  });

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
});
