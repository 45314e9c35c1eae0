import { api, type StudentAccess } from '@doceo/contract';
import { JONAS, LESSON, SAM } from '../../../testing/fixtures';
import { lessonServer, setDate, show } from '../../../testing/page';
import { StudentListPage } from '../list/student-list.page';
import { StudentAccessComponent } from './student-access.component';

const TOBIAS = { userId: 'b1d7c9ce-6b1b-4d6d-9a39-7d64d8a5a001', name: 'Tobias Lind' };
const NOBODY: StudentAccess = { people: [], fellows: [TOBIAS], handOver: null, before: [] };
const GIVEN: StudentAccess = {
  ...NOBODY,
  people: [{ ...TOBIAS, since: '2026-06-10T08:00:00.000Z', untilOn: '2026-06-17', lesson: null }],
  fellows: [],
};

beforeEach(() => {
  localStorage.clear();
  setDate();
});
afterEach(() => jest.useRealTimers());

describe('who sees a record', () => {
  const open = async (access: StudentAccess, student = SAM) => {
    const server = lessonServer().on(api.access.get, access);
    const page = await show(StudentAccessComponent, server, { student });
    return { page, server };
  };

  it('is given a week by name, and ended', async () => {
    const { page, server } = await open(NOBODY);
    expect(page.text()).toContain('Nobody but you.');
    server.on(api.access.give, GIVEN);
    await page.press('Let them see it');
    expect(server.of(api.access.give)[0]).toMatchObject({ body: { untilOn: '2026-06-17' } });
    expect(page.all('li').join()).toMatch(/Tobias Lind\s*since 10 Jun 2026, until 17 Jun 2026/);
    server.on(api.access.end, NOBODY);
    await page.press('End it');
    expect(page.text()).toContain('Nobody but you.');
  });

  it('through a lesson is told with it, and ends there', async () => {
    const lesson = { id: LESSON.id, title: 'First nymphs' };
    const { page } = await open({
      ...NOBODY,
      people: [{ ...TOBIAS, since: '2026-06-10T08:00:00.000Z', untilOn: '2026-06-17', lesson }],
    });
    expect(page.all('li').join()).toContain('Through the lesson “First nymphs”, and ends with it.');
    expect(document.querySelector('li a')?.getAttribute('href')).toBe(`/lesson/${LESSON.id}`);
    expect(page.all('button')).not.toContain('End it');
  });

  it('is given until it is ended, or refused in words', async () => {
    const { page, server } = await open(NOBODY);
    const times = document.querySelectorAll('select')[1] as HTMLSelectElement;
    times.selectedIndex = 3;
    times.dispatchEvent(new Event('change'));
    await page.settle();
    server.refuse(api.access.give, 400, 'invalid', [
      { path: 'userId', code: 'unknown', message: 'is in no circle with you' },
    ]);
    await page.press('Let them see it');
    expect(server.of(api.access.give)[0]).toMatchObject({ body: { untilOn: null } });
    expect(page.all('.wrong')).toEqual(['is in no circle with you']);
  });

  it('is nobody else where one has no fellows', async () => {
    const { page } = await open({ ...NOBODY, fellows: [] });
    expect(page.text()).toContain('you are in none with anybody else');
    expect(page.text()).not.toContain('Hand the student over');
  });

  it('goes over with who agreed: the guardian of a minor stands there first', async () => {
    const { page, server } = await open(NOBODY, JONAS);
    await page.press(/^Hand the student over/);
    const by = document.querySelector<HTMLInputElement>('input[name=consent-by]');
    expect(by?.value).toBe(JONAS.student.guardianName);
    await page.enter('input[name=consent-by]', ' ');
    await page.press('Offer it');
    expect(page.all('.wrong')).toEqual(['who agreed is needed']);
    server.on(api.access.handOver, {
      ...NOBODY,
      handOver: { ...TOBIAS, consentBy: 'Ada Wren', consentOn: '2026-06-10', at: '2026-06-10T08:00:00.000Z' },
    });
    await page.enter('input[name=consent-by]', 'Ada Wren');
    await page.press('Offer it');
    expect(server.of(api.access.handOver)[0]?.body).toEqual({
      userId: TOBIAS.userId,
      consentBy: 'Ada Wren',
      consentOn: '2026-06-10',
    });
    expect(page.text()).toContain('agreed by Ada Wren on 10 Jun 2026. Until it is taken, it stays yours.');
    server.on(api.access.keep, NOBODY);
    await page.press('Take it back');
    expect(page.text()).not.toContain('is offered to');
  });
});

describe('a student who is handed over', () => {
  it('is taken or declined where the students are', async () => {
    const one = {
      ...{ studentId: SAM.id, name: 'Sam Okande', from: 'Maren Voss' },
      ...{ consentBy: 'Sam Okande', consentOn: '2026-06-09', at: '2026-06-09T08:00:00.000Z' },
    };
    const server = lessonServer().on(api.access.incoming, [one]);
    const page = await show(StudentListPage, server);
    await page.quiet();
    expect(page.text()).toContain('hands Sam Okande over to you with the whole record');
    server.refuse(api.access.answer, 404, 'not-found');
    await page.press('Decline');
    expect(page.all('.wrong')).toEqual(['server says not-found']);
    server.on(api.access.answer, { ok: true }).on(api.access.incoming, []);
    await page.press('Take over');
    await page.quiet();
    expect(server.of(api.access.answer).at(-1)?.body).toEqual({ accept: true });
    expect(page.text()).not.toContain('over to you');
  });
});
