import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { type Clash, entriesOf, type Layer, mergeLayers } from '@doceo/core';
import { entryName, KIND_WORDS } from './chosen-entry';
import { differences } from './entry-differences';

/** Two changed the same entries meanwhile: each is settled by itself, with what is different beside each other. */
@Component({
  selector: 'doceo-layer-clash',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section role="alert">
      <h2>Somebody else changed {{ rows().length === 1 ? 'this' : 'these' }} meanwhile</h2>
      <p class="small">
        What only one of you changed is put together. Here you both changed the same: whose stands?
      </p>
      @for (row of rows(); track row.key) {
        <fieldset>
          <legend>
            <span class="soft small">{{ row.kind }}</span> {{ row.name }}
          </legend>
          <div class="sides">
            @for (side of sides; track side.theirs) {
              <label [class.on]="isTheirs(row.clash) === side.theirs">
                <input
                  type="radio"
                  [name]="row.key"
                  [checked]="isTheirs(row.clash) === side.theirs"
                  (change)="choose(row.clash, side.theirs)"
                />
                <b>{{ side.text }}</b>
                @for (one of row.differences; track one.field) {
                  <span class="small"
                    ><i>{{ one.field }}</i> {{ side.theirs ? one.theirs : one.mine }}</span
                  >
                }
              </label>
            }
          </div>
        </fieldset>
      }
      <button type="button" class="btn go" (click)="save()">Save it so</button>
    </section>
  `,
  styles: `
    :host {
      display: block;
    }
    section {
      border: 1.5px solid var(--safety);
      border-radius: 4px;
      background: var(--sheet);
      padding: 10px 14px;
      margin: 8px 0;
    }
    h2 {
      margin: 0 0 4px;
      color: var(--safety);
    }
    fieldset {
      border: 0;
      border-top: 1px solid var(--line);
      margin: 8px 0;
      padding: 8px 0 0;
      min-width: 0;
    }
    legend {
      float: left;
      width: 100%;
      font-weight: 700;
      margin-bottom: 6px;
    }
    .sides {
      clear: both;
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 240px), 1fr));
      gap: 8px;
    }
    label {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr);
      gap: 2px 8px;
      align-content: start;
      min-height: 48px;
      padding: 8px 10px;
      border: 1.5px solid var(--line);
      border-radius: 4px;
      overflow-wrap: anywhere;
      cursor: pointer;
    }
    label.on {
      border-color: var(--ink);
    }
    label span {
      grid-column: 2;
    }
    i {
      color: var(--soft);
    }
  `,
})
export class LayerClashComponent {
  /** What both began with, and what each made of it. */
  readonly base = input.required<Layer>();
  readonly mine = input.required<Layer>();
  readonly theirs = input.required<Layer>();
  readonly settled = output<Layer>();

  protected readonly sides = [
    { theirs: false, text: 'As I have it' },
    { theirs: true, text: 'As saved meanwhile' },
  ];
  private readonly taken = signal<ReadonlySet<string>>(new Set());
  protected readonly isTheirs = (clash: Clash): boolean => this.taken().has(keyOf(clash));
  protected readonly rows = computed(() =>
    mergeLayers(this.base(), this.mine(), this.theirs()).clashes.map((clash) => {
      const { kind, id } = clash;
      const [mine, theirs] = [this.mine(), this.theirs()].map((layer) =>
        entriesOf(layer, kind).find((one) => one.id === id),
      );
      const entry = mine ?? theirs;
      return {
        clash,
        key: keyOf(clash),
        kind: KIND_WORDS[kind],
        name: entry ? entryName(entry) : id,
        differences: differences(mine, theirs),
      };
    }),
  );

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // On a phone one types far below: what waits for an answer comes into sight.
    afterNextRender(() => host.scrollIntoView({ block: 'center' }));
  }

  protected choose(clash: Clash, theirs: boolean): void {
    this.taken.update((taken) => {
      const next = new Set(taken);
      if (theirs) next.add(keyOf(clash));
      else next.delete(keyOf(clash));
      return next;
    });
  }

  protected save(): void {
    this.settled.emit(mergeLayers(this.base(), this.mine(), this.theirs(), this.isTheirs).layer);
  }
}

function keyOf({ kind, id }: Clash): string {
  return `${kind} ${id}`;
}
