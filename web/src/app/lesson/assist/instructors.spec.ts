import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { type Along, api, type FellowInstructor, type SavedLesson } from '@doceo/contract';
import type { FakeServer } from '../../../testing/fake-server';
import { ALONG, JONAS, LESSON, SAM, TAUGHT, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, show, type Shown } from '../../../testing/page';
import { LessonCardPage } from '../card/lesson-card.page';

const TOBIAS: FellowInstructor = { userId: uuid(72), name: 'Tobias Lind', isTaken: false };
const AIKO: FellowInstructor = { userId: uuid(73), name: 'Aiko Brandt', isTaken: true };

beforeEach(() => {
  localStorage.clear();
  setDate();
});
afterEach(() => jest.useRealTimers());

describe('who teaches a lesson', () => {
  /** Answers as the server does: whom nobody else has, whose lesson it is has. */
  const answer = ({ instructors }: Along): SavedLesson => {
    const given = instructors.flatMap(({ studentIds }) => studentIds);
    return {
      ...LESSON,
      instructors: [
        {
          ...{ userId: uuid(71), name: 'Maren Voss' },
          studentIds: LESSON.studentIds.filter((id) => !given.includes(id)),
        },
        ...instructors.map((one) => ({
          ...one,
          name: one.userId === TOBIAS.userId ? TOBIAS.name : AIKO.name,
        })),
      ],
    };
  };
  const open = async (
    fellows: FellowInstructor[] = [TOBIAS, AIKO],
    lesson: SavedLesson = LESSON,
  ): Promise<{ page: Shown<LessonCardPage>; server: FakeServer; sent: () => Along['instructors'][] }> => {
    const server = lessonServer()
      .on(api.lessons.list, [lesson])
      .on(api.lessons.fellows, fellows)
      .on(api.lessons.setInstructors, ({ body }) => answer(body as Along))
      .on(api.assistants.list, { open: false, until: '2026-06-10T12:00:00.000Z', people: [] });
    const page = await show(LessonCardPage, server, { id: LESSON.id });
    await page.press('Who teaches');
    await page.settle();
    const sent = () => server.of(api.lessons.setInstructors).map(({ body }) => (body as Along).instructors);
    return { page, server, sent };
  };
  const lines = (page: Shown<LessonCardPage>): string[] => page.all('doceo-instructors li span:first-child');

  it('is one until a fellow is put on; who is taken then is told', async () => {
    const { page, sent } = await open();
    expect(lines(page)[0]).toContain('Maren Voss, whose lesson it is');
    expect(page.all('doceo-instructors option')).toEqual([
      'Tobias Lind',
      'Aiko Brandt, who teaches elsewhere then',
    ]);
    expect(page.text()).not.toContain('Share the group out');
    await page.press('Put on');
    expect(sent()).toEqual([[{ userId: TOBIAS.userId, studentIds: [] }]]);
    expect(lines(page).join()).toMatch(/Tobias Lind\s*nobody of the group/);
    expect(page.all('doceo-instructors option')).toEqual(['Aiko Brandt, who teaches elsewhere then']);
    expect(page.text()).toContain('until 17 Jun, the records of its students');
  });

  it('each have some of the group, given one by one or shared out among neighbours', async () => {
    const { page, sent } = await open([TOBIAS], answer({ instructors: [{ ...TOBIAS, studentIds: [] }] }));
    await page.press('Share the group out');
    expect(sent().at(-1)).toEqual([{ userId: TOBIAS.userId, studentIds: [JONAS.id] }]);
    expect(page.all('.places [aria-pressed=true]')).toEqual(['Maren', 'Tobias']);
    expect(page.all('.when')[0]).toContain('with Tobias Lind');
    const ofSam = document.querySelectorAll<HTMLElement>('.places button')[1];
    ofSam?.click();
    await page.settle();
    expect(sent().at(-1)).toEqual([{ userId: TOBIAS.userId, studentIds: [JONAS.id, SAM.id] }]);
    document.querySelectorAll<HTMLElement>('.places button')[2]?.click();
    await page.settle();
    expect(sent().at(-1)).toEqual([{ userId: TOBIAS.userId, studentIds: [SAM.id] }]);
    await page.press('Take out');
    expect(sent().at(-1)).toEqual([]);
  });

  it('that the plan counts on more than teach is told', async () => {
    const server = lessonServer()
      .on(api.lessons.fellows, [])
      .on(api.lessons.plan, { ...TAUGHT, body: { ...TAUGHT.body, staff: { instructors: 2, assistants: 0 } } })
      .on(api.assistants.list, { open: false, until: '2026-06-10T12:00:00.000Z', people: [] });
    const page = await show(LessonCardPage, server, { id: LESSON.id });
    await page.press('Who teaches');
    await page.settle();
    expect(page.text()).toContain('The plan counts on 2 instructors; one teaches.');
    expect(page.text()).toContain('you are in none with anybody else');
  });

  it('is refused in words, by name, and stays as it was', async () => {
    const { page, server } = await open();
    server.refuse(api.lessons.setInstructors, 400, 'invalid', [
      {
        ...{ path: 'instructors[0].userId', code: 'unseen' },
        message: 'may not see Wim Aalto: whose student that is can let him',
      },
    ]);
    await page.press('Put on');
    expect(page.all('doceo-instructors .wrong')).toEqual([
      'Tobias Lind may not see Wim Aalto: whose student that is can let him',
    ]);
    expect(lines(page)).toHaveLength(1);
  });

  it('is seen by who teaches along, who changes nothing and may part', async () => {
    const { page, server } = await open([], ALONG);
    expect(page.all('doceo-who-teaches li').join()).toMatch(
      /Tobias Lind, whose lesson it is\s*Sam,Maren Voss\s*Jonas/,
    );
    for (const gone of ['Day and students', 'Take out', 'Show a code', 'Share the group out'])
      expect(page.all('button')).not.toContain(gone);
    expect(server.of(api.assistants.list)).toEqual([]);
    expect(page.all('.when')[0]).toContain('Tobias Lind’s lesson');
    server.on(api.lessons.leave, { ok: true }).on(api.lessons.list, []);
    const going = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await page.press('I do not teach it');
    expect(server.of(api.lessons.leave)).toHaveLength(1);
    expect(going).toHaveBeenCalledWith(['/today']);
  });
});
