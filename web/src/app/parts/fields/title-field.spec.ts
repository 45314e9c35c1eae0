import { lessonServer, show } from '../../../testing/page';
import { TitleFieldComponent } from './title-field.component';

describe('a title', () => {
  it('is told letter by letter, without the space that is still to be followed, and never empty', async () => {
    const page = await show(TitleFieldComponent, lessonServer(), { label: 'Title', value: 'Nymphs' });
    const told: string[] = [];
    page.fixture.componentInstance.typed.subscribe((text) => told.push(text));
    const field = document.querySelector<HTMLInputElement>('input.title')!;
    for (const text of ['Nymphs ', 'Nymphs a', '  ']) {
      field.value = text;
      field.dispatchEvent(new Event('input'));
      await page.settle();
    }
    expect(told).toEqual(['Nymphs', 'Nymphs a']);
    expect(field.value).toBe('  ');
    field.dispatchEvent(new Event('blur'));
    await page.quiet();
    expect(field.value).toBe('Nymphs');
  });
});
