import { Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { OnePageDirective } from './one-page.directive';

@Component({
  selector: 'doceo-host',
  imports: [OnePageDirective],
  template: '<article doceoOnePage>Day</article>',
})
class HostComponent {}

describe('a card on one page', () => {
  /** A card of so much text, square pixels: the wider it is, the lower. */
  const printed = (area: number): { zoom: string; marked: boolean; after: string } => {
    const fixture = TestBed.createComponent(HostComponent);
    fixture.detectChanges();
    const card = (fixture.nativeElement as HTMLElement).querySelector('article')!;
    Object.defineProperty(card, 'offsetHeight', { get: () => area / parseFloat(card.style.width) });
    window.dispatchEvent(new Event('beforeprint'));
    const [zoom, marked] = [card.style.getPropertyValue('--on-paper'), card.classList.contains('on-paper')];
    window.dispatchEvent(new Event('afterprint'));
    expect(card.style.width).toBe('');
    return { zoom, marked, after: card.style.getPropertyValue('--on-paper') + card.className };
  };

  it.each([
    ['stays as large as it is where it fits', 688 * 945, '1.00'],
    ['gets smaller by what is too much', (688 * 945) / 0.8 ** 2, '0.80'],
    ['runs over pages where it would be too small to read', (688 * 945) / 0.5 ** 2, '1'],
  ])('%s', (_, area, zoom) => expect(printed(area)).toEqual({ zoom, marked: true, after: '' }));
});
