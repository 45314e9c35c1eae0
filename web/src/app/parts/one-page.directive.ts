import { Directive, ElementRef, inject } from '@angular/core';

/** What both A4 and letter have within margins of 14 mm, CSS pixels. */
const PAPER = { width: 688, height: 945 };
/** Smaller letters are not read at arm's length. */
const SMALLEST = 0.6;
const STEP = 0.04;
/** What `print.css` reads. */
const ZOOM = '--on-paper';

/** A card is printed on one page: smaller where it is long. One that would be too small to read runs over pages. */
@Directive({
  selector: '[doceoOnePage]',
  host: { '(window:beforeprint)': 'fit()', '(window:afterprint)': 'release()' },
})
export class OnePageDirective {
  private readonly card: HTMLElement = inject(ElementRef<HTMLElement>).nativeElement;

  protected fit(): void {
    const { style, classList } = this.card;
    classList.add('on-paper');
    let zoom = 1;
    const fits = (): boolean => {
      style.width = `${PAPER.width / zoom}px`;
      return this.card.offsetHeight <= PAPER.height / zoom;
    };
    for (; zoom >= SMALLEST && !fits(); zoom -= STEP);
    style.width = '';
    style.setProperty(ZOOM, zoom < SMALLEST ? '1' : zoom.toFixed(2));
  }

  protected release(): void {
    this.card.classList.remove('on-paper');
    this.card.style.removeProperty(ZOOM);
  }
}
