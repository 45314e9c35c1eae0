import { createHash, randomUUID } from 'node:crypto';
import { appendFileSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Student } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import { demoScenario, FELLOW, LEAD } from '@doceo/demo';
import { removeAccount } from '../accounts/remove-account';
import { openPool, type Pool, rows, write } from '../db/pool';
import { type Agent, type TestApp, testApp } from '../testing/test-app';
import { emptyDatabase, MIGRATIONS } from '../testing/test-database';
import { backUp } from './backup';
import { DATA } from './backup-file';
import { restore } from './restore';

const SECRET = 'only for tests, long enough';
/** What is not the same after a backup is brought back, or is not looked at. */
const OTHERWISE = new Set(['sessions', 'installation', 'migrations', 'preparing']);

describe('a backup', () => {
  const { students, lessons } = demoScenario(new Date());
  const [first, second] = students.list;
  const lesson = lessons.lessons.find(({ lesson: { studentIds } }) => studentIds.includes(first!.id))!;
  let test: TestApp;
  let lead: Agent;
  let folder: string;
  let other: string;

  beforeEach(async () => {
    test = await testApp('backup');
    lead = await test.signedIn(LEAD.email);
    folder = mkdtempSync(join(tmpdir(), 'doceo-backup-'));
    other = await emptyDatabase('backup_back');
  });
  afterEach(async () => {
    await test.close();
    rmSync(folder, { recursive: true, force: true });
  });

  const at = (name: string): string => join(folder, name);
  const take = (name: string, deletions = '') =>
    backUp(test.pool, test.url, at(name), { secret: SECRET, deletions });
  const on = async <T>(work: (pool: Pool) => Promise<T>): Promise<T> => {
    const pool = openPool(other, 2);
    try {
      return await work(pool);
    } finally {
      await pool.end();
    }
  };
  const namesIn = async (pool: Pool): Promise<string[]> =>
    (await rows<{ name: string }>(pool, 'SELECT name FROM students ORDER BY name')).map(({ name }) => name);
  /** Every row of every table, as a sum by table. */
  const sums = async (pool: Pool): Promise<Record<string, string>> => {
    const found: Record<string, string> = {};
    for (const one of await rows<Record<string, string>>(pool, 'SHOW TABLES')) {
      const table = Object.values(one)[0]!;
      if (OTHERWISE.has(table)) continue;
      const lines = (await rows<object>(pool, `SELECT * FROM \`${table}\``)).map((row) =>
        JSON.stringify(row),
      );
      found[table] = `${lines.length} ${createHash('sha1').update(lines.sort().join('\n')).digest('hex')}`;
    }
    return found;
  };
  const attempt = (): BankEvent => ({
    ...{ id: randomUUID(), lessonId: lesson.id, studentId: first!.id, blockId: null, deviceId: LEAD.id },
    atMs: Date.now(),
    body: { kind: 'attempt', skillId: 'casting.pause', drillId: null, good: true, faultId: null },
  });
  const log = (events: BankEvent[]) =>
    lead.post('/api/events').send({ events, sentAtMs: Date.now() }).expect(200);

  it('brings every row of every table back, in a database that was empty', async () => {
    await take('one');
    const { deletedAgain } = await restore(other, MIGRATIONS, at('one'), []);
    expect(deletedAgain).toBe(0);
    const [before, after] = [await sums(test.pool), await on(sums)];
    expect(after).toEqual(before);
    expect(Object.keys(after).length).toBeGreaterThan(30);
    expect(readFileSync(at('one/session-secret'), 'utf8')).toBe(SECRET);
  });

  it('is signed in to as before, ends all sessions, and says when it was taken', async () => {
    const before = (await lead.get('/api/session').expect(200)).body.installation as { life: string };
    const { at: takenAt } = await take('one');
    await restore(other, MIGRATIONS, at('one'), []);
    const back = await testApp('backup_back', { url: other });
    try {
      expect((await rows(back.pool, 'SELECT session_id FROM sessions')).length).toBe(0);
      const again = await back.signedIn(LEAD.email);
      const { installation } = (await again.get('/api/session').expect(200)).body as {
        installation: { life: string; backTo: string };
      };
      expect(installation.life).not.toBe(before.life);
      expect(installation.backTo).toBe(takenAt);
    } finally {
      await back.close();
    }
  });

  it('holds one moment, though entries come while it is written', async () => {
    let over = false;
    let sent = 0;
    const writing = (async () => {
      for (; !over; sent += 2) await log([attempt(), attempt()]);
    })();
    for (let i = 0; i < 3; i++) await take(`${i}`);
    over = true;
    await writing;
    expect(sent).toBeGreaterThan(4);
    const counts: number[] = [];
    for (let i = 0; i < 3; i++) {
      other = await emptyDatabase('backup_back');
      await restore(other, MIGRATIONS, at(`${i}`), []);
      await on(async (pool) => {
        const [found] = await rows<{ n: number; no: number }>(
          pool,
          `SELECT COUNT(*) AS n, MAX(s.record_no) AS no FROM events e JOIN students s ON s.id = e.student_id
           WHERE e.device_id = ? AND s.id = ? AND e.body LIKE '%casting.pause%'`,
          [LEAD.id, first!.id],
        );
        counts.push(Number(found!.n));
      });
    }
    // Two came in each transaction: none is there with half of it.
    expect(counts.map((n) => n % 2)).toEqual([0, 0, 0]);
    expect(counts[0]! <= counts[1]! && counts[1]! <= counts[2]! && counts[2]! <= sent).toBe(true);
  });

  it('brings nobody back who was deleted after it, by what the database or a file beside it knows', async () => {
    await take('one');
    await lead.delete(`/api/students/${first!.id}`).expect(200);
    await removeAccount(test.pool, FELLOW.id);
    // The database itself is still there.
    await test.close();
    const known = await restore(test.url, MIGRATIONS, at('one'), []);
    expect(known.deletedAgain).toBe(2);
    // It is lost, and a file is left.
    const line = (id: string): string =>
      `${new Date().toISOString()} student gone ${createHash('sha256').update(id).digest('hex')}\n`;
    writeFileSync(at('deletions.txt'), line(second!.id));
    appendFileSync(at('deletions.txt'), '2026-11-29T10:00:00.000Z student gone 12');
    const lost = await restore(other, MIGRATIONS, at('one'), [at('deletions.txt')]);
    expect(lost.deletedAgain).toBe(1);
    expect(await on(namesIn)).not.toContain(second!.student.name);
    expect(await on(namesIn)).toContain(first!.student.name);
    // What was restored knows it for the next time.
    const again = await restore(other, MIGRATIONS, at('one'), []);
    expect(again.deletedAgain).toBe(1);
    test = await testApp('backup');
  });

  it('records nothing of a minor whose guardian said no after it, and all of one who said yes again', async () => {
    const consent = (id: string) =>
      lead
        .get(`/api/students/${id}`)
        .expect(200)
        .then(({ body }) => body.student as Student);
    const minor = students.list.find(({ student }) => student.guardianConsentOn !== null)!;
    await take('one');
    const said = await consent(minor.id);
    const put = (guardianConsentOn: string | null) =>
      lead
        .put(`/api/students/${minor.id}`)
        .send({ ...said, guardianConsentOn })
        .expect(200);
    await put(null);
    await test.close();
    expect(await restore(test.url, MIGRATIONS, at('one'), [])).toMatchObject({
      ...{ deletedAgain: 0, consentsEnded: 1 },
    });
    test = await testApp('backup', { url: test.url });
    lead = await test.signedIn(LEAD.email);
    expect((await consent(minor.id)).guardianConsentOn).toBeNull();
    await put('2026-11-01');
    await test.close();
    expect((await restore(test.url, MIGRATIONS, at('one'), [])).consentsEnded).toBe(0);
    test = await testApp('backup', { url: test.url });
    lead = await test.signedIn(LEAD.email);
    expect((await consent(minor.id)).guardianConsentOn).toBe(said.guardianConsentOn);
  });

  it('keeps who was deleted and came again with a file', async () => {
    const file = (await lead.get(`/api/students/${first!.id}/export`).expect(200)).body as object;
    await take('one');
    await lead.delete(`/api/students/${first!.id}`).expect(200);
    await lead.post('/api/students/import').send(file).expect(200);
    const kept = await rows(test.pool, 'SELECT kind, is_gone FROM deletions');
    expect(kept).toEqual([{ kind: 'student', is_gone: 0 }]);
    await test.close();
    expect((await restore(test.url, MIGRATIONS, at('one'), [])).deletedAgain).toBe(0);
    test = await testApp('backup');
  });

  it('is brought up to date when it is of an older version, and refused when it is of a newer one', async () => {
    await write(test.pool, 'DROP TABLE student_records');
    await write(test.pool, "DELETE FROM migrations WHERE name LIKE '026-%'");
    await take('old');
    await restore(other, MIGRATIONS, at('old'), []);
    expect(await on((pool) => rows(pool, 'SELECT student_id FROM student_records'))).toEqual([]);
    await write(test.pool, "INSERT INTO migrations (name) VALUES ('999-later/01')");
    await take('newer');
    await expect(restore(other, MIGRATIONS, at('newer'), [])).rejects.toThrow('newer version');
  });

  it('is refused when it is not whole, changing nothing', async () => {
    await take('one');
    await restore(other, MIGRATIONS, at('one'), []);
    const before = await on(sums);
    appendFileSync(join(at('one'), DATA), 'x');
    await expect(restore(other, MIGRATIONS, at('one'), [])).rejects.toThrow('not as it was written');
    rmSync(at('one/about.json'));
    await expect(restore(other, MIGRATIONS, at('one'), [])).rejects.toThrow('no whole backup');
    await expect(restore(other, MIGRATIONS, at('none'), [])).rejects.toThrow('no whole backup');
    expect(await on(sums)).toEqual(before);
  });

  it('is refused beside a server that works on the database', async () => {
    await take('one');
    await expect(restore(test.url, MIGRATIONS, at('one'), [])).rejects.toThrow('A server still works');
    await lead.get('/api/students').expect(200);
  });

  it('leaves nothing behind that looks like one when it breaks off', async () => {
    await expect(
      backUp(test.pool, test.url.replace(/:[^:@/]+@/, ':wrong@'), at('one'), {
        secret: SECRET,
        deletions: '',
      }),
    ).rejects.toThrow('mariadb-dump ended with');
    expect([existsSync(at('one')), existsSync(at('one.part'))]).toEqual([false, false]);
    await take('one');
    await expect(take('one')).rejects.toThrow('is there already');
  });
});
