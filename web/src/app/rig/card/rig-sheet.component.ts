import { Component, computed, inject, input } from '@angular/core';
import { type Rig, rigFigures } from '@doceo/core';
import { RIG_TEMPLATE_WORDS, rigFiguresInWords } from '@doceo/texts';
import { SessionStore } from '../../data/session';
import { RigDrawingComponent } from '../drawing/rig-drawing.component';
import { cutRows, knotRows, type TiedBy } from '../../shared/rig/rig-rows';

const ON_CARD = ['leader-length', 'indicator-distance', 'breaks-first', 'float-margin', 'casting-load'];

/** A rig on paper: the drawing, what to cut, the knots in the order they are tied, what to say. */
@Component({
  selector: 'doceo-rig-sheet',
  imports: [RigDrawingComponent],
  templateUrl: './rig-sheet.component.html',
  styleUrl: './rig-sheet.component.css',
})
export class RigSheetComponent {
  protected readonly session = inject(SessionStore);
  /** With what is known of who ties it. */
  readonly rig = input.required<Rig>();
  readonly tiedBy = input<TiedBy | null>(null);
  protected readonly cues = computed(() => RIG_TEMPLATE_WORDS[this.rig().template].cues);
  protected readonly cuts = computed(() => cutRows(this.rig(), this.session.units()));
  protected readonly knots = computed(() => knotRows(this.rig(), this.session.units(), this.tiedBy()));
  protected readonly figures = computed(() =>
    rigFiguresInWords(
      rigFigures(this.rig(), null).filter(({ id }) => ON_CARD.includes(id)),
      this.session.units(),
    ),
  );
}
