import { api, writePlanBundle } from '@doceo/contract';
import { PLAN, uuid } from '../../../testing/fixtures';
import type { FakeServer } from '../../../testing/fake-server';
import { lessonServer, show, type Shown } from '../../../testing/page';
import { savedFiles } from '../../../testing/saved-files';
import { WHOLE_PLAN } from '../../../testing/whole-plan';
import { PlanListPage } from './plan-list.page';

const FILE = writePlanBundle([
  { ...WHOLE_PLAN, id: uuid(400), lineage: [] },
  { ...WHOLE_PLAN, id: uuid(401), title: 'Went on', lineage: [] },
]);

describe('plans from a file', () => {
  let server: FakeServer;
  beforeEach(() => {
    server = lessonServer()
      .on(api.planFiles.look, [
        { id: uuid(400), title: 'First nymphs', what: 'new', with: null },
        { id: uuid(401), title: 'Went on', what: 'newer', with: { id: PLAN.id, title: PLAN.title } },
      ])
      .on(api.planFiles.take, { added: 1, moved: 1 });
  });
  const choose = async (page: Shown<PlanListPage>, text: string, name = 'theirs.json'): Promise<void> => {
    const field = page.element.querySelector<HTMLInputElement>('input[type=file]')!;
    const file = { name, size: text.length, text: () => Promise.resolve(text) };
    Object.defineProperty(field, 'files', { value: [file], configurable: true });
    field.dispatchEvent(new Event('change'));
    await page.settle();
  };

  it('are shown before they come, each with what may be done, and then all taken', async () => {
    const page = await show(PlanListPage, server);
    await choose(page, FILE);
    expect(page.all('doceo-take-in .plan b')).toEqual(['First nymphs', 'Went on']);
    expect(page.all('doceo-take-in [aria-pressed=true]')).toEqual(['Take it', 'Take the new']);
    expect(page.text()).toContain(`went on since yours, yours is called ${PLAN.title}`);
    expect(server.of(api.planFiles.take)).toEqual([]);
    await page.press('Take 2 plans');
    expect(server.of(api.planFiles.take)[0]?.body).toMatchObject({
      plans: [
        { id: uuid(400), how: 'add' },
        { id: uuid(401), how: 'follow' },
      ],
    });
    expect(page.text()).toContain('1 plan taken in, 1 went on.');
    expect(server.of(api.plans.list).length).toBe(2);
  });

  it('may be left where they are', async () => {
    const page = await show(PlanListPage, server);
    await choose(page, FILE);
    await page.press('Put it beside');
    await page.press('Leave it');
    expect(page.text()).toContain('Take 1 plan');
    await page.press('Take nothing');
    expect(page.all('doceo-take-in .plan')).toEqual([]);
    expect(server.of(api.planFiles.take)).toEqual([]);
  });

  it('of a broken file are refused by path and line, without asking the server', async () => {
    const page = await show(PlanListPage, server);
    await choose(page, FILE.replace('"lengthMin": 210', '"lengthMin": "long"'));
    expect(page.all('.refused b')).toEqual(['theirs.json was not taken; nothing was changed.']);
    expect(page.all('.refused li').join()).toMatch(/plans\[0\]\.body\.lengthMin line \d+:/);
    expect(server.of(api.planFiles.look)).toEqual([]);
  });

  it('that the server refuses stay to be looked at', async () => {
    const page = await show(PlanListPage, server.refuse(api.planFiles.take, 409, 'version-conflict'));
    await choose(page, FILE);
    await page.press('Take 2 plans');
    expect(page.all('doceo-take-in .plan')).toHaveLength(2);
    expect(page.all('doceo-take-in [role=alert]')).toHaveLength(1);
  });
});

describe('my plans as a file', () => {
  it('leave together, and not while one names a student', async () => {
    const files = savedFiles();
    const server = lessonServer().on(api.planFiles.make, ({ body }) =>
      (body as { withoutNames: boolean }).withoutNames
        ? { text: FILE, named: [] }
        : {
            text: '',
            named: [{ path: 'plans[0].body.aim', code: 'student-name', message: 'names a student: “Sam”' }],
          },
    );
    const page = await show(PlanListPage, server);
    await page.press('Save all mine as a file');
    expect(files).toEqual([]);
    expect(page.text()).toContain(`${PLAN.title}: names a student: “Sam”`);
    await page.press('Leave the names out');
    expect(await files[0]?.text()).toBe(FILE);
  });
});
