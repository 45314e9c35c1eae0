import { booleanAttribute, Component, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { PlanSummary } from '@doceo/contract';

/** One plan in a list: its strands as a band of textures, its facts, where it came from. */
@Component({
  selector: 'doceo-plan-row',
  imports: [RouterLink],
  template: `
    <a class="open" [routerLink]="['/plan', plan().id]">
      <span class="band" aria-hidden="true">
        @for (strand of plan().strands; track strand) {
          <i class="strand-fill" [class]="'strand-' + strand"></i>
        }
      </span>
      <span class="text">
        <b>{{ plan().title }}</b>
        <span class="soft">{{ plan().aim || 'No aim written yet' }}</span>
      </span>
      <span class="small soft facts"
        ><span class="figure">{{ plan().lengthMin }}</span> min,
        <span class="figure">{{ plan().blockCount }}</span> blocks,&ngsp;<br />{{
          plan().mine
            ? plan().circleName
              ? 'shared: ' + plan().circleName
              : 'only me'
            : 'by ' + plan().ownerName
        }}</span
      >
    </a>
    <ng-content />
    @if (plan().mine && removable()) {
      @if (asking()) {
        <button type="button" class="btn small" (click)="removed.emit()">Remove for good</button>
        <button type="button" class="btn small" (click)="asking.set(false)">Keep</button>
      } @else {
        <button
          type="button"
          class="btn small plain"
          [attr.aria-label]="'Remove ' + plan().title"
          (click)="asking.set(true)"
        >
          Remove
        </button>
      }
    }
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 8px;
      background: var(--sheet);
      border: 1px solid var(--line);
      padding-right: 10px;
      container-type: inline-size;
    }
    .open {
      flex: 1;
      display: grid;
      grid-template-columns: 120px minmax(0, 1fr) 210px;
      gap: 14px;
      align-items: center;
      color: inherit;
      text-decoration: none;
      min-height: 58px;
    }
    .open:hover b {
      text-decoration: underline;
    }
    .band {
      display: flex;
      align-self: stretch;
    }
    .band i {
      flex: 1;
    }
    .text {
      display: grid;
      padding: 6px 0;
    }
    b {
      font-size: 15px;
    }
    @container (max-width: 620px) {
      .open {
        grid-template-columns: 16px minmax(0, 1fr);
        row-gap: 0;
      }
      .band {
        flex-direction: column;
        grid-row: 1 / 3;
      }
      .facts {
        grid-column: 2;
        padding-bottom: 6px;
      }
      .facts br {
        display: none;
      }
    }
  `,
})
export class PlanRowComponent {
  readonly plan = input.required<PlanSummary>();
  readonly removable = input(false, { transform: booleanAttribute });
  readonly removed = output<void>();
  protected readonly asking = signal(false);
}
