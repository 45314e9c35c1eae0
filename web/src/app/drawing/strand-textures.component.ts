import { Component, input } from '@angular/core';

/**
 * Textures of the strands as SVG patterns, `<prefix>-<strand>`: they lie over the colour, so that a strand is known in
 * sunlight, in print and by who sees no colours.
 */
@Component({
  selector: 'defs[doceoStrandTextures]',
  template: `
    <svg:pattern [attr.id]="prefix() + '-casting'" width="16" height="10" patternUnits="userSpaceOnUse">
      <svg:path d="M-2 9 C5 9 4 2 8 2 S12 8 8 8 S9 9 18 9" />
    </svg:pattern>
    <svg:pattern [attr.id]="prefix() + '-rigging'" width="10" height="10" patternUnits="userSpaceOnUse">
      <svg:path d="M0 10L10 0" />
    </svg:pattern>
    <svg:pattern [attr.id]="prefix() + '-hook-setting'" width="15" height="15" patternUnits="userSpaceOnUse">
      <svg:path d="M4 2v6q0 4 4 4t4-4l-2 2" />
    </svg:pattern>
    <svg:pattern [attr.id]="prefix() + '-water'" width="16" height="8" patternUnits="userSpaceOnUse">
      <svg:path d="M0 4q4-4 8 0t8 0" />
    </svg:pattern>
    <svg:pattern [attr.id]="prefix() + '-safety'" width="12" height="12" patternUnits="userSpaceOnUse">
      <svg:path d="M6 3v6M3 6h6" />
    </svg:pattern>
    <svg:pattern [attr.id]="prefix() + '-fish-care'" width="14" height="10" patternUnits="userSpaceOnUse">
      <svg:path d="M3 5h2" />
    </svg:pattern>
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
  readonly prefix = input.required<string>();
}
