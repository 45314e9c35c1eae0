import { columnsByStudent } from '@doceo/core';
import { TestBed } from '@angular/core/testing';
import { api, type SavedLesson } from '@doceo/contract';
import { lastValueFrom } from 'rxjs';
import { type FakeServer, withServer } from '../../../testing/fake-server';
import { ALONG, attempt, JONAS, LESSON, NOW, receipt, SAM, uuid, WATER } from '../../../testing/fixtures';
import { lessonServer, setDate, until } from '../../../testing/page';
import { ApiClient } from '../api/api-client';
import { BankStore } from './bank-store';
import { SessionStore } from '../session';
import { DayStore } from './day-store';
import { localDate } from './local-date';
import { aboutStudent, dayText, firstName, initials, spanText, withText } from './lesson-texts';
import { fileName } from '../download';

const later: SavedLesson = {
  ...LESSON,
  id: uuid(52),
  startsAt: '2026-06-14T07:30:00Z',
  studentIds: [SAM.id],
};
const past: SavedLesson = { ...LESSON, id: uuid(53), startsAt: '2026-06-01T07:30:00Z' };

describe('where and when we are', () => {
  beforeEach(() => {
    localStorage.clear();
    setDate();
  });
  afterEach(() => jest.useRealTimers());

  const open = async (server: FakeServer): Promise<DayStore> => {
    TestBed.configureTestingModule({ providers: withServer(server) });
    await lastValueFrom(TestBed.inject(SessionStore).load());
    const day = TestBed.inject(DayStore);
    await lastValueFrom(day.load());
    return day;
  };
  const server = (): FakeServer => lessonServer().on(api.lessons.list, [past, LESSON, later]);

  it('is the next lesson, until another is chosen; the choice lasts', async () => {
    const day = await open(server());
    expect(day.lesson()?.id).toBe(LESSON.id);
    day.choose(later.id);
    expect(day.lesson()?.id).toBe(later.id);
    TestBed.resetTestingModule();
    expect((await open(server())).lesson()?.id).toBe(later.id);
  });

  it('asks for the records anew when the group of its lesson may be another', async () => {
    const at = server();
    const day = await open(at);
    expect(at.of(api.records.list)).toHaveLength(1);
    at.on(api.lessons.update, LESSON);
    await lastValueFrom(day.saveLesson(LESSON.id, LESSON));
    await until(() => at.of(api.records.list).length === 2);
  });

  it('takes a lesson of which an earlier copy says not who teaches it as one’s own', async () => {
    const { mine: _mine, instructors: _instructors, ...before } = LESSON;
    const day = await open(lessonServer().on(api.lessons.list, [before as SavedLesson]));
    expect(day.lesson()).toEqual({ ...before, mine: true, instructors: [] });
    expect(withText(day.lesson() as SavedLesson)).toBe('');
  });

  it('tells with whom a lesson is taught', () => {
    expect(withText(LESSON)).toBe('');
    expect(withText(ALONG)).toBe('Tobias Lind’s lesson');
    expect(withText({ ...ALONG, mine: true })).toBe('with Maren Voss');
  });

  it('is the last lesson when none is ahead, and none without any', async () => {
    expect((await open(lessonServer().on(api.lessons.list, [past]))).lesson()?.id).toBe(past.id);
    TestBed.resetTestingModule();
    const empty = await open(lessonServer().on(api.lessons.list, []));
    expect([empty.lesson(), empty.water(), empty.sun(), empty.planLesson()]).toEqual([
      null,
      null,
      null,
      null,
    ]);
  });

  it('knows water, light and students of the lesson, in the order of the lanes', async () => {
    const day = await open(
      lessonServer().on(api.lessons.list, [{ ...LESSON, studentIds: [JONAS.id, SAM.id] }]),
    );
    expect(day.water()?.id).toBe(WATER.id);
    expect(day.studentsOf(day.lesson()).map(({ student }) => student.name)).toEqual([
      'Jonas Wren',
      'Sam Okande',
    ]);
    expect((day.sun()?.sunriseMs ?? 0) < NOW).toBe(true);
  });

  it('gives the plan check ages, consent and estimates of each student', async () => {
    const taps = Array.from({ length: 12 }, () => attempt('casting.stop', null));
    const day = await open(lessonServer().on(api.records.list, columnsByStudent(taps)));
    const [sam, jonas] = day.planLesson()?.students ?? [];
    expect([sam?.ageYears, jonas?.ageYears, jonas?.guardianConsent]).toEqual([41, 14, false]);
    expect(sam?.skills['casting.stop']?.mastery).toBeGreaterThan(0.9);
    expect(jonas?.skills['casting.stop']?.attempts).toBe(0);
  });

  it('drops nothing of the device for a list of students that the device gave itself', async () => {
    const at = lessonServer().on(api.events.add, ({ body }) => receipt(body));
    const day = await open(at);
    const bank = TestBed.inject(BankStore);
    const logged = attempt('casting.stop', null);
    await bank.add(logged);
    await until(() => bank.waiting() === 0);
    await new Promise((resolve) => setTimeout(resolve, 50));
    // The list on the device is older than this student; the server is away.
    await TestBed.inject(ApiClient).keep(api.students.list, []);
    at.refuse(api.students.list, 0);
    await lastValueFrom(day.load());
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(day.students()).toEqual([]);
    expect((await bank.kept(LESSON.id)).map(({ id }) => id)).toContain(logged.id);
  });

  it('keeps lessons by date when one is moved', async () => {
    const day = await open(
      server().on(api.lessons.update, ({ body }) => ({ ...LESSON, ...(body as object) }) as SavedLesson),
    );
    const { planId, waterId, studentIds } = LESSON;
    await lastValueFrom(
      day.saveLesson(LESSON.id, { planId, waterId, studentIds, startsAt: '2026-06-20T07:30:00Z' }),
    );
    expect(day.lessons().map(({ id }) => id)).toEqual([past.id, later.id, LESSON.id]);
  });

  it('drops a lesson that was taken off', async () => {
    const day = await open(server().on(api.lessons.remove, { ok: true }));
    await lastValueFrom(day.removeLesson(later.id));
    expect(day.lessons().map(({ id }) => id)).toEqual([past.id, LESSON.id]);
  });
});

describe('a lesson in words', () => {
  it('tells day and time on the clock of the water', () => {
    expect(dayText('2026-06-10T23:30:00Z', 'Europe/Copenhagen')).toBe('Thu 11 Jun');
    expect(localDate('2026-06-10T23:30:00Z', 'Europe/Copenhagen')).toBe('2026-06-11');
    expect(spanText(Date.parse('2026-06-10T07:30:00Z'), 210, 'Europe/Copenhagen')).toBe('09:30–13:00');
  });

  it.each([
    ['Petra Holm', 'PH', 'Petra'],
    ['Noor', 'N', 'Noor'],
    ['Ana Maria de la Cruz', 'AC', 'Ana'],
  ])('calls %s %s and %s', (name, short, first) =>
    expect([initials(name), firstName(name)]).toEqual([short, first]),
  );

  it('sums a student up in a line', () => {
    expect(aboutStudent({ hand: 'left', needs: [], note: 'shoulder' })).toBe('left-handed, shoulder');
    expect(aboutStudent({ hand: 'right', needs: [], note: '' })).toBe('');
  });

  it.each([
    ['Two nymphs, deep', 'two-nymphs-deep.rig.json'],
    ['Ünder the Brücke!', 'under-the-brucke.rig.json'],
    ['…', 'doceo.rig.json'],
  ])('makes a file name of “%s”', (title, name) => expect(fileName(title, 'rig.json')).toBe(name));
});
