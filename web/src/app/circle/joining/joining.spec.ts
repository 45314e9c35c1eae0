import { TestBed } from '@angular/core/testing';
import { ActivatedRoute } from '@angular/router';
import { api } from '@doceo/contract';
import { of } from 'rxjs';
import { CIRCLE } from '../../../testing/fixtures';
import { lessonServer, show, type Shown } from '../../../testing/page';
import { CirclePage } from '../circle.page';
import { JoinPage } from './join.page';

const TOKEN = 'A'.repeat(22);
const OFFER = { circleName: 'River School', role: 'editor' as const, invitedBy: 'Maren Voss', member: false };

describe('a circle that asks', () => {
  const server = lessonServer();
  const open = (fragment: string | null): Promise<Shown<JoinPage>> => {
    TestBed.overrideProvider(ActivatedRoute, { useValue: { fragment: of(fragment) } });
    return show(JoinPage, server);
  };

  it('says who asks and what one may do there, and takes a yes', async () => {
    server.on(api.circles.offer, OFFER);
    const page = await open(TOKEN);
    expect(page.all('h1')).toEqual(['River School']);
    expect(page.text()).toContain('Maren Voss asks you to join as editor. You share plans');
    server.refuse(api.circles.take, 404, 'not-found');
    await page.press('Join');
    expect(page.all('[role=alert]')).toEqual(['server says not-found']);
    server.on(api.circles.take, { ok: true });
    await page.press('Join');
    expect(server.of(api.circles.take).at(-1)?.body).toEqual({ token: TOKEN, accept: true });
  });

  it('takes a no', async () => {
    server.on(api.circles.offer, { ...OFFER, invitedBy: '' });
    const page = await open(TOKEN);
    expect(page.text()).toContain('Somebody asks you');
    await page.press('Decline');
    expect(server.of(api.circles.take).at(-1)?.body).toEqual({ token: TOKEN, accept: false });
  });

  it('in which one is already asks nothing', async () => {
    server.on(api.circles.offer, { ...OFFER, member: true });
    const page = await open(TOKEN);
    expect(page.text()).toContain('You are in it already');
    expect(page.all('button')).toEqual([]);
  });

  it('by a link that was used, or that lost its end, says so', async () => {
    server.refuse(api.circles.offer, 404, 'not-found');
    expect((await open(TOKEN)).text()).toContain('server says not-found');
  });

  it('by a link that lost its end asks nobody', async () => {
    const before = server.of(api.circles.offer).length;
    expect((await open(null)).all('h1')).toEqual(['This link is not whole']);
    expect(server.of(api.circles.offer)).toHaveLength(before);
  });
});

describe('links to a circle', () => {
  it('are made by its owner, shown once, and closed', async () => {
    localStorage.clear();
    const server = lessonServer();
    const page = await show(CirclePage, server);
    await page.quiet();
    server.on(api.circles.makeLink, ({ body }) => ({
      token: TOKEN,
      circle: {
        ...CIRCLE,
        links: [
          { id: (body as { id: string }).id, role: 'editor' as const, until: '2026-06-17T10:00:00.000Z' },
        ],
      },
    }));
    await page.press('Make a link');
    expect(page.text()).toContain('One person joins as editor by this, until 17 Jun 2026.');
    expect(page.all('.address')).toEqual([`${location.origin}/join#${TOKEN}`]);
    server.on(api.circles.closeLink, CIRCLE);
    await page.press('Close it');
    expect(page.all('.address')).toEqual([]);
    expect(page.text()).not.toContain('a link, editor');
  });
});
