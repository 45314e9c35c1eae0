import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { StudentPage } from '@doceo/contract';
import { MyPage } from './my-page';

/** The drill for at home: how it goes, and a count of how it went. */
@Component({
  selector: 'doceo-home-drill',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section>
      <h2>{{ drill().name }}, {{ drill().minutes }} minutes</h2>
      @for (step of drill().how; track $index) {
        <p>{{ step }}</p>
      }
      <p class="small">
        You have it at {{ drill().success.good }} good of {{ drill().success.of }}. Glasses on, look behind
        you, a bit of yarn instead of a hook.
      </p>
      <div class="count">
        <button type="button" class="press dark" (click)="count(true)">It went</button>
        <button type="button" class="press" (click)="count(false)">Not yet</button>
        <p role="status">{{ told() }}</p>
      </div>
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 8px;
      padding: 16px 18px 0;
    }

    .count {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 10px;
    }
  `,
})
export class HomeDrillComponent {
  private readonly my = inject(MyPage);
  readonly drill = input.required<NonNullable<StudentPage['one']['drill']>>();
  private readonly tries = signal<readonly boolean[]>([]);
  protected readonly told = computed(() => {
    const last = this.tries().slice(-this.drill().success.of);
    const good = last.filter(Boolean).length;
    if (last.length === 0) return 'Count how it goes.';
    const { success } = this.drill();
    return last.length === success.of && good >= success.good
      ? `${good} of the last ${last.length}: you have it today.`
      : `${good} good of ${last.length}`;
  });

  protected count(good: boolean): void {
    const { id, skillId } = this.drill();
    this.my.did([{ skillId, drillId: id, good, evidence: 'drill' }]);
    this.tries.update((tries) => [...tries, good]);
  }
}
