import { api, type NewsItem } from '@doceo/contract';
import type { FakeServer } from '../../../testing/fake-server';
import { CIRCLE, PLAN, uuid } from '../../../testing/fixtures';
import { lessonServer, type Shown, show } from '../../../testing/page';
import { GoingOnComponent } from './going-on.component';

const told = (n: number, title: string) => ({
  ...{ planId: uuid(n), planTitle: title, byName: 'Tobias Lind', at: '2026-06-01T10:00:00.000Z' },
});
const QUESTION: NewsItem = {
  ...{ kind: 'question', ...told(2, 'Grass'), commentId: uuid(9), text: 'On every stop?', blockId: null },
};
const plans = [
  { ...PLAN, id: uuid(1), title: 'Mine alone' },
  { ...PLAN, id: uuid(2), title: 'Grass', circleId: CIRCLE.id, circleName: CIRCLE.name },
  { ...PLAN, id: uuid(3), title: 'Riffle', circleId: CIRCLE.id, circleName: CIRCLE.name },
];

describe('what goes on with shared plans', () => {
  let server: FakeServer;
  beforeEach(() => {
    server = lessonServer();
  });
  const open = (items: NewsItem[]): Promise<Shown<GoingOnComponent>> => {
    return show(GoingOnComponent, server, { plans, news: items });
  };

  it('begins with the plan for which most waits, and leaves out what is mine alone', async () => {
    const page = await open([
      { kind: 'newer', ...told(3, 'Riffle'), note: '' },
      { kind: 'proposal', ...told(3, 'Riffle'), proposalId: uuid(8), note: 'Tried it.' },
      QUESTION,
    ]);
    expect(page.all('nav button')).toEqual(['Riffle, 2 wait', 'Grass, 1 waits']);
    expect(page.all('li h3')).toEqual(['Tobias shared a new version', 'Tobias proposes a change']);
    expect(server.of(api.versions.lineage)[0]?.path).toBe(`/api/plans/${uuid(3)}/lineage`);
    await page.press('Grass, 1 waits');
    expect(page.all('li h3')).toEqual(['Tobias asks']);
  });

  it('takes an answer where the question stands, and refuses an empty one there', async () => {
    server.on(api.comments.add, {
      ...{ id: uuid(5), blockId: null, answers: uuid(9), authorName: 'Maren Voss', mine: true },
      ...{ text: 'The first six.', at: '2026-06-02T10:00:00.000Z', settled: false },
    });
    const page = await open([QUESTION]);
    await page.press('Answer');
    await page.press('Send');
    expect(page.text()).toContain('Write a word or two');
    await page.enter('textarea', 'The first six.');
    await page.press('Send');
    expect(server.of(api.comments.add)[0]?.body).toMatchObject({
      ...{ answers: uuid(9), blockId: null, text: 'The first six.' },
    });
    expect(page.text()).toContain('Nothing waits for you here.');
  });

  it('keeps what was written where an answer is refused, and says why', async () => {
    server.refuse(api.comments.add, 400, 'invalid', [
      { path: 'text', code: 'student-name', message: 'names a student: “Sam”' },
    ]);
    const page = await open([QUESTION]);
    await page.press('Answer');
    await page.enter('textarea', 'As Sam did');
    await page.press('Send');
    expect(page.text()).toContain('names a student: “Sam”');
    expect(page.element.querySelector('textarea')!.value).toBe('As Sam did');
  });

  it('tells what became of my proposals and questions', async () => {
    const page = await open([
      { kind: 'answered', ...told(2, 'Grass'), state: 'taken', word: 'Gladly' },
      { kind: 'answered', ...told(2, 'Grass'), state: 'declined', word: '' },
      { kind: 'reply', ...told(2, 'Grass'), commentId: uuid(9), text: 'Yes' },
    ]);
    expect(page.all('li h3')).toEqual([
      'Tobias took your change',
      'Tobias declined your change',
      'Tobias answered you',
    ]);
  });

  it('says that nothing waits, and why there is no picture yet', async () => {
    const page = await open([]);
    expect(page.text()).toContain('Nothing waits for you here.');
    expect(page.text()).toContain('No version of it yet');
  });
});
