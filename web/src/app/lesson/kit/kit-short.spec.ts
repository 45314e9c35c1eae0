import { api } from '@doceo/contract';
import { kitEntry, LESSON } from '../../../testing/fixtures';
import { lessonServer, setDate, show } from '../../../testing/page';
import { LessonKitPage } from './lesson-kit.page';

describe('a packing list against the kit on hand', () => {
  beforeEach(() => {
    localStorage.clear();
    setDate();
  });
  afterEach(() => jest.useRealTimers());

  it('says what is short, and what it costs', async () => {
    const kit = { currency: 'EUR', entries: [kitEntry('rod', 1, { priceEach: 80 })] };
    const page = await show(LessonKitPage, lessonServer().on(api.kit.get, { kit, version: 1 }), {
      id: LESSON.id,
    });
    await page.settle();
    expect(page.all('.short')).toEqual(['Rod, 1 short: 2 needed, 1 on hand, €80 to buy']);
    expect(page.text()).toContain('By your kit on hand');
  });

  it('takes nothing for missing that nobody counted', async () => {
    const page = await show(LessonKitPage, lessonServer(), { id: LESSON.id });
    expect(page.all('.short')).toEqual([]);
    expect(page.text()).toContain('Say what you have');
  });
});
