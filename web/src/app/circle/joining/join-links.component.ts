import { Component, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { api, type Circle, ROLES } from '@doceo/contract';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import { Sending } from '../../data/api/sending';
import { MadeLinkComponent } from '../../shared/made-link.component';

/** Links by which somebody joins without his address being asked: made, shown once with their code, closed. */
@Component({
  selector: 'doceo-join-links',
  imports: [FormsModule, MadeLinkComponent],
  template: `
    @if (made(); as link) {
      <doceo-made-link
        [address]="link.address"
        [label]="'Link that joins ' + circle().name"
        (done)="made.set(null)"
      >
        <p class="small">One person joins as {{ link.role }} by this, until {{ link.until }}.</p>
      </doceo-made-link>
    }
    @if (circle().links.length > 0) {
      <ul class="given">
        @for (link of circle().links; track link.id) {
          <li>
            <span class="small">a link, {{ link.role }}, until {{ day(link.until) }}</span>
            <button
              type="button"
              class="btn small plain"
              [attr.aria-label]="'Close it: the link for ' + link.role + ' until ' + day(link.until)"
              (click)="close(link.id)"
            >
              Close it
            </button>
          </li>
        }
      </ul>
    }
    <p class="small soft ask">Or by a link or its code, for one person:</p>
    <div class="row">
      <select [attr.aria-label]="'Role of who joins ' + circle().name + ' by a link'" [(ngModel)]="role">
        @for (option of roles; track option) {
          <option [value]="option">{{ option }}</option>
        }
      </select>
      <button type="button" class="btn" [disabled]="sending.busy()" (click)="make()">Make a link</button>
    </div>
    @if (sending.wrong(); as problem) {
      <p class="wrong" role="alert">{{ problem.message }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      margin-top: 10px;
    }
  `,
})
export class JoinLinksComponent {
  private readonly client = inject(ApiClient);
  readonly circle = input.required<Circle>();
  readonly changed = output<Circle>();

  protected readonly roles = ROLES;
  protected role: (typeof ROLES)[number] = 'editor';
  protected readonly sending = new Sending();
  /** The link that was just made: what it leads to is known now and never again. */
  protected readonly made = signal<{ id: string; address: string; role: string; until: string } | null>(null);

  protected day(at: string): string {
    return DateTime.fromISO(at).toFormat('d LLL yyyy');
  }

  protected make(): void {
    const id = crypto.randomUUID();
    const { role } = this;
    this.sending.send(
      this.client.call(api.circles.makeLink, { params: { id: this.circle().id }, body: { id, role } }),
      ({ circle, token }) => {
        const until = circle.links.find((link) => link.id === id)?.until ?? new Date().toISOString();
        this.made.set({ id, address: `${location.origin}/join#${token}`, role, until: this.day(until) });
        this.changed.emit(circle);
      },
    );
  }

  protected close(linkId: string): void {
    this.sending.send(
      this.client.call(api.circles.closeLink, { params: { id: this.circle().id, linkId } }),
      (circle) => {
        if (this.made()?.id === linkId) this.made.set(null);
        this.changed.emit(circle);
      },
    );
  }
}
