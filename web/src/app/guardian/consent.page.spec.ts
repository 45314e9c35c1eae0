import { TestBed } from '@angular/core/testing';
import { ActivatedRoute } from '@angular/router';
import { api, type ConsentPage as Page } from '@doceo/contract';
import { of } from 'rxjs';
import { lessonServer, show, type Shown } from '../../testing/page';
import { ConsentPage } from './consent.page';
import { deviceKey } from './device-key';
import { KeptForComponent } from './kept-for.component';

const TOKEN = 'A'.repeat(22);
const ASKED: Page = {
  ...{ state: 'asked', studentName: 'Jonas', instructor: 'Maren Voss', seenBy: ['Tobias Lind'] },
  keptFor: { entryMonths: 24, studentMonths: 36 },
  ...{ mine: false, byName: null, answeredAt: null, takenBackAt: null, has: null },
};
const GIVEN: Page = {
  ...ASKED,
  ...{ state: 'given', studentName: 'Jonas Wren', mine: true, byName: 'Ruth Wren' },
  answeredAt: '2026-06-10T08:00:00.000Z',
  has: { entries: 41, readings: 1, since: '2026-04-02' },
};

beforeEach(() => localStorage.clear());

describe('what a guardian is asked', () => {
  const server = lessonServer();
  const open = async (page: Page | null, fragment: string | null = TOKEN): Promise<Shown<ConsentPage>> => {
    if (page) server.on(api.guardian.look, page);
    TestBed.overrideProvider(ActivatedRoute, { useValue: { fragment: of(fragment) } });
    return show(ConsentPage, server);
  };

  it('is said in plain words, and a yes goes with the name and this device’s key', async () => {
    const page = await open(ASKED);
    expect(page.all('h1')).toEqual(['May a record be kept of Jonas’s lessons?']);
    expect(page.text()).toContain('Maren Voss, Tobias Lind. Lesson plans are shared');
    expect(page.text()).toContain('What was seen in a lesson goes 2 years after it. Everything goes 3 years');
    await page.press('I agree');
    expect(page.all('.wrong')).toEqual(['your name is needed']);
    expect(server.of(api.guardian.answer)).toEqual([]);
    await page.enter('input[name=guardian]', 'Ruth Wren');
    server.on(api.guardian.answer, GIVEN);
    await page.press('I agree');
    expect(server.of(api.guardian.answer)[0]?.body).toEqual({
      ...{ token: TOKEN, key: deviceKey(TOKEN), given: true, name: 'Ruth Wren' },
    });
    expect(page.all('h1')).toEqual(['A record is kept']);
    expect(page.text()).toMatch(/41\s*entries since 2 April 2026 and 1 measurement\./);
  });

  it('takes a no, and lets it be changed to a yes without the name typed again', async () => {
    const page = await open(ASKED);
    await page.enter('input[name=guardian]', 'Ruth Wren');
    server.on(api.guardian.answer, { ...GIVEN, state: 'refused' });
    await page.press('I do not agree');
    expect(page.all('h1')).toEqual(['Nothing is recorded']);
    await page.press('I agree');
    expect(server.of(api.guardian.answer).at(-1)?.body).toMatchObject({ given: true, name: 'Ruth Wren' });
  });

  it('is taken back in one press', async () => {
    const page = await open(GIVEN);
    server.on(api.guardian.takeBack, {
      ...GIVEN,
      ...{ state: 'taken-back', takenBackAt: '2026-06-11T08:00:00.000Z' },
    });
    await page.press('Take the consent back');
    expect(page.all('h1')).toEqual(['Nothing is recorded any more']);
    expect(page.all('button')).toContain('Take everything along, as a file');
  });

  it('has everything deleted when the name is written', async () => {
    const page = await open(GIVEN);
    await page.press('Have everything deleted …');
    server.refuse(api.guardian.remove, 400, 'invalid', [
      { path: 'studentName', code: 'other', message: 'is not the name of the student' },
    ]);
    await page.enter('input[name=student-name]', 'Sam');
    await page.press('Delete for good');
    expect(page.all('.wrong')).toEqual(['is not the name of the student']);
    await page.enter('input[name=student-name]', 'Jonas Wren');
    server.on(api.guardian.remove, { ok: true });
    await page.press('Delete for good');
    expect(page.all('h1')).toEqual(['It is deleted']);
  });

  it('tells another device nothing but how to stop', async () => {
    const page = await open({ ...GIVEN, mine: false, byName: null, has: null, studentName: 'Jonas' });
    expect(page.text()).toContain('It was answered, on another device.');
    expect(page.text()).not.toContain('Who sees it');
    expect(page.all('button')).toEqual(['Take the consent back']);
  });

  it('waits for the instructor where the name is another', async () => {
    const page = await open({ ...GIVEN, state: 'look', has: null });
    expect(page.text()).toContain('has to say first that it is you');
  });

  it('by a link that lost its end, or leads nowhere, says so', async () => {
    server.refuse(api.guardian.look, 404, 'not-found');
    expect((await open(null)).all('h1')).toEqual(['Nothing is asked here']);
  });

  it('by a link without an end asks nobody', async () => {
    const before = server.of(api.guardian.look).length;
    expect((await open(null, null)).all('h1')).toEqual(['This link is not whole']);
    expect(server.of(api.guardian.look)).toHaveLength(before);
  });
});

describe('the key of a device', () => {
  it('is one for each link, stays, and keeps no token', () => {
    const key = deviceKey(TOKEN);
    expect(key).toMatch(/^[\w-]{22}$/);
    expect(deviceKey(TOKEN)).toBe(key);
    expect(deviceKey('B'.repeat(22))).not.toBe(key);
    expect(JSON.stringify({ ...localStorage })).not.toContain(TOKEN);
  });

  it('holds for the page where nothing can be kept', () => {
    jest.spyOn(Storage.prototype, 'getItem').mockImplementation(() => {
      throw new Error('no storage');
    });
    const key = deviceKey('C'.repeat(22));
    expect(deviceKey('C'.repeat(22))).toBe(key);
    jest.restoreAllMocks();
  });
});

describe('how long it is kept', () => {
  it('is told in years where they are whole, and narrows where entries go', async () => {
    const page = await show(KeptForComponent, lessonServer(), {
      rule: { entryMonths: 18, studentMonths: 36 },
    });
    expect(page.text()).toContain('goes 18 months after it. Everything goes 3 years after the last lesson.');
    expect(page.element.querySelector('line')?.getAttribute('x1')).toBe('160');
  });

  it('without an end says so', async () => {
    const page = await show(KeptForComponent, lessonServer(), { rule: null });
    expect(page.text()).toContain('Nobody has set an end');
  });
});
