import { api, type AskedConsent } from '@doceo/contract';
import { JONAS, SAM, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, show } from '../../../testing/page';
import { StudentNewsComponent } from '../list/student-news.component';
import { StudentConsentComponent } from './student-consent.component';

const ASKED: AskedConsent = {
  ...{ id: uuid(301), state: 'asked', email: null, byName: null, answeredAt: null, takenBackAt: null },
  ...{ askedAt: '2026-06-09T08:00:00.000Z', untilAt: '2026-07-09T08:00:00.000Z' },
};

beforeEach(() => {
  localStorage.clear();
  setDate();
});
afterEach(() => jest.useRealTimers());

describe('a guardian', () => {
  const open = async (asked: AskedConsent[], student = JONAS) => {
    const server = lessonServer().on(api.consents.list, asked);
    const page = await show(StudentConsentComponent, server, { student });
    return { page, server };
  };

  it('is asked by a link that is shown once', async () => {
    const { page, server } = await open([]);
    await page.press('Ask the guardian …');
    await page.enter('input[name=guardian-name]', '');
    await page.press('Make the link');
    expect(page.all('.wrong')).toEqual(['a name is needed']);
    await page.enter('input[name=guardian-name]', 'Ruth Wren');
    server.on(api.consents.ask, { asked: [ASKED], token: 'T'.repeat(22) });
    await page.press('Make the link');
    expect(server.of(api.consents.ask)[0]?.body).toMatchObject({ guardianName: 'Ruth Wren', email: null });
    expect(page.all('.address')).toEqual([`${location.origin}/consent#${'T'.repeat(22)}`]);
    expect(page.all('li').join()).toMatch(/Asked by a link on 9 Jun 2026, \d\d:00, not answered yet/);
    server.on(api.consents.withdraw, []);
    await page.press('Close it');
    expect(page.all('.address')).toEqual([]);
  });

  it('who answered by another name is known by the instructor', async () => {
    const { page, server } = await open([
      { ...ASKED, state: 'look', byName: 'R. Wren', answeredAt: '2026-06-09T09:00:00.000Z' },
    ]);
    expect(page.text()).toContain('which is not the name you wrote down');
    server.on(api.consents.know, [
      { ...ASKED, state: 'given', byName: 'R. Wren', answeredAt: '2026-06-09T09:00:00.000Z' },
    ]);
    await page.press('That is the guardian');
    expect(page.text()).toContain('R. Wren agreed on');
  });

  it('is not asked for one who is of age', async () => {
    const { page } = await open([], SAM);
    expect(page.all('h2')).toEqual([]);
    expect(page.all('button')).toEqual([]);
  });
});

describe('news of consent', () => {
  it.each([
    ['taken-back', 'Ruth Wren took back the consent for Jonas Wren on 9 Jun: nothing is recorded any more.'],
    ['refused', 'Ruth Wren said no for Jonas Wren on 9 Jun: nothing is recorded.'],
    ['look', '“Ruth Wren” agreed for Jonas Wren. Say whether that is the guardian.'],
    ['over', 'Nobody answered for Jonas Wren, and the link has run out.'],
    ['asked', ''],
  ] as const)('%s is told where it matters', async (state, text) => {
    const one = { studentId: JONAS.id, state, byName: 'Ruth Wren', at: '2026-06-09T08:00:00.000Z' };
    const page = await show(StudentNewsComponent, lessonServer().on(api.consents.news, [one]));
    expect(page.all('p')).toEqual(text ? [`${text} Jonas Wren’s record`] : []);
  });

  it('tells of a guardian who is silent for days', async () => {
    const one = {
      studentId: JONAS.id,
      state: 'asked' as const,
      byName: null,
      at: '2026-06-01T08:00:00.000Z',
    };
    const page = await show(StudentNewsComponent, lessonServer().on(api.consents.news, [one]));
    expect(page.text()).toContain('The guardian of Jonas Wren has not answered since 1 Jun.');
  });
});
