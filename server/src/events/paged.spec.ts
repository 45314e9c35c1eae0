import { randomUUID } from 'node:crypto';
import type { BankEvent, BankEventBody } from '@doceo/core';
import { demoScenario, LEAD } from '@doceo/demo';
import { rows } from '../db/pool';
import { type TestApp, testApp } from '../testing/test-app';
import { findAttemptEvents, findCountingEvents, insertEvents } from './events.sql';

describe('entries of records that are longer than one statement reads', () => {
  const { lessons } = demoScenario(new Date());
  const [lesson] = lessons.lessons;
  const [one = '', other = ''] = lesson!.lesson.studentIds;
  let test: TestApp;
  beforeAll(async () => {
    test = await testApp('paged');
  });
  afterAll(() => test.close());

  const entry = (studentId: string, body: BankEventBody): BankEvent => ({
    ...{ id: randomUUID(), lessonId: lesson!.id, studentId, blockId: null, deviceId: LEAD.id, atMs: 5 },
    body,
  });
  const stored = async (kinds: string): Promise<string[]> =>
    (
      await rows<{ id: string }>(
        test.pool,
        `SELECT id FROM events WHERE student_id IN (?) AND kind IN (${kinds}) ORDER BY seq`,
        [[one, other]],
      )
    ).map(({ id }) => id);

  it('are all there, each once, in their order', async () => {
    const entries = Array.from({ length: 5200 }, (_, i) =>
      i % 5 === 4
        ? entry(one, { kind: 'note', text: `${i}`, aboutId: null })
        : entry(i % 2 === 0 ? one : other, {
            ...{ kind: 'attempt', skillId: 'casting.pause', drillId: null, good: i % 3 > 0, faultId: null },
          }),
    );
    for (let from = 0; from < entries.length; from += 1000)
      await insertEvents(test.pool, LEAD.id, entries.slice(from, from + 1000));
    const attempts = await findAttemptEvents(test.pool, [one, other]);
    expect(attempts.length).toBeGreaterThan(4000);
    expect(attempts.map(({ id }) => id)).toEqual(await stored("'attempt', 'undo'"));
    const counting = await findCountingEvents(test.pool, [one, other]);
    expect(counting.filter(({ body }) => body.kind === 'note')).toEqual([]);
    expect(counting.filter(({ body }) => ['attempt', 'undo'].includes(body.kind))).toEqual(attempts);
  });

  it('of nobody are none', async () => {
    expect(await findCountingEvents(test.pool, [])).toEqual([]);
  });
});
