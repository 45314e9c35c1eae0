import { existsSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoScenario, LEAD } from '@doceo/demo';
import { type TestApp, testApp } from '../testing/test-app';
import { latest, readLedger } from './ledger';

const A = 'a'.repeat(64);
const on = (at: string, state: string): string => `2026-11-${at}T10:00:00.000Z student ${state} ${A}`;

describe('the file of deletions', () => {
  const folder = mkdtempSync(join(tmpdir(), 'doceo-ledger-'));
  const path = join(folder, 'deletions.txt');
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  it('says who was deleted by a hash, once, also after the server was started again', async () => {
    const [sam] = demoScenario(new Date()).students.list;
    const settings = { DOCEO_LEDGER: path };
    let test: TestApp = await testApp('ledger', { settings });
    const lead = await test.signedIn(LEAD.email);
    // There before anybody is deleted: bringing a backup back asks for it.
    while (!existsSync(path)) await new Promise((done) => setImmediate(done));
    expect(readFileSync(path, 'utf8')).toBe('');
    await lead.delete(`/api/students/${sam!.id}`).expect(200);
    await test.close();
    test = await testApp('ledger', { settings, url: test.url });
    await test.close();
    const text = readFileSync(path, 'utf8');
    expect(readLedger(text)).toMatchObject([{ kind: 'student', isGone: true }]);
    expect(text).not.toContain(sam!.id);
    expect(text).not.toContain(sam!.student.name);
    expect(statSync(path).mode & 0o077).toBe(0);
  });

  it('counts what was said last of somebody, in whatever order the lines stand', () => {
    const read = (...lines: string[]) => latest(readLedger(lines.join('\n'))).map(({ isGone }) => isGone);
    expect(read(on('02', 'gone'), on('03', 'back'))).toEqual([false]);
    expect(read(on('03', 'back'), on('02', 'gone'))).toEqual([false]);
    expect(read(on('03', 'back'), on('04', 'gone'), on('02', 'gone'))).toEqual([true]);
  });

  it('leaves out lines that are cut off or say something else', () =>
    expect(
      readLedger(['', on('02', 'gone').slice(0, -1), on('02', 'away'), `x student gone ${A}`].join('\n')),
    ).toEqual([]));
});
