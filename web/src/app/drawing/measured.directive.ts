import { afterNextRender, DestroyRef, Directive, ElementRef, inject, output } from '@angular/core';

/** Tells how wide an element is, at first and whenever that changes. */
@Directive({ selector: '[doceoMeasured]' })
export class MeasuredDirective {
  readonly doceoMeasured = output<number>();

  constructor() {
    const element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const measure = (): void => {
      if (element.clientWidth > 0) this.doceoMeasured.emit(element.clientWidth);
    };
    // Before the first picture is shown: nothing moves when it is measured.
    afterNextRender({ read: measure });
    if (typeof ResizeObserver === 'undefined') return;
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }
}
