import { api } from '@doceo/contract';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import { dayOfAttempts, JONAS, LESSON, SAM } from '../../../testing/fixtures';
import { lessonServer, setDate, show } from '../../../testing/page';
import { savedFiles } from '../../../testing/saved-files';
import { StudentPrivacyComponent } from './student-privacy.component';

beforeEach(() => {
  localStorage.clear();
  Dexie.dependencies.indexedDB = new IDBFactory();
  setDate();
});
afterEach(() => jest.useRealTimers());

describe('the student’s own data', () => {
  const EFFECT = {
    events: 12,
    readings: 2,
    lessons: 3,
    comingLessons: 1,
    courses: 0,
    rigs: 1,
    others: ['Tobias Lind'],
  };
  const open = async (mine = true) => {
    const server = lessonServer()
      .on(api.students.accessLog, [{ who: 'Tobias Lind', what: 'record', hour: '2026-06-09T10:00:00Z' }])
      .on(api.students.deletionPreview, EFFECT)
      .on(api.students.remove, { ok: true });
    const page = await show(StudentPrivacyComponent, server, {
      student: { ...SAM, mine },
      events: dayOfAttempts(),
    });
    return { page, server };
  };

  it('tells who looked', async () => {
    const { page } = await open();
    expect(page.all('details li')[0]).toContain('Tobias Lind, record, 9 Jun');
  });

  it('goes out as a table, quoted as it must be', async () => {
    const saved = savedFiles();
    const { page } = await open();
    await page.press('Record, as CSV');
    expect(saved[0]!.name).toBe('sam-okande.record.csv');
    const lines = (await saved[0]!.text()).split('\r\n');
    expect(lines[0]).toBe('time,lesson,kind,skill,good,fault,text');
    expect(lines).toHaveLength(10);
    expect(lines[9]).toContain(`${LESSON.planTitle},attempt,Pause,no,Forward too soon,`);
  });

  it('is deleted only after the effect was told', async () => {
    const { page, server } = await open();
    const gone: true[] = [];
    page.fixture.componentInstance.removed.subscribe(() => gone.push(true));
    await page.press(/^Delete this student/);
    expect(page.text()).toContain('12 entries of the record and 2 readings');
    expect(page.text()).toContain('Tobias Lind loses what they see of');
    expect(server.of(api.students.remove)).toEqual([]);
    server.on(api.students.list, [JONAS]);
    await page.press('Delete for good');
    await page.settle();
    expect(server.of(api.students.remove)).toHaveLength(1);
    expect(gone).toEqual([true]);
  });

  it('of another instructor’s student can be taken along, not deleted', async () => {
    const { page } = await open(false);
    expect(page.all('button')).toEqual(['Everything, as JSON', 'Record, as CSV']);
  });
});
