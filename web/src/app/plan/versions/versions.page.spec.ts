import { Router } from '@angular/router';
import { TestBed } from '@angular/core/testing';
import { api, type PlanVersion } from '@doceo/contract';
import type { FakeServer } from '../../../testing/fake-server';
import { PLAN, uuid } from '../../../testing/fixtures';
import { lessonServer, type Shown, show } from '../../../testing/page';
import { VersionsPage } from './versions.page';

const version = (n: number, rest: Partial<PlanVersion> = {}): PlanVersion => ({
  ...{ id: uuid(n), planId: PLAN.id, hash: 'a'.repeat(64), title: PLAN.title, why: 'shared', note: '' },
  ...{ authorName: 'Maren Voss', at: '2026-06-01T10:00:00.000Z', parents: [], taught: 0, ...rest },
});
const THEN = { title: PLAN.title, body: { ...PLAN.body, aim: 'An older aim' } };

describe('the versions of a plan', () => {
  let server: FakeServer;
  beforeEach(() => {
    server = lessonServer()
      .on(api.versions.list, {
        items: [version(2, { note: 'More time' }), version(1, { taught: 2 })],
        next: null,
      })
      .on(api.versions.get, { ...version(2, { note: 'More time' }), plan: THEN })
      .on(api.versions.name, version(3))
      .on(api.plans.update, PLAN);
  });
  const open = (): Promise<Shown<VersionsPage>> => show(VersionsPage, server, { id: PLAN.id });

  it('are told by their word, else why there is one, with what differs from now', async () => {
    const page = await open();
    expect(page.all('ol li')).toEqual([
      'More time Maren Voss, 1 Jun 2026',
      'shared Maren Voss, 1 Jun 2026, 2 lessons taught',
    ]);
    expect(page.all('section li')).toEqual([`Aim ${PLAN.body.aim} An older aim`]);
  });

  it('can be taken up again; how it was until then is kept first', async () => {
    const page = await open();
    await page.press('Take it up again');
    expect(server.of(api.versions.name)[0]?.body).toEqual({
      ...{ baseVersion: PLAN.version, note: 'as it was before “More time” was taken up' },
    });
    expect(server.of(api.plans.update)[0]?.body).toEqual({ ...THEN, baseVersion: PLAN.version });
    expect(TestBed.inject(Router).url).toBe(`/plan/${PLAN.id}`);
  });

  it('are kept with a word, and not without one', async () => {
    const page = await open();
    await page.press('Keep it as it is now');
    await page.press('Keep');
    expect(page.text()).toContain('Say in a word what it is');
    await page.enter('form input', 'before the frost');
    await page.press('Keep');
    expect(server.of(api.versions.name)[0]?.body).toEqual({
      baseVersion: PLAN.version,
      note: 'before the frost',
    });
  });

  it('come a page at a time', async () => {
    server.on(api.versions.list, ({ query }) =>
      query.before ? { items: [version(1)], next: null } : { items: [version(2)], next: uuid(2) },
    );
    const page = await open();
    await page.press('Older ones');
    expect(page.all('ol li')).toHaveLength(2);
  });

  it('of a plan that has none say when there is one', async () => {
    server.on(api.versions.list, { items: [], next: null });
    const page = await open();
    expect(page.text()).toContain('Saving makes none.');
  });

  it('of somebody else’s plan can only be looked at', async () => {
    server.on(api.plans.get, { ...PLAN, mine: false });
    const page = await open();
    expect(page.all('section li')).toHaveLength(1);
    expect(page.text()).not.toContain('Take it up again');
    expect(page.text()).not.toContain('Keep it as it is now');
  });
});
