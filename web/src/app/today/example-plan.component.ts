import { Component, computed, input, inject } from '@angular/core';
import { type Block, strandOf } from '@doceo/core';
import { TeachingStore } from '../data/teaching/teaching-store';

/** A plan at a glance: its blocks as a band as long as they take, each named below it. */
@Component({
  selector: 'doceo-example-plan',
  template: `
    <div class="band" aria-hidden="true">
      @for (block of shown(); track block.id) {
        <i class="strand-fill" [class]="'strand-' + block.strand" [style.flex-grow]="block.durationMin"></i>
      }
    </div>
    <ol>
      @for (block of shown(); track block.id) {
        <li>
          <span class="figure soft">{{ block.durationMin }} min</span> {{ block.title }}
        </li>
      }
    </ol>
  `,
  styles: `
    .band {
      display: flex;
      gap: 2px;
      height: 26px;
    }
    i {
      flex: 1 1 0;
    }
    ol {
      list-style: none;
      display: flex;
      flex-wrap: wrap;
      gap: 4px 18px;
      margin: 6px 0 0;
      padding: 0;
    }
  `,
})
export class ExamplePlanComponent {
  private readonly teaching = inject(TeachingStore);
  readonly blocks = input.required<readonly Block[]>();
  protected readonly shown = computed(() =>
    this.blocks().map((block) => ({
      ...block,
      strand: strandOf(this.teaching.curriculum(), block) ?? 'safety',
    })),
  );
}
