import { api } from '@doceo/contract';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import { attempt, JONAS, LESSON, SAM } from '../../../testing/fixtures';
import { Refusal } from '../../../testing/fake-server';
import { lessonServer, setDate, show } from '../../../testing/page';
import * as downloads from '../../data/download';
import * as pdf from '../../data/pdf';
import { DebriefPage } from '../debrief/debrief.page';
import { StudentPrivacyComponent } from './student-privacy.component';

const PAUSE = 'casting.pause';
const day = (): ReturnType<typeof attempt>[] => [
  ...Array.from({ length: 6 }, () => attempt('casting.stop', null)),
  ...Array.from({ length: 3 }, () => attempt(PAUSE, 'cast.crack')),
];

beforeEach(() => {
  localStorage.clear();
  Dexie.dependencies.indexedDB = new IDBFactory();
  setDate();
});
afterEach(() => jest.useRealTimers());

describe('the card for a student', () => {
  it('says what was good, one thing to work on, and a drill for at home', async () => {
    const page = await show(DebriefPage, lessonServer().on(api.events.list, day()), { id: SAM.id });
    expect(page.all('h1')).toEqual(['Sam’s day']);
    expect(page.all('.good li')[0]).toContain('6 good of 6');
    expect(page.text()).toContain('Forward too soon');
    expect(page.text()).toContain('forward before the back cast has unrolled');
    expect(page.all('.home h2')[0]).toMatch(/At home, \d+ minutes/);
  });

  it('is written as a PDF of the paper chosen, and says so when that fails', async () => {
    const saved = jest.spyOn(downloads, 'downloadBlob').mockImplementation(() => undefined);
    const made = jest.spyOn(pdf, 'pdfOf').mockResolvedValueOnce(new Blob(['%PDF']));
    const page = await show(DebriefPage, lessonServer().on(api.events.list, day()), { id: SAM.id });
    await page.press('Letter');
    await page.press('Save as PDF');
    await page.quiet();
    expect(made.mock.calls[0]?.[0].pageSize).toBe('LETTER');
    expect(saved.mock.calls[0]?.[0]).toBe('sam-2026-06-10.pdf');
    made.mockRejectedValueOnce(new Error('no room'));
    await page.press('Save as PDF');
    await page.quiet();
    expect(page.all('[role=alert]')[0]).toContain('could not be written');
    expect(saved).toHaveBeenCalledTimes(1);
  });

  it('says so when there is nothing to tell from', async () => {
    const empty = await show(DebriefPage, lessonServer(), { id: SAM.id });
    expect(empty.text()).toContain('No lesson on the record yet');
  });

  it('is not shown of somebody who is not there', async () => {
    const server = lessonServer().on(api.events.list, ({ query }) => {
      if (query['studentId']) throw new Refusal(404, 'not-found');
      return [];
    });
    expect((await show(DebriefPage, server, { id: 'x' })).text()).toContain('No such student');
  });
});

describe('the student’s own data', () => {
  const EFFECT = { events: 12, readings: 2, lessons: 3, comingLessons: 1, rigs: 1 };
  const open = async (mine = true) => {
    const server = lessonServer()
      .on(api.students.looks, [{ who: 'Tobias Lind', what: 'record', hour: '2026-06-09T10:00:00Z' }])
      .on(api.students.effect, EFFECT)
      .on(api.students.remove, { ok: true });
    const page = await show(StudentPrivacyComponent, server, { student: { ...SAM, mine }, events: day() });
    return { page, server };
  };

  it('tells who looked', async () => {
    const { page } = await open();
    expect(page.all('details li')[0]).toContain('Tobias Lind, record, 9 Jun');
  });

  it('goes out as a table, quoted as it must be', async () => {
    const saved = jest.spyOn(downloads, 'download').mockImplementation(() => undefined);
    const { page } = await open();
    await page.press('Record, as CSV');
    const [name, text] = saved.mock.calls[0] as [string, string, string];
    expect(name).toBe('sam-okande.record.csv');
    const lines = text.split('\r\n');
    expect(lines[0]).toBe('time,lesson,kind,skill,good,fault,text');
    expect(lines).toHaveLength(10);
    expect(lines[9]).toContain(`${LESSON.planTitle},attempt,Pause,no,Forward too soon,`);
    saved.mockRestore();
  });

  it('is deleted only after the effect was told', async () => {
    const { page, server } = await open();
    const gone: true[] = [];
    page.fixture.componentInstance.removed.subscribe(() => gone.push(true));
    await page.press(/^Delete this student/);
    expect(page.text()).toContain('12 entries of the record and 2 readings');
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
