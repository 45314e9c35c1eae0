import { lessonServer, show } from '../../../testing/page';
import { WadingCardComponent } from './wading-card.component';

const PEOPLE = [
  { id: 'a', name: 'Jonas', ageYears: 14, heightM: 1.58 },
  { id: 'b', name: 'Emil', ageYears: 66, heightM: null },
];

describe('wading', () => {
  const open = async () => {
    const page = await show(WadingCardComponent, lessonServer(), { units: 'metric', people: PEOPLE });
    const choose = async (text: string): Promise<void> => {
      const field = [...document.querySelectorAll('select')].at(-1)!;
      field.value = [...field.options].find((option) => option.text === text)!.value;
      field.dispatchEvent(new Event('change', { bubbles: true }));
      await page.settle();
    };
    const height = (): string =>
      [...document.querySelectorAll<HTMLInputElement>('input[type=text]')].at(-1)!.value;
    return { page, choose, height };
  };

  it('goes by the height of the person, and says where it is only typical', async () => {
    const { page, choose, height } = await open();
    expect([height(), page.text().includes('height, typical')]).toEqual(['1.75 m', true]);
    await choose('Jonas');
    expect([height(), page.text().includes('height, typical')]).toEqual(['1.58 m', false]);
    await choose('Emil');
    expect([height(), page.text().includes('height, typical')]).toEqual(['1.75 m', true]);
    expect(page.text()).toContain('an older wader');
  });

  it('has the figures on its bar, and no pale part where nobody shall wade', async () => {
    const { page } = await open();
    expect(page.all('svg text')).toEqual(['0', '4.0 this person', '10 nobody']);
    expect(document.querySelectorAll('rect.over')).toHaveLength(1);
    await page.enter('input', '1.5 m');
    expect(document.querySelectorAll('rect.over')).toHaveLength(2);
  });
});
