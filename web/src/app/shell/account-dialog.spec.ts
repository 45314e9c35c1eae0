import { api } from '@doceo/contract';
import type { FakeServer } from '../../testing/fake-server';
import { lessonServer, show } from '../../testing/page';
import { AccountDialogComponent } from './account-dialog.component';

const EFFECT = {
  students: 2,
  lessons: 1,
  events: 0,
  plans: 3,
  rigs: 0,
  waters: 0,
  circlesEnding: [],
  circlesWithoutOwner: [] as string[],
  kept: [{ what: 'water' as const, name: 'River Ostrel', keeper: 'Tobias Lind' }],
  eventsKept: 4,
};

describe('one’s account', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    server = lessonServer().on(api.account.deletionPreview, EFFECT);
  });

  it('takes another password, and says at the field what is wrong with it', async () => {
    const page = await show(AccountDialogComponent, server);
    await page.press('Change it');
    expect(page.all('.wrong')[0]).toBe('it is needed to change it');
    await page.enter('input[name=current]', 'corvane-demo');
    await page.enter('input[name=next]', 'short');
    await page.press('Change it');
    expect(server.of(api.session.changePassword)).toEqual([]);
    expect(page.all('.wrong')).toHaveLength(1);
    server.refuse(api.session.changePassword, 400, 'invalid', [
      { path: 'next', code: 'common', message: 'is one of the first that are tried' },
    ]);
    await page.enter('input[name=next]', 'password123');
    await page.press('Change it');
    expect(page.all('.wrong')).toEqual(['is one of the first that are tried']);
    server.on(api.session.changePassword, { ok: true });
    await page.enter('input[name=next]', 'a better one');
    await page.press('Change it');
    expect(server.of(api.session.changePassword).at(-1)?.body).toEqual({
      current: 'corvane-demo',
      next: 'a better one',
    });
  });

  it('tells what goes and what stays before it is deleted', async () => {
    const page = await show(AccountDialogComponent, server);
    await page.press('See what would go');
    await page.quiet();
    const text = page.text();
    expect(text).toContain('For good: 2 students, 1 lesson, 3 plans.');
    expect(text).toContain('4 entries about students of fellows stay');
    expect(text).toContain('water “River Ostrel”, then with Tobias Lind');
    server.refuse(api.account.remove, 401, 'wrong-credentials', [
      { path: 'password', code: 'wrong', message: 'is not right' },
    ]);
    await page.press('Delete my account');
    expect(page.all('.wrong')).toEqual(['it is needed']);
    expect(server.of(api.account.remove)).toEqual([]);
    await page.enter('input[name=password]', 'guess');
    await page.press('Delete my account');
    expect(page.all('.wrong')).toEqual(['is not right']);
    await page.press('Cancel');
    expect(page.text()).not.toContain('For good');
  });

  it('is not deleted while a circle would lose its owner', async () => {
    server.on(api.account.deletionPreview, { ...EFFECT, circlesWithoutOwner: ['River School'] });
    const page = await show(AccountDialogComponent, server);
    await page.press('See what would go');
    await page.quiet();
    expect(page.text()).toContain('River School would be left without an owner');
    expect(document.querySelector('input[name=password]')).toBeNull();
  });
});
