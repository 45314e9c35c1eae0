import { TestBed } from '@angular/core/testing';
import { api, type SavedLesson } from '@doceo/contract';
import { columnsByStudent } from '@doceo/core';
import { lastValueFrom } from 'rxjs';
import { type FakeServer, withServer } from '../../../testing/fake-server';
import { attempt, LESSON, uuid } from '../../../testing/fixtures';
import { lessonServer } from '../../../testing/page';
import { LessonHistory } from './lesson-history';

const LATER: SavedLesson = { ...LESSON, id: uuid(52) };
const [BEFORE, MEANWHILE] = [attempt('casting.stop', null), attempt('casting.stop', null)];

describe('what counts of the records of a lesson', () => {
  let server: FakeServer;
  let history: LessonHistory;
  beforeEach(() => {
    server = lessonServer().on(api.records.list, columnsByStudent([BEFORE]));
    TestBed.configureTestingModule({ providers: withServer(server) });
    history = TestBed.inject(LessonHistory);
  });
  const asked = (): number => server.of(api.records.list).length;
  const ids = (): string[] => history.events().map(({ id }) => id);

  it('is asked for once by the strip and the screen, and anew when somebody may be in it who was not', async () => {
    const strip = lastValueFrom(history.follow(LESSON, false));
    const [own] = await lastValueFrom(history.ofLesson(LESSON));
    await strip;
    expect(own!.id).toBe(BEFORE.id);
    expect(ids()).toEqual([BEFORE.id]);
    expect(asked()).toBe(1);
    history.forget();
    await lastValueFrom(history.follow(LESSON, false));
    expect(asked()).toBe(2);
  });

  it('is asked for anew when that failed', async () => {
    server.refuse(api.records.list, 404, 'not-found');
    await expect(lastValueFrom(history.ofLesson(LESSON))).rejects.toMatchObject({ code: 'not-found' });
    server.on(api.records.list, columnsByStudent([BEFORE]));
    expect(await lastValueFrom(history.ofLesson(LESSON))).toHaveLength(1);
  });

  it('keeps what this device logged while the answer with the record was on its way', async () => {
    const answer = lastValueFrom(history.follow(LESSON, true));
    history.heard([MEANWHILE]);
    await answer;
    expect(ids()).toEqual([BEFORE.id, MEANWHILE.id]);
    // Told by the server too it is there once.
    server.on(api.records.list, columnsByStudent([BEFORE, MEANWHILE]));
    history.forget();
    await lastValueFrom(history.follow(LESSON, true));
    expect(ids()).toEqual([BEFORE.id, MEANWHILE.id]);
  });

  it('is that of the lesson that was chosen last, though its answer came first', async () => {
    const own = attempt('casting.stop', null);
    const slow = lastValueFrom(history.follow(LESSON, false));
    server.on(api.records.list, ({ query }) =>
      columnsByStudent([query['lessonId'] === LATER.id ? own : BEFORE]),
    );
    await lastValueFrom(history.follow(LATER, false));
    await slow;
    expect(ids()).toEqual([own.id]);
  });

  it('is nobody’s any more once a student is gone', async () => {
    await lastValueFrom(history.follow(LESSON, false));
    history.clear();
    expect(ids()).toEqual([]);
  });
});
