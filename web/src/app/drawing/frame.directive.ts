import { Directive, input } from '@angular/core';

/** An SVG whose units are pixels of the screen: as wide as there is room, as high as told. */
@Directive({
  selector: 'svg[doceoFrame]',
  host: {
    '[attr.viewBox]': "'0 0 ' + wide() + ' ' + high()",
    '[attr.height]': 'high()',
    width: '100%',
  },
})
export class FrameDirective {
  readonly wide = input.required<number>({ alias: 'doceoFrame' });
  readonly high = input.required<number>();
}
