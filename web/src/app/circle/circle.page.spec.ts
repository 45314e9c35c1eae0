import { TestBed } from '@angular/core/testing';
import { api, type Circle } from '@doceo/contract';
import type { FakeServer } from '../../testing/fake-server';
import { CIRCLE, PLAN, uuid } from '../../testing/fixtures';
import { lessonServer, show, until } from '../../testing/page';
import { CirclePage } from './circle.page';

const SHARED = {
  ...PLAN,
  id: uuid(22),
  title: 'Margins first',
  mine: false,
  ownerName: 'Tobias Lind',
  circleId: CIRCLE.id,
  circleName: CIRCLE.name,
};

describe('the circle', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    server = lessonServer().on(api.plans.list, [PLAN, SHARED]);
  });

  it('shows what is shared there, and not what is mine alone', async () => {
    const page = await show(CirclePage, server);
    expect(page.all('.shared')).toHaveLength(1);
    expect(page.all('.shared')[0]).toContain('Margins first');
  });

  it('shows the newest of many, and all of them to who asks', async () => {
    const many = Array.from({ length: 11 }, (_, i) => ({ ...SHARED, id: uuid(40 + i), title: `Plan ${i}` }));
    server.on(api.plans.list, many);
    const page = await show(CirclePage, server);
    expect(page.all('.shared')).toHaveLength(8);
    await page.press('All 11 of them');
    expect(page.all('.shared')).toHaveLength(11);
    expect(page.text()).not.toContain('All 11 of them');
  });

  it('says without a server that this device does not have it, and shows it when he answers', async () => {
    server.refuse(api.circles.list, 0);
    const page = await show(CirclePage, server);
    await until(() =>
      page.text().includes('The server does not answer, and this device keeps no copy of circles.'),
    );
    expect(page.text()).not.toContain('Fetching');
    server.on(api.circles.list, [CIRCLE]);
    await until(() => page.text().includes('Margins first'));
    expect(page.text()).not.toContain('does not answer');
  });

  it('lets me stop sharing mine, which stays mine', async () => {
    server.on(api.plans.list, [{ ...PLAN, circleId: CIRCLE.id, circleName: CIRCLE.name }, SHARED]);
    server.on(api.plans.share, PLAN);
    const page = await show(CirclePage, server);
    await page.press('Stop sharing First nymphs');
    expect(server.of(api.plans.share)[0]?.body).toEqual({ circleId: null });
    expect(page.all('.shared')).toHaveLength(1);
    expect(server.of(api.plans.remove)).toEqual([]);
  });

  it('lets me take a copy', async () => {
    server.on(api.plans.copy, PLAN);
    const page = await show(CirclePage, server);
    await page.press('Take my own copy');
    expect(server.of(api.plans.copy)[0]?.path).toBe(`/api/plans/${SHARED.id}/copy`);
  });

  it('lets an owner ask a fellow by e-mail, says at the field what is wrong, and takes it back', async () => {
    server.refuse(api.circles.invite, 400, 'invalid', [{ path: 'email', code: 'own', message: 'is yours' }]);
    const page = await show(CirclePage, server);
    await page.enter('input[type=email]', 'aiko@example.org');
    await page.press('Ask to join');
    expect(page.text()).toContain('is yours');
    const asked: Circle = {
      ...CIRCLE,
      invited: [{ email: 'aiko@example.org', role: 'editor', at: '2026-06-01T10:00:00Z' }],
    };
    server.on(api.circles.invite, asked).on(api.circles.withdraw, CIRCLE);
    await page.press('Ask to join');
    expect(server.of(api.circles.invite).at(-1)?.body).toEqual({ email: 'aiko@example.org', role: 'editor' });
    expect(page.all('.members li').at(-1)).toContain('asked, editor');
    expect(page.text()).not.toContain('is yours');
    await page.press('Do not ask aiko@example.org');
    expect(page.all('.invited')).toEqual([]);
  });

  it('lets an owner give a role and take a fellow out, but not himself', async () => {
    server.on(api.circles.setRole, CIRCLE).on(api.circles.removeMember, { ok: true });
    const page = await show(CirclePage, server);
    expect(page.all('.members li button')).toHaveLength(1);
    const role = document.querySelector<HTMLSelectElement>('select[aria-label="Role of Tobias Lind"]')!;
    role.value = 'owner';
    role.dispatchEvent(new Event('change'));
    await page.settle();
    expect(server.of(api.circles.setRole)[0]?.body).toEqual({ role: 'owner' });
    server.on(api.circles.list, [{ ...CIRCLE, members: CIRCLE.members.slice(0, 1) }]);
    await page.press('Take out Tobias Lind');
    expect(server.of(api.circles.removeMember)).toEqual([]);
    await page.press('Tobias Lind leaves the circle');
    await page.quiet();
    expect(page.all('.members li')).toHaveLength(1);
  });

  it('tells what follows before one leaves, and lets one stay', async () => {
    server.on(api.circles.leave, { ok: true });
    const page0 = await show(CirclePage, server);
    await page0.press(`Leave ${CIRCLE.name}`);
    expect(page0.text()).toContain('A circle needs an owner');
    TestBed.resetTestingModule();
    const two = {
      ...CIRCLE,
      members: CIRCLE.members.map((member) => ({ ...member, role: 'owner' as const })),
    };
    server.on(api.circles.list, [two]);
    const page = await show(CirclePage, server);
    await page.press(`Leave ${CIRCLE.name}`);
    expect(page.text()).toContain('are private again');
    await page.press('Stay');
    expect(server.of(api.circles.leave)).toEqual([]);
    await page.press(`Leave ${CIRCLE.name}`);
    server.on(api.circles.list, []);
    await page.press('Leave the circle');
    await page.quiet();
    expect(server.of(api.circles.leave)).toHaveLength(1);
    expect(page.text()).toContain('You are in no circle yet');
  });

  it('shows who asks me to join, and takes my answer', async () => {
    const one = {
      circleId: CIRCLE.id,
      circleName: 'Saltmarsh',
      role: 'reader' as const,
      invitedBy: 'Aiko Brandt',
      at: '2026-06-01T10:00:00Z',
    };
    server.on(api.circles.invitations, [one]).on(api.circles.answer, { ok: true });
    const page = await show(CirclePage, server);
    expect(page.text()).toContain('Saltmarsh asks you to join as reader, by Aiko Brandt');
    server.on(api.circles.invitations, []);
    await page.press('Join Saltmarsh');
    await page.quiet();
    expect(server.of(api.circles.answer)[0]?.body).toEqual({ accept: true });
    expect(page.all('.asked')).toEqual([]);
  });

  it('says why circles could not be fetched, and tries again', async () => {
    server.refuse(api.circles.list, 500, 'internal');
    const page = await show(CirclePage, server);
    expect(page.text()).toContain('This could not be fetched');
    server.on(api.circles.list, [CIRCLE]);
    await page.press('Try again');
    await page.quiet();
    expect(page.all('section h2')).toEqual([CIRCLE.name]);
  });

  it('shows a reader no way to change members', async () => {
    server.on(api.circles.list, [{ ...CIRCLE, role: 'reader' }]);
    const page = await show(CirclePage, server);
    expect(page.all('.members button, .members select, .members form')).toEqual([]);
    expect(page.text()).toContain('you are reader');
  });

  it('can be founded', async () => {
    server.on(api.circles.list, []).on(api.circles.create, CIRCLE);
    const page = await show(CirclePage, server);
    expect(page.text()).toContain('You are in no circle yet');
    await page.press('Start circle');
    expect(page.all('.wrong')).toEqual(['a name of up to 80 characters is needed']);
    expect(server.of(api.circles.create)).toEqual([]);
    await page.enter('input[name=name]', CIRCLE.name);
    await page.press('Start circle');
    expect(server.of(api.circles.create)[0]?.body).toMatchObject({ name: CIRCLE.name });
    expect(page.all('section h2')).toEqual([CIRCLE.name]);
  });
});
