import { api, type Circle } from '@doceo/contract';
import type { FakeServer } from '../../testing/fake-server';
import { CIRCLE, PLAN, uuid } from '../../testing/fixtures';
import { lessonServer, show } from '../../testing/page';
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

  it('lets an owner add a fellow, and says at the field who is unknown', async () => {
    server.refuse(api.circles.addMember, 400, 'invalid', [
      { path: 'email', code: 'unknown', message: 'nobody has this address' },
    ]);
    const page = await show(CirclePage, server);
    await page.enter('input[type=email]', 'nobody@example.org');
    await page.press('Add');
    expect(page.text()).toContain('nobody has this address');
    server.on(
      api.circles.addMember,
      ({ body }) =>
        ({
          ...CIRCLE,
          members: [
            ...CIRCLE.members,
            { userId: uuid(73), name: (body as { email: string }).email, role: 'editor' },
          ],
        }) as Circle,
    );
    await page.press('Add');
    expect(page.all('.members li').at(-1)).toContain('nobody@example.org');
    expect(page.text()).not.toContain('nobody has this address');
  });

  it('lets an owner take a fellow out, but not himself', async () => {
    server.on(api.circles.removeMember, { ...CIRCLE, members: CIRCLE.members.slice(0, 1) });
    const page = await show(CirclePage, server);
    expect(page.all('.members li button')).toHaveLength(1);
    await page.press('Take out Tobias Lind');
    expect(page.all('.members li')).toHaveLength(1);
  });

  it('shows a reader no way to change members', async () => {
    server.on(api.circles.list, [{ ...CIRCLE, role: 'reader' }]);
    const page = await show(CirclePage, server);
    expect(page.all('.members button')).toEqual([]);
    expect(page.text()).toContain('you are reader');
  });

  it('can be founded', async () => {
    server.on(api.circles.list, []).on(api.circles.create, CIRCLE);
    const page = await show(CirclePage, server);
    expect(page.text()).toContain('You are in no circle yet');
    await page.enter('input[name=name]', CIRCLE.name);
    await page.press('Found it');
    expect(server.of(api.circles.create)[0]?.body).toMatchObject({ name: CIRCLE.name });
    expect(page.all('section h2')).toEqual([CIRCLE.name]);
  });
});
