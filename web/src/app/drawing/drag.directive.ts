import { Directive, ElementRef, inject, output } from '@angular/core';

export interface Drag {
  phase: 'start' | 'move' | 'end' | 'cancel';
  /** Pixels from where the drag began. */
  dx: number;
  dy: number;
  /** Pointer in the window. */
  x: number;
  y: number;
}

/** Least way a pointer goes before it is a drag and no click, pixels. */
const THRESHOLD = 4;

/** Reports a drag by mouse, pen or finger; Escape cancels it. What it moves is up to the listener. */
@Directive({
  selector: '[doceoDrag]',
  host: { '(pointerdown)': 'down($event)', '(click)': 'swallow($event)', style: 'touch-action: none' },
})
export class DragDirective {
  private readonly element = inject<ElementRef<HTMLElement | SVGElement>>(ElementRef).nativeElement;
  readonly doceoDrag = output<Drag>();
  private dragged = false;

  constructor() {
    // An inline element has no say in what a finger's move does, and the shapes of an SVG are inline until told otherwise.
    if (this.element instanceof SVGElement) this.element.style.display = 'block';
  }

  protected down(event: PointerEvent): void {
    if (event.button !== 0) return;
    event.stopPropagation();
    const from = { x: event.clientX, y: event.clientY };
    const watch = new AbortController();
    this.dragged = false;
    const report = (phase: Drag['phase'], at: { clientX: number; clientY: number }): void =>
      this.doceoDrag.emit({
        phase,
        dx: at.clientX - from.x,
        dy: at.clientY - from.y,
        x: at.clientX,
        y: at.clientY,
      });
    // A mouse moves more often than the screen shows: one report a frame.
    let latest = event;
    let frame = 0;
    const move = (to: PointerEvent): void => {
      if (!this.dragged) {
        if (Math.hypot(to.clientX - from.x, to.clientY - from.y) < THRESHOLD) return;
        this.dragged = true;
        this.element.setPointerCapture?.(event.pointerId);
        report('start', event);
      }
      latest = to;
      frame ||= requestAnimationFrame(() => {
        frame = 0;
        report('move', latest);
      });
    };
    const end = (phase: 'end' | 'cancel', at: { clientX: number; clientY: number }): void => {
      watch.abort();
      cancelAnimationFrame(frame);
      if (this.dragged) report(phase, at);
    };
    const { signal } = watch;
    window.addEventListener('pointermove', move, { signal });
    window.addEventListener('pointerup', (up) => end('end', up), { signal });
    window.addEventListener('pointercancel', (lost) => end('cancel', lost), { signal });
    window.addEventListener('keydown', (key) => key.key === 'Escape' && end('cancel', event), { signal });
  }

  /** The click that follows a drag is none. */
  protected swallow(event: Event): void {
    if (!this.dragged) return;
    event.stopImmediatePropagation();
    event.preventDefault();
    this.dragged = false;
  }
}
