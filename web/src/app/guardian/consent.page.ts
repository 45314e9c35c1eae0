import { Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { ActivatedRoute } from '@angular/router';
import { api, consentAnswerSchema, type ConsentPage as Page, consentRemovalSchema } from '@doceo/contract';
import { DateTime } from 'luxon';
import type { Observable } from 'rxjs';
import { ApiClient } from '../data/api/api-client';
import { fetched } from '../data/api/fetched';
import { Sending } from '../data/api/sending';
import { download, fileName } from '../data/download';
import { TextFieldComponent } from '../parts/fields/text-field.component';
import { LoadFailedComponent } from '../shared/load-failed.component';
import { deviceKey } from './device-key';
import { KeptForComponent } from './kept-for.component';

/** Behind a guardian's link: what would be kept of a minor, for how long and who sees it; yes, no, and everything after. */
@Component({
  selector: 'doceo-consent-page',
  imports: [FormsModule, KeptForComponent, LoadFailedComponent, TextFieldComponent],
  templateUrl: './consent.page.html',
  styleUrl: './consent.page.css',
})
export class ConsentPage {
  private readonly client = inject(ApiClient);
  protected readonly token = toSignal(inject(ActivatedRoute).fragment);
  private readonly key = computed(() => deviceKey(this.token() ?? ''));
  protected readonly page = fetched(
    () => this.token() || null,
    (token) => this.client.call(api.guardian.look, { body: { token, key: this.key() } }),
  );
  /** A link that leads nowhere is told as such; what may be there later is tried again. */
  protected readonly lost = computed(
    () => this.page.failed()?.code === 'not-found' || this.page.failed()?.code === 'invalid',
  );
  protected readonly seenBy = computed(() => {
    const { instructor = '', seenBy = [] } = this.page.value() ?? {};
    return [instructor, ...seenBy];
  });
  protected name = '';
  protected studentName = '';
  protected readonly sending = new Sending();
  protected readonly removing = signal(false);
  protected readonly gone = signal(false);

  protected day(at: string | null): string {
    return at === null ? '' : DateTime.fromISO(at).toFormat('d LLLL yyyy, HH:mm');
  }

  protected date(on: string): string {
    return DateTime.fromISO(on).toFormat('d LLLL yyyy');
  }

  protected answer(given: boolean): void {
    const form = this.sending.checked(consentAnswerSchema, {
      ...{ token: this.token(), key: this.key(), given, name: this.name || this.page.value()?.byName || '' },
    });
    if (form) this.send(this.client.once(api.guardian.answer, { body: form }));
  }

  protected takeBack(): void {
    this.send(this.client.once(api.guardian.takeBack, { body: this.held() }));
  }

  protected takeAlong(): void {
    this.sending.send(this.client.once(api.guardian.file, { body: this.held() }), (file) =>
      download(
        fileName(file.student.name, 'student.json'),
        `${JSON.stringify(file, null, 2)}\n`,
        'application/json',
      ),
    );
  }

  protected remove(): void {
    const form = this.sending.checked(consentRemovalSchema, {
      ...this.held(),
      studentName: this.studentName,
    });
    if (form)
      this.sending.send(this.client.once(api.guardian.remove, { body: form }), () => this.gone.set(true));
  }

  private held(): { token: string; key: string } {
    return { token: this.token() ?? '', key: this.key() };
  }

  private send(call: Observable<Page>): void {
    this.sending.send(call, (page) => this.page.update(() => page));
  }
}
