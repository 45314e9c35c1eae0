import { Component, input } from '@angular/core';
import { FlyPictureComponent } from '../../drawing/fly-picture.component';
import type { RigDrawing } from './rig-drawing';

/** The ground goes on below the drawing, where there is room for it. */
const BELOW_PX = 1200;

/** The picture of a rig without words or handles: water, bed, leader, flies, fittings. Goes on a `g` of any drawing. */
@Component({
  // An attribute, since only SVG elements may stand inside an SVG.
  selector: '[doceoRigPicture]',
  imports: [FlyPictureComponent],
  templateUrl: './rig-picture.component.html',
  styleUrl: './rig-picture.component.css',
})
export class RigPictureComponent {
  readonly drawing = input.required<RigDrawing>();
  readonly width = input.required<number>();
  readonly height = input.required<number>();
  readonly selectedId = input<string | null>(null);

  /** The bed as a soft line, or grass as a straight one. */
  protected ground(): string {
    const { bedY, kind } = this.drawing();
    const y = kind === 'grass' ? bedY + 5 : bedY;
    const waves = Array.from({ length: Math.ceil(this.width() / 120) }, (_, i) =>
      i === 0 ? 'q 60 -7 120 0' : 't 120 0',
    );
    return `M0 ${y} ${kind === 'grass' ? `H ${this.width()}` : waves.join(' ')} V ${this.height() + BELOW_PX} H 0 Z`;
  }
}
