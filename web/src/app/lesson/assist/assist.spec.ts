import { TestBed } from '@angular/core/testing';
import { ActivatedRoute } from '@angular/router';
import { api, type Assistants } from '@doceo/contract';
import { of } from 'rxjs';
import { LESSON, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, show, type Shown } from '../../../testing/page';
import { AssistPage } from './assist.page';
import { AssistantsComponent } from './assistants.component';

const TOKEN = 'A'.repeat(22);
const NOBODY: Assistants = { open: false, until: '2026-06-10T12:00:00.000Z', people: [] };
const KIM = {
  ...{ userId: uuid(501), name: 'Kim', since: '2026-06-10T07:40:00.000Z', ended: false },
  entries: 3,
};

beforeEach(() => {
  localStorage.clear();
  setDate();
});
afterEach(() => jest.useRealTimers());

describe('the code of an instructor', () => {
  const server = lessonServer().on(api.assistants.look, {
    ...{
      instructor: 'Maren Voss',
      title: 'First nymphs',
      water: 'River Ostrel',
      timeZone: 'Europe/Copenhagen',
    },
    ...{ startsAt: '2026-06-10T07:30:00.000Z', until: '2026-06-10T12:00:00.000Z' },
  });
  const open = (fragment: string | null): Promise<Shown<AssistPage>> => {
    TestBed.overrideProvider(ActivatedRoute, { useValue: { fragment: of(fragment) } });
    return show(AssistPage, server);
  };

  it('says whose lesson it is, until when, and takes a name', async () => {
    const page = await open(TOKEN);
    expect(page.text()).toContain('First nymphs, River Ostrel, Wednesday 10 June, 09:30');
    expect(page.text()).toContain('It ends at 14:00 by itself');
    await page.press('Begin');
    expect(page.all('.wrong')).toEqual(['your name is needed']);
    await page.enter('input[name=assistant]', 'Kim');
    server.refuse(api.assistants.begin, 403, 'forbidden');
    await page.press('Begin');
    expect(server.of(api.assistants.begin)[0]?.body).toEqual({ token: TOKEN, name: 'Kim' });
    expect(page.all('.wrong')).toEqual(['server says forbidden']);
  });

  it('that lost its end asks nobody', async () => {
    const before = server.of(api.assistants.look).length;
    expect((await open(null)).all('h1')).toEqual(['This code is not whole']);
    expect(server.of(api.assistants.look)).toHaveLength(before);
  });
});

describe('a code that leads nowhere', () => {
  it('is told as such', async () => {
    const server = lessonServer().refuse(api.assistants.look, 404, 'not-found');
    TestBed.overrideProvider(ActivatedRoute, { useValue: { fragment: of(TOKEN) } });
    expect((await show(AssistPage, server)).all('h1')).toEqual(['Nobody asks for help here']);
  });
});

describe('who helps in a lesson', () => {
  const open = async (now: Assistants) => {
    const server = lessonServer().on(api.assistants.list, now);
    const page = await show(AssistantsComponent, server, { lessonId: LESSON.id, zone: 'Europe/Copenhagen' });
    return { page, server };
  };

  it('is let in by a code that is shown once, and closed', async () => {
    const { page, server } = await open(NOBODY);
    expect(page.text()).toContain('Nobody yet.');
    server.on(api.assistants.open, { assistants: { ...NOBODY, open: true }, token: TOKEN });
    await page.press('Show a code');
    expect(page.all('.address')).toEqual([`${location.origin}/assist#${TOKEN}`]);
    server.on(api.assistants.close, NOBODY);
    await page.press('Close the code');
    expect(page.all('.address')).toEqual([]);
    expect(page.all('button')).toContain('Show a code');
  });

  it('is seen with what he logged, and ended', async () => {
    const { page, server } = await open({ ...NOBODY, people: [KIM] });
    expect(page.all('li')[0]).toMatch(/Kim\s*since 09:40, 3 entries/);
    server.on(api.assistants.end, { ...NOBODY, people: [{ ...KIM, ended: true }] });
    await page.press('End it');
    expect(page.all('li')[0]).toContain('ended');
    expect(page.all('button')).not.toContain('End it');
  });

  it('is nobody new when the lesson is over', async () => {
    const { page } = await open({ ...NOBODY, until: '2026-06-10T05:00:00.000Z' });
    expect(page.text()).toContain('The lesson is over');
    expect(page.all('button')).not.toContain('Show a code');
  });
});
