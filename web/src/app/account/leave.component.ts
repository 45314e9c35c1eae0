import { Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type AccountEffect, api } from '@doceo/contract';
import { ApiClient } from '../data/api/api-client';
import type { ApiError } from '../data/api/api-error';
import { fetched } from '../data/api/fetched';
import { SessionStore } from '../data/session';
import { TextFieldComponent } from '../parts/fields/text-field.component';
import { LoadFailedComponent } from '../shared/load-failed.component';

/** The end of an account, with what goes and what others keep told before. */
@Component({
  selector: 'doceo-leave',
  imports: [FormsModule, LoadFailedComponent, TextFieldComponent],
  template: `
    <h3>Delete the account</h3>
    @if (!deleting()) {
      <div><button type="button" class="btn" (click)="deleting.set(true)">See what would go</button></div>
    } @else if (effect.failed(); as problem) {
      <doceo-load-failed [problem]="problem" (again)="effect.again()" />
    } @else if (effect.value(); as all) {
      <p>For good: {{ counted(all) }}. Save the file first if you want to keep any of it.</p>
      @if (all.eventsKept > 0) {
        <p>{{ all.eventsKept }} entries about students of fellows stay in those records.</p>
      }
      @if (all.kept.length > 0) {
        <p>Others go on with:</p>
        <ul>
          @for (one of all.kept; track one.name) {
            <li>{{ one.what }} “{{ one.name }}”, then with {{ one.keeper }}</li>
          }
        </ul>
      }
      @if (all.circlesEnding.length > 0) {
        <p>Nobody else is in {{ all.circlesEnding.join(', ') }}: it ends.</p>
      }
      @if (all.circlesWithoutOwner.length > 0) {
        <p class="wrong" role="alert">
          {{ all.circlesWithoutOwner.join(', ') }} would be left without an owner. Make somebody else one
          first, under Circle.
        </p>
      } @else {
        <form novalidate (ngSubmit)="remove()">
          <doceo-text-field
            label="Your password"
            type="password"
            name="leave-password"
            autocomplete="current-password"
            [value]="password"
            [fault]="
              unsaid() ? 'it is needed' : refused() && (refused()?.at('password') ?? refused()?.message)
            "
            (typed)="password = $event; unsaid.set(false)"
          />
          <div class="row">
            <button type="submit" class="btn" [disabled]="busy()">Delete my account</button>
            <button type="button" class="btn plain" (click)="deleting.set(false)">Cancel</button>
          </div>
        </form>
      }
    } @else {
      <p class="soft" role="status">Counting …</p>
    }
  `,
  styleUrl: './account-part.css',
  styles: `
    ul {
      list-style: disc;
      margin: 0 0 8px;
      padding-left: 18px;
    }
  `,
})
export class LeaveComponent {
  private readonly client = inject(ApiClient);
  private readonly session = inject(SessionStore);
  protected password = '';
  protected readonly busy = signal(false);
  protected readonly refused = signal<ApiError | null>(null);
  protected readonly deleting = signal(false);
  /** Whether the account was to be deleted without its password. */
  protected readonly unsaid = signal(false);
  protected readonly effect = fetched(
    () => (this.deleting() ? true : null),
    () => this.client.call(api.account.deletionPreview),
  );

  protected remove(): void {
    this.unsaid.set(this.password === '');
    if (this.unsaid()) return;
    this.busy.set(true);
    this.refused.set(null);
    this.session.deleteAccount(this.password).subscribe({
      error: (error: ApiError) => {
        this.busy.set(false);
        this.refused.set(error);
      },
    });
  }

  protected counted(all: AccountEffect): string {
    const parts = (
      [
        [all.students, 'student', 'students'],
        [all.events, 'entry about them', 'entries about them'],
        [all.lessons, 'lesson', 'lessons'],
        [all.plans, 'plan', 'plans'],
        [all.rigs, 'rig', 'rigs'],
        [all.waters, 'water', 'waters'],
      ] as const
    ).flatMap(([n, one, many]) => (n === 0 ? [] : [`${n} ${n === 1 ? one : many}`]));
    return parts.length > 0 ? parts.join(', ') : 'the account itself, nothing else is in it';
  }
}
