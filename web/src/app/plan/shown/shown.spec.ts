import { TestBed } from '@angular/core/testing';
import { ActivatedRoute } from '@angular/router';
import { api, type ShownPlan } from '@doceo/contract';
import { of } from 'rxjs';
import { lessonServer, show, type Shown } from '../../../testing/page';
import { WHOLE_PLAN } from '../../../testing/whole-plan';
import { ShownPage } from './shown.page';

const TOKEN = 'A'.repeat(22);
const PLAN: ShownPlan = {
  ...{ ...WHOLE_PLAN, authorName: 'Maren Voss' },
  ...{ at: '2026-06-01T10:00:00.000Z', until: '2026-07-01T10:00:00.000Z' },
};

describe('a plan behind a link', () => {
  const server = lessonServer().on(api.links.open, PLAN);
  const open = (fragment: string | null): Promise<Shown<ShownPage>> => {
    TestBed.overrideProvider(ActivatedRoute, { useValue: { fragment: of(fragment) } });
    return show(ShownPage, server);
  };

  it('is read without an account: what is done, how, with what, and how one is careful', async () => {
    const page = await open(TOKEN);
    expect(server.of(api.links.open).at(-1)?.body).toEqual({ token: TOKEN });
    expect(page.text()).toContain('By Maren Voss, as it was on 1 Jun 2026; to be read until 1 Jul 2026.');
    expect(page.text()).toContain('loop to loop, fly line to butt');
    expect(page.text()).toContain('local signs, wardens and licensed people decide');
    await page.press(/Count the pause/);
    expect(page.all('.opened h2')).toEqual(['Count the pause']);
    expect(page.all('.opened .say')).toEqual(['“Stop. And. Wait.”']);
    expect(page.all('.opened').join()).toContain('8 of 10: 7 m');
    await page.press('metric');
    expect(page.all('.opened').join()).toContain('8 of 10: 23 ft');
    expect(document.querySelector('meta[name=robots]')?.getAttribute('content')).toBe('noindex, nofollow');
  });

  it('that lost its end is told as such, without asking anybody', async () => {
    const before = server.of(api.links.open).length;
    const page = await open(null);
    expect(page.all('h1')).toEqual(['This link is not whole']);
    expect(server.of(api.links.open)).toHaveLength(before);
  });

  it('that was closed or has run out says so', async () => {
    server.refuse(api.links.open, 404, 'not-found');
    const page = await open(TOKEN);
    expect(page.all('h1')).toEqual(['Nothing is shown here']);
  });
});
