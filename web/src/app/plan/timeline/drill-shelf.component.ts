import { PLAIN_KINDS, type PlainKind } from '../plain-blocks';
import { Component, computed, input, output, signal, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Drill, type Strand, STRANDS } from '@doceo/core';
import { STRAND_NAMES } from '@doceo/texts';
import { type Drag, DragDirective } from '../../drawing/drag.directive';
import { InUnitsPipe } from '../../parts/in-units.pipe';
import { SessionStore } from '../../data/session';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** The drill library as a shelf: drag a drill on the timeline, or press Enter to put it at the end. */
@Component({
  selector: 'doceo-drill-shelf',
  imports: [FormsModule, DragDirective, InUnitsPipe],
  template: `
    <div class="row head">
      <h2>Drills</h2>
      <div class="segments" role="group" aria-label="Strand">
        <button type="button" [attr.aria-pressed]="strand() === null" (click)="strand.set(null)">all</button>
        @for (option of strands; track option) {
          <button type="button" [attr.aria-pressed]="strand() === option" (click)="strand.set(option)">
            {{ names[option].toLowerCase() }}
          </button>
        }
      </div>
      <input
        type="search"
        aria-label="Find a drill"
        placeholder="find a drill"
        [ngModel]="words()"
        (ngModelChange)="words.set($event)"
      />
      <span class="spread"></span>
      @for (one of plainKinds; track one.kind) {
        <button type="button" class="btn small" (click)="plain.emit(one)">{{ one.text }}</button>
      }
      @if (copied() > 0) {
        <button type="button" class="btn small" (click)="pasted.emit()">Paste</button>
      }
    </div>
    <p class="added" role="status">{{ added() }}</p>
    <div class="shelf">
      @for (drill of drills(); track drill.id) {
        <button
          type="button"
          class="drill strand-fill"
          [class]="'strand-' + drill.strand"
          [attr.data-drill]="drill.id"
          [title]="drill.how.join(' ') | inUnits: session.units()"
          doceoDrag
          (doceoDrag)="dragged.emit({ drill, drag: $event })"
          (click)="chosen.emit(drill)"
        >
          <b>{{ drill.name }}</b>
          <span>{{ drill.minutes.min }}–{{ drill.minutes.max }} min, {{ drill.ground }}</span>
        </button>
      } @empty {
        <p class="soft">No drill has these words.</p>
      }
    </div>
  `,
  styleUrl: './drill-shelf.component.css',
})
export class DrillShelfComponent {
  private readonly teaching = inject(TeachingStore);
  protected readonly session = inject(SessionStore);
  /** What was added last, in words. */
  readonly added = input('');
  readonly chosen = output<Drill>();
  protected readonly plainKinds = PLAIN_KINDS;
  readonly plain = output<PlainKind>();
  /** How many blocks were copied, to be put in here. */
  readonly copied = input(0);
  readonly pasted = output<void>();
  readonly dragged = output<{ drill: Drill; drag: Drag }>();

  protected readonly strands = STRANDS;
  protected readonly names = STRAND_NAMES;
  protected readonly strand = signal<Strand | null>(null);
  protected readonly words = signal('');
  protected readonly drills = computed(() => {
    const words = this.words().trim().toLowerCase();
    return (
      this.teaching
        .curriculum()
        .drills.all.filter(
          (drill) =>
            (this.strand() === null || drill.strand === this.strand()) &&
            `${drill.name} ${drill.cue} ${drill.how.join(' ')}`.toLowerCase().includes(words),
        )
        // Those that are called so come before those that only speak of it.
        .sort((a, b) => Number(isCalled(b, words)) - Number(isCalled(a, words)))
    );
  });
}

function isCalled({ name }: Drill, words: string): boolean {
  return name.toLowerCase().includes(words);
}
