import { Component, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type AccountEffect, api, passwordChangeSchema } from '@doceo/contract';
import { MessageService } from 'primeng/api';
import { ApiClient } from '../data/api/api-client';
import { ApiError } from '../data/api/api-error';
import { fetched } from '../data/api/fetched';
import { SessionStore } from '../data/session';
import { DialogComponent } from '../parts/dialog.component';
import { LoadFailedComponent } from '../shared/load-failed.component';
import { TextFieldComponent } from '../parts/fields/text-field.component';
import { checked } from '../data/api/checked';

/** One's own account: another password, or an end of it, with what goes and what others keep told before. */
@Component({
  selector: 'doceo-account-dialog',
  imports: [DialogComponent, FormsModule, LoadFailedComponent, TextFieldComponent],
  template: `
    <doceo-dialog heading="Your account" [width]="520" (closed)="closed.emit()">
      <p class="who">
        <b>{{ session.user()?.name }}</b> <span class="figure">{{ session.user()?.email }}</span>
      </p>
      <h3>Another password</h3>
      <form class="body" (ngSubmit)="change()">
        <doceo-text-field
          label="The one you have"
          type="password"
          name="current"
          autocomplete="current-password"
          [value]="current"
          [fault]="wrong()?.at('current') && (current ? wrong()?.at('current') : 'it is needed to change it')"
          (typed)="current = $event"
        />
        <doceo-text-field
          label="The new one, ten characters or more"
          type="password"
          name="next"
          autocomplete="new-password"
          [value]="next"
          [fault]="wrong()?.at('next')"
          (typed)="next = $event"
        />
        @if (wrong()?.issues?.length === 0) {
          <p class="wrong" role="alert">{{ wrong()?.message }}</p>
        }
        <div class="row">
          <button type="submit" class="btn go" [disabled]="busy()">Change it</button>
          <span class="small soft">You are signed out everywhere else.</span>
        </div>
      </form>

      <h3>Delete the account</h3>
      @if (!deleting()) {
        <button type="button" class="btn" (click)="deleting.set(true)">See what would go</button>
      } @else if (effect.failed(); as problem) {
        <doceo-load-failed [problem]="problem" (again)="effect.again()" />
      } @else if (effect.value(); as all) {
        <p>
          For good: {{ counted(all) }}. Save what you want to keep first: a student’s record under Record,
          rigs and waters on their screens.
        </p>
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
          <form class="body" (ngSubmit)="remove()">
            <doceo-text-field
              label="Your password"
              type="password"
              name="password"
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
    </doceo-dialog>
  `,
  styles: `
    :host {
      white-space: normal;
    }

    .body {
      display: grid;
      gap: 10px;
    }

    h3 {
      margin: 16px 0 6px;
    }

    .who {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 10px;
      overflow-wrap: anywhere;
    }

    ul {
      margin: 0 0 8px;
      padding-left: 18px;
    }
  `,
})
export class AccountDialogComponent {
  private readonly client = inject(ApiClient);
  private readonly messages = inject(MessageService);
  protected readonly session = inject(SessionStore);
  readonly closed = output<void>();

  protected current = '';
  protected next = '';
  protected password = '';
  protected readonly busy = signal(false);
  protected readonly wrong = signal<ApiError | null>(null);
  protected readonly refused = signal<ApiError | null>(null);
  protected readonly deleting = signal(false);
  /** Whether the account was to be deleted without its password. */
  protected readonly unsaid = signal(false);
  protected readonly effect = fetched(
    () => (this.deleting() ? true : null),
    () => this.client.call(api.account.deletionPreview),
  );

  protected change(): void {
    const form = checked(passwordChangeSchema, { current: this.current, next: this.next });
    if ('error' in form) return this.wrong.set(form.error);
    this.busy.set(true);
    this.wrong.set(null);
    this.session.changePassword(this.current, this.next).subscribe({
      next: () => {
        this.messages.add({ severity: 'success', summary: 'The password is changed', life: 3000 });
        this.closed.emit();
      },
      error: (error: ApiError) => {
        this.busy.set(false);
        this.wrong.set(error);
      },
    });
  }

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
