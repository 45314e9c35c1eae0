import { provideZonelessChangeDetection } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { HomeEntry, OpenedPage, StudentPage } from '@doceo/contract';
import { readKept } from './kept';
import { StudentComponent } from './student.component';
import { beforeText, streamText, takesText, tempoText, wellText } from './words';

const TOKEN = 'P'.repeat(22);
const QUESTION: StudentPage['questions'][number] = {
  ...{ id: 'water.seam-1', skillId: 'water.seam', skillName: 'Find the seam', text: 'Where does food run?' },
  choices: [
    { text: 'In the seam', right: true, reason: 'Two speeds meet there.' },
    { text: 'On the bank', right: false, reason: 'Nothing drifts there.' },
  ],
};
const PAGE: StudentPage = {
  ...{ firstName: 'Sam', hand: 'right', instructor: 'Maren Voss', units: 'metric', lessonOn: '2026-11-16' },
  well: {
    ...{ skillId: 'hook-setting.see-take', skillName: 'See the take' },
    tries: [true, false, true, true],
    before: { good: 1, of: 4, on: '2026-09-20' },
  },
  streams: [
    { strand: 'casting', has: 3, learning: 4, of: 16, hasName: 'Stop', nextName: 'Pause' },
    { strand: 'water', has: 0, learning: 0, of: 17, hasName: null, nextName: 'Find the seam' },
  ],
  one: {
    strand: 'casting',
    fault: { short: 'Crack', sign: 'the line cracks behind', cure: 'wait longer' },
    sentence: 'Say one-and, then come forward.',
    drill: {
      ...{ id: 'casting.wait', skillId: 'casting.pause', name: 'Wait for it', cue: 'Wait for the line.' },
      ...{ minutes: 5, how: ['On grass, with yarn.'], success: { good: 2, of: 3, at: '' } },
    },
  },
  beat: { lineM: 8, pauseS: 1.1, strokeS: 0.45, fromS: 0.9, toS: 1.3, typical: true },
  tells: { beat: true, takes: true },
  questions: [QUESTION],
};

describe('a student’s page', () => {
  let answers: Record<string, () => unknown>;
  let sent: { path: string; body: { token: string; entries?: HomeEntry[]; name?: string } }[];
  let fixture: ComponentFixture<StudentComponent>;

  beforeEach(() => {
    localStorage.clear();
    sent = [];
    answers = { look: () => ({ kind: 'page', page: PAGE }) satisfies OpenedPage, send: () => ({ ok: true }) };
    globalThis.fetch = jest.fn((path: string, { body }: { body: string }) => {
      sent.push({ path, body: JSON.parse(body) as (typeof sent)[number]['body'] });
      try {
        const answer = answers[path.split('/').at(-1) ?? '']?.();
        return Promise.resolve({ json: () => Promise.resolve(answer) });
      } catch {
        return Promise.reject(new TypeError('no network'));
      }
    }) as never;
    location.hash = `#${TOKEN}`;
  });

  const away = (): never => {
    throw new Error('away');
  };
  const refusal = (code: string, message: string) => () => ({ error: { code, message, issues: [] } });
  const settle = async (): Promise<void> => {
    for (let i = 0; i < 4; i++) {
      await new Promise((resolve) => setTimeout(resolve));
      await fixture.whenStable();
    }
  };
  const open = async (): Promise<void> => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    fixture = TestBed.createComponent(StudentComponent);
    await settle();
  };
  const element = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const text = (): string => (element().textContent ?? '').replace(/\s+/g, ' ').trim();
  const press = async (words: string | RegExp): Promise<void> => {
    const button = [...element().querySelectorAll('button')].find(({ textContent }) =>
      typeof words === 'string' ? textContent.trim() === words : words.test(textContent),
    );
    if (!button) throw new Error(`no button ${String(words)} in ${text()}`);
    button.click();
    await settle();
  };
  const kept = (): HomeEntry['body'][] => readKept(TOKEN).entries.map(({ body }) => body);

  it('says what went well, where he is and the one thing, in the instructor’s words', async () => {
    await open();
    expect(text()).toContain('Well done, Sam You saw 3 of the last 4 takes. In September it was 1.');
    expect(text()).toContain('Casting You have: stop. Next: pause.');
    expect(text()).toContain('“Say one-and, then come forward.” Maren');
    expect(element().querySelectorAll('doceo-well-picture g.missed')).toHaveLength(1);
    expect(text()).toContain('8 m of line, a typical length.');
    expect(sent).toEqual([{ path: '/api/my/look', body: { token: TOKEN } }]);
  });

  it('keeps what is done, sends it when one says so, and then says who looks', async () => {
    await open();
    await press('It went');
    await press('Not yet');
    await press('It went');
    expect(text()).toContain('2 of the last 3: you have it today.');
    await press('Take the last back');
    expect(kept().map((body) => [body.skillId, body.good, body.home, body.evidence])).toEqual([
      ['casting.pause', true, true, 'drill'],
      ['casting.pause', false, true, 'drill'],
    ]);
    expect(sent).toHaveLength(1);
    await press('Send it to Maren');
    expect(sent.at(-1)).toMatchObject({ path: '/api/my/send', body: { token: TOKEN } });
    expect(sent.at(-1)?.body.entries).toHaveLength(2);
    expect(kept()).toEqual([]);
    expect(text()).toContain('Sent. Maren looks at it before it counts.');
  });

  it('loses nothing when it cannot be sent, nor when the page is closed', async () => {
    await open();
    await press('It went');
    answers['send'] = away;
    await press('Send it to Maren');
    expect(text()).toContain('No connection. It is kept here; send it later.');
    await open();
    expect(text()).toContain('1 thing you did is here and not sent.');
  });

  it('opens without a network as it was last, and says so', async () => {
    await open();
    answers['look'] = away;
    await open();
    expect(text()).toContain('Well done, Sam');
    expect(text()).toContain('No signal: this is how your page was last.');
    localStorage.clear();
    await open();
    expect(text()).toContain('No connection');
    answers['look'] = () => ({ kind: 'page', page: PAGE });
    await press('Try again');
    expect(text()).toContain('Well done, Sam');
  });

  it('asks a question, says why, and does not ask it again', async () => {
    await open();
    await press(/Three questions/);
    await press('On the bank');
    expect(text()).toContain('Not quite. Nothing drifts there.');
    expect(kept()).toMatchObject([
      { skillId: 'water.seam', good: false, evidence: 'answer', asked: { choice: 1, choices: 2 } },
    ]);
    await press('In the seam');
    expect(kept()).toHaveLength(1);
    await press('Done');
    await press(/Three questions/);
    expect(text()).toContain('You have answered all there are');
  });

  it('tells a beat that is tapped along, and keeps whether it fits', async () => {
    await open();
    await press('tap along');
    const pad = element().querySelector('.pad') as HTMLElement;
    for (let i = 0; i < 7; i++) {
      const event = new Event('pointerdown', { cancelable: true });
      Object.defineProperty(event, 'timeStamp', { value: 1000 + i * 400 });
      pad.dispatchEvent(event);
    }
    await settle();
    expect(text()).toContain('You waited 0.4 s; this line needs 0.9 to 1.3 s. Wait longer.');
    expect(kept()).toMatchObject([{ skillId: 'casting.pause', good: false, evidence: 'measured' }]);
  });

  it('beats slower when asked to, and stops', async () => {
    await open();
    expect(text()).toContain('slower');
    await press('slower');
    await press('slower');
    expect(text()).toContain('as it is');
    await press('Start the beat');
    await press('Stop the beat');
    expect(text()).toContain('Start the beat');
  });

  it('of a minor is opened by the guardian with a name', async () => {
    answers['look'] = () => ({ kind: 'guardian', firstName: 'Jonas', instructor: 'Maren Voss' });
    answers['open'] = () => ({ kind: 'page', page: PAGE });
    await open();
    expect(text()).toContain('Jonas is under 18, so you, the guardian, open it.');
    await press('Open it');
    expect(text()).toContain('your name is needed');
    const field = element().querySelector('input') as HTMLInputElement;
    field.value = 'Ruth Wren';
    field.dispatchEvent(new Event('input'));
    await press('Open it');
    expect(sent.at(-1)?.body).toEqual({ token: TOKEN, name: 'Ruth Wren' });
    expect(text()).toContain('Well done, Sam');
  });

  it('that was closed leaves nothing on the device', async () => {
    await open();
    await press('It went');
    answers['look'] = refusal('not-found', 'This link was closed by whoever made it.');
    await open();
    expect(text()).toContain('This link was closed by whoever made it.');
    expect({ ...localStorage }).toEqual({});
  });

  it('is forgotten on this device when one says so', async () => {
    await open();
    await press(/Forget this page/);
    await press('Forget it here');
    expect({ ...localStorage }).toEqual({});
    expect(text()).toContain('This device keeps nothing of it any more.');
  });

  it('without anything to praise or to mend still has something to do', async () => {
    const one = { strand: null, fault: null, sentence: null, drill: null };
    answers['look'] = () => ({ kind: 'page', page: { ...PAGE, well: null, one, questions: [] } });
    await open();
    expect(text()).toContain('Good day, Sam');
    expect(text()).toContain('Go on as you do');
    expect(text()).toContain('Start the beat');
    expect(text()).not.toContain('Three questions');
  });

  it('whose one thing is not about casting has the beat below it', async () => {
    answers['look'] = () => ({ kind: 'page', page: { ...PAGE, one: { ...PAGE.one, strand: 'fish-care' } } });
    await open();
    expect(text()).toContain('The beat of your cast');
  });

  it('by a link that lost its end asks nobody', async () => {
    location.hash = '#abc';
    await open();
    expect(text()).toContain('This link is not whole');
    expect(sent).toEqual([]);
  });

  it('tells where the device keeps nothing', async () => {
    await open();
    jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('full');
    });
    await press('It went');
    expect(text()).toContain('This device keeps nothing: send it before you close the page.');
    jest.restoreAllMocks();
  });
});

describe('the words of the page', () => {
  const well = PAGE.well!;
  it('name the skill, and the year where it is another', () => {
    expect(wellText({ ...well, skillId: 'casting.stop', skillName: 'Stop' })).toBe(
      'Stop: 3 good of the last 4.',
    );
    expect(beforeText(well, '2027-03-01')).toBe('In September 2026 it was 1.');
    expect(beforeText({ ...well, before: null }, '2026-11-16')).toBeNull();
  });

  it.each([
    [{ hasName: null, nextName: 'Find the seam', has: 0, learning: 0 }, 'Not begun. Next: find the seam.'],
    [
      { hasName: null, nextName: 'Find the seam', has: 0, learning: 2 },
      'You have begun. Next: find the seam.',
    ],
    [{ hasName: 'Stop', nextName: null, has: 4, learning: 0 }, 'You have all of it.'],
  ])('of a stream: %j', (stream, words) =>
    expect(streamText({ strand: 'water', of: 4, ...stream })).toBe(words),
  );

  it.each([
    [1.1, 0.05, 'You waited 1.1 s; this line needs 0.9 to 1.3 s. That is it.'],
    [1.6, 0.3, 'You waited 1.6 s; this line needs 0.9 to 1.3 s. A little sooner. It was not even yet.'],
  ])('of a beat: %d s, uneven by %d', (backS, unevenness, words) =>
    expect(tempoText({ backS, unevenness }, PAGE.beat)).toBe(words),
  );

  it.each([
    [9, 12, 0, 'You saw 9 of 12 takes.'],
    [9, 12, 1, 'You saw 9 of 12 takes. 1 set on nothing.'],
    [0, 0, 0, 'No take came in that time. Once more?'],
  ])('of takes: %i of %i, %i false', (hits, takes, falseAlarms, words) =>
    expect(takesText(hits, takes, falseAlarms)).toBe(words),
  );
});
