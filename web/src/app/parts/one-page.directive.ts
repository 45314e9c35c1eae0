import { Directive, ElementRef, inject } from '@angular/core';

/** What both A4 and letter have within margins of 14 mm, CSS pixels. */
const PAPER = { width: 688, height: 945 };
/** Smaller letters are not read at arm's length, percent. */
const SMALLEST = 60;
const STEP = 4;
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
    let percent = 100;
    const fits = (): boolean => {
      style.width = `${(PAPER.width * 100) / percent}px`;
      return this.card.offsetHeight <= (PAPER.height * 100) / percent;
    };
    for (; percent >= SMALLEST && !fits(); percent -= STEP);
    style.width = '';
    style.setProperty(ZOOM, percent < SMALLEST ? '1' : (percent / 100).toFixed(2));
  }

  protected release(): void {
    this.card.classList.remove('on-paper');
    this.card.style.removeProperty(ZOOM);
  }
}
