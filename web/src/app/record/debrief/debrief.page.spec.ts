import { TestBed } from '@angular/core/testing';
import { api } from '@doceo/contract';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import { dayOfAttempts, SAM } from '../../../testing/fixtures';
import { Refusal } from '../../../testing/fake-server';
import { lessonServer, setDate, show } from '../../../testing/page';
import { savedFiles } from '../../../testing/saved-files';
import { PDF_MAKER } from '../../data/pdf';
import { DebriefPage } from './debrief.page';

beforeEach(() => {
  localStorage.clear();
  Dexie.dependencies.indexedDB = new IDBFactory();
  setDate();
});
afterEach(() => jest.useRealTimers());

describe('the card for a student', () => {
  it('says what was good, one thing to work on, and a drill for at home', async () => {
    const page = await show(DebriefPage, lessonServer().on(api.events.list, dayOfAttempts()), { id: SAM.id });
    expect(page.all('h1')).toEqual(['Sam’s day']);
    expect(page.all('.good li')[0]).toContain('6 good of 6');
    expect(page.text()).toContain('Forward too soon');
    expect(page.text()).toContain('forward before the back cast has unrolled');
    expect(page.all('.home h2')[0]).toMatch(/At home, \d+ minutes/);
  });

  it('is written as a PDF of the paper chosen, and says so when that fails', async () => {
    const saved = savedFiles();
    const made = jest.fn().mockResolvedValueOnce(new Blob(['%PDF']));
    TestBed.overrideProvider(PDF_MAKER, { useValue: made });
    const page = await show(DebriefPage, lessonServer().on(api.events.list, dayOfAttempts()), { id: SAM.id });
    await page.press('Letter');
    await page.press('Save as PDF');
    await page.quiet();
    expect(made.mock.calls[0]?.[0].pageSize).toBe('LETTER');
    expect(saved.map(({ name }) => name)).toEqual(['sam-2026-06-10.pdf']);
    made.mockRejectedValueOnce(new Error('no room'));
    await page.press('Save as PDF');
    await page.quiet();
    expect(page.all('[role=alert]')[0]).toContain('could not be written');
    expect(saved).toHaveLength(1);
  });

  it('leads to the student’s own page by a code, also on paper, until that is closed', async () => {
    const made = jest.fn().mockResolvedValue(new Blob(['%PDF']));
    savedFiles();
    TestBed.overrideProvider(PDF_MAKER, { useValue: made });
    const server = lessonServer().on(api.events.list, dayOfAttempts());
    const page = await show(DebriefPage, server, { id: SAM.id });
    const link = {
      ...{ at: '2026-06-10T08:00:00.000Z', until: '2026-10-08T08:00:00.000Z', closed: false, views: 0 },
      ...{ viewedAt: null, openedBy: null },
    };
    server.on(api.pages.make, ({ body }) => ({
      links: [{ ...link, id: (body as { id: string }).id }],
      token: 'P'.repeat(22),
    }));
    await page.press('Make its link');
    expect(server.of(api.pages.make)[0]?.body).toMatchObject({ days: 120 });
    expect(page.all('.address')).toEqual([`${location.origin}/my/#${'P'.repeat(22)}`]);
    expect(page.all('doceo-student-link li').join()).toContain('a page until 8 Oct 2026: not opened yet');
    await page.press('Save as PDF');
    await page.quiet();
    expect(JSON.stringify(made.mock.calls[0]?.[0])).toContain(`/my/#${'P'.repeat(22)}`);
    server.on(api.pages.close, []);
    await page.press('Close it');
    expect(page.all('.address')).toEqual([]);
    await page.press('Save as PDF');
    await page.quiet();
    expect(JSON.stringify(made.mock.calls[1]?.[0])).not.toContain('/my/#');
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
