import { Component, computed, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import { api, type SavedWater, type WaterDeletion } from '@doceo/contract';
import type { Observable } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { fetched } from '../../data/api/fetched';
import { WaterChanges } from '../../data/lesson/water-changes';
import { SessionStore } from '../../data/session';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';

/** Shares a water with a circle, gives it to a fellow, or deletes it; what follows is told before. */
@Component({
  selector: 'doceo-water-handover',
  imports: [ChoiceFieldComponent],
  template: `
    <h2>Whose it is</h2>
    <div class="three">
      <div>
        <doceo-choice-field
          label="Shared with"
          [options]="circles()"
          [value]="saved().circleId"
          (chosen)="share($event)"
        />
        <p class="small soft">
          Editors and owners of a circle may draw in it and change its card; readers use it.
        </p>
      </div>
      <div>
        @if (fellows().length > 0) {
          <doceo-choice-field
            label="Give it to"
            [options]="heirs()"
            [value]="heir()"
            (chosen)="heir.set($event)"
          />
          @if (heir() !== '') {
            <p class="small">
              {{ heirName() }} owns it then, with its drawings and readings. You go on seeing it where a
              circle or a lesson of yours has it. Only {{ heirName() }} can give it back.
            </p>
            <button type="button" class="btn" [disabled]="busy()" (click)="give()">
              Give {{ saved().water.name }} away
            </button>
          }
        } @else {
          <p class="small soft">It can be given to a fellow once you are in a circle together.</p>
        }
      </div>
      <div>
        @if (deletion(); as goes) {
          @if (goes.lessons > 0) {
            <p class="small">
              It cannot be deleted: {{ goes.lessons }}
              {{ goes.lessons === 1 ? 'lesson is' : 'lessons are' }} at it. Move them to another water or
              cancel them first; taught ones keep it.
            </p>
          } @else {
            <p class="small">{{ told(goes) }} There is no way back.</p>
            <button type="button" class="btn" [disabled]="busy()" (click)="remove()">
              Delete {{ saved().water.name }} for good
            </button>
          }
        } @else {
          <button type="button" class="btn plain" (click)="ask()">Delete this water …</button>
        }
      </div>
    </div>
    @if (error(); as problem) {
      <p class="wrong" role="alert">{{ problem.message }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
      border-top: 1px solid var(--line);
      margin-top: 22px;
      padding-top: 10px;
    }
    .three {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
      gap: 12px 28px;
      align-items: start;
      margin-top: 8px;
    }
    p {
      margin: 6px 0;
    }
  `,
})
export class WaterHandoverComponent {
  private readonly client = inject(ApiClient);
  private readonly changes = inject(WaterChanges);
  private readonly router = inject(Router);
  private readonly session = inject(SessionStore);
  readonly saved = input.required<SavedWater>();
  private readonly list = fetched(
    () => true,
    () => this.client.call(api.circles.list),
  );
  protected readonly circles = computed(() => [
    { value: null as string | null, text: 'nobody' },
    ...(this.list.value() ?? [])
      .filter(({ role, id }) => role !== 'reader' || id === this.saved().circleId)
      .map(({ id, name }) => ({ value: id as string | null, text: name })),
  ]);
  protected readonly fellows = computed(() => {
    const members = (this.list.value() ?? []).flatMap((circle) => circle.members);
    const others = members.filter(({ userId }) => userId !== this.session.user()?.id);
    return [...new Map(others.map(({ userId, name }) => [userId, name]))];
  });
  protected readonly heirs = computed(() => [
    { value: '', text: 'nobody' },
    ...this.fellows().map(([value, text]) => ({ value, text })),
  ]);
  protected readonly heir = signal('');
  protected readonly heirName = computed(
    () => this.heirs().find(({ value }) => value === this.heir())?.text ?? '',
  );
  protected readonly deletion = signal<WaterDeletion | null>(null);
  protected readonly busy = signal(false);
  protected readonly error = signal<ApiError | null>(null);

  protected share(circleId: string | null): void {
    this.run(this.changes.share(this.saved().id, circleId));
  }

  protected give(): void {
    this.run(this.changes.give(this.saved().id, this.heir()), true);
  }

  protected ask(): void {
    this.run(
      this.client.call(api.waters.deletionPreview, { params: { id: this.saved().id } }),
      false,
      (goes) => this.deletion.set(goes),
    );
  }

  protected remove(): void {
    this.run(this.changes.remove(this.saved().id), true);
  }

  protected told({ beats, lakes, readings }: WaterDeletion): string {
    const parts = [
      beats > 0 ? `${beats} ${beats === 1 ? 'drawn beat' : 'drawn beats'}` : '',
      lakes > 0 ? 'the drawing of the lake' : '',
      readings > 0 ? `${readings} ${readings === 1 ? 'reading' : 'readings'}` : '',
    ].filter(Boolean);
    return parts.length > 0
      ? `With it go its card and ${parts.join(', ')}.`
      : 'With it goes its card; nothing is drawn or read there.';
  }

  private run<T>(call: Observable<T>, leave = false, then: (value: T) => void = () => undefined): void {
    this.busy.set(true);
    this.error.set(null);
    call.subscribe({
      next: (value) => {
        this.busy.set(false);
        then(value);
        if (leave) void this.router.navigate(['/water']);
      },
      error: (error: ApiError) => {
        this.busy.set(false);
        this.error.set(error);
      },
    });
  }
}
