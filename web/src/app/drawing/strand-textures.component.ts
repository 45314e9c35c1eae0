import { Component, input } from '@angular/core';
import type { Strand } from '@doceo/core';

/** Loops, diagonal wraps, hooks, ripples, crosses, scales: a stroke in a tile of pixels. */
const PATTERNS: { strand: Strand; width: number; height: number; path: string }[] = [
  { strand: 'casting', width: 16, height: 10, path: 'M-2 9 C5 9 4 2 8 2 S12 8 8 8 S9 9 18 9' },
  { strand: 'rigging', width: 10, height: 10, path: 'M0 10L10 0' },
  { strand: 'hook-setting', width: 15, height: 15, path: 'M4 2v6q0 4 4 4t4-4l-2 2' },
  { strand: 'water', width: 16, height: 8, path: 'M0 4q4-4 8 0t8 0' },
  { strand: 'safety', width: 12, height: 12, path: 'M6 3v6M3 6h6' },
  { strand: 'fish-care', width: 14, height: 10, path: 'M3 5h2' },
];

/**
 * Textures of the strands as SVG patterns, `<prefix>-<strand>`: they lie over the colour, so that a strand is known in
 * sunlight, in print and by who sees no colours.
 */
@Component({
  selector: 'defs[doceoStrandTextures]',
  template: `
    @for (one of patterns; track one.strand) {
      <svg:pattern
        [attr.id]="prefix() + '-' + one.strand"
        [attr.width]="one.width"
        [attr.height]="one.height"
        patternUnits="userSpaceOnUse"
      >
        <svg:path [attr.d]="one.path" />
      </svg:pattern>
    }
  `,
  styles: `
    path {
      fill: none;
      stroke: #fff;
      stroke-opacity: 0.35;
    }
  `,
})
export class StrandTexturesComponent {
  protected readonly patterns = PATTERNS;
  readonly prefix = input.required<string>();
}
