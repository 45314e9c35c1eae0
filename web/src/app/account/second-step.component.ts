import { Component, inject, signal } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { FormsModule } from '@angular/forms';
import { api, codeOnlySchema, passwordOnlySchema, secondFactorEndSchema } from '@doceo/contract';
import type { Observable } from 'rxjs';
import { ApiClient } from '../data/api/api-client';
import type { ApiError } from '../data/api/api-error';
import { checked } from '../data/api/checked';
import { fetched } from '../data/api/fetched';
import { download } from '../data/download';
import { TextFieldComponent } from '../parts/fields/text-field.component';
import { LoadFailedComponent } from '../shared/load-failed.component';
import { QrCodeComponent } from '../shared/qr-code.component';

/** A code of the phone beside the password: set up in three steps, ended with password and code. */
@Component({
  selector: 'doceo-second-step',
  imports: [FormsModule, LoadFailedComponent, NgTemplateOutlet, QrCodeComponent, TextFieldComponent],
  templateUrl: './second-step.component.html',
  styleUrl: './account-part.css',
  styles: `
    ol {
      margin: 0;
      padding-left: 22px;
      display: grid;
      gap: 12px;
    }

    .codes {
      display: grid;
      grid-template-columns: repeat(2, max-content);
      gap: 4px 28px;
      font-size: 15px;
    }

    .secret {
      overflow-wrap: anywhere;
    }
  `,
})
export class SecondStepComponent {
  private readonly client = inject(ApiClient);
  protected readonly state = fetched(
    () => true,
    () => this.client.call(api.account.secondFactor),
  );
  /** What the phone is to read, once it was asked for. */
  protected readonly offer = signal<{ secret: string; address: string } | null>(null);
  protected readonly spareCodes = signal<readonly string[] | null>(null);
  /** Which form is open. */
  protected readonly doing = signal<'begin' | 'end' | null>(null);
  protected readonly busy = signal(false);
  protected readonly wrong = signal<ApiError | null>(null);
  protected password = '';
  protected code = '';

  protected turnTo(what: 'begin' | 'end' | null): void {
    this.doing.set(what);
    this.offer.set(null);
    this.wrong.set(null);
    this.password = this.code = '';
  }

  protected askForSecret(): void {
    const form = checked(passwordOnlySchema, { password: this.password });
    if ('error' in form) return this.wrong.set(form.error);
    this.send(this.client.call(api.account.offerSecondFactor, { body: form.data }), (offer) =>
      this.offer.set(offer),
    );
  }

  protected begin(): void {
    const form = checked(codeOnlySchema, { code: this.code });
    if ('error' in form) return this.wrong.set(form.error);
    this.send(this.client.call(api.account.beginSecondFactor, { body: form.data }), ({ spareCodes }) => {
      this.turnTo(null);
      this.spareCodes.set(spareCodes);
      this.state.again();
    });
  }

  protected end(): void {
    const form = checked(secondFactorEndSchema, { password: this.password, code: this.code });
    if ('error' in form) return this.wrong.set(form.error);
    this.send(this.client.call(api.account.endSecondFactor, { body: form.data }), () => {
      this.turnTo(null);
      this.spareCodes.set(null);
      this.state.again();
    });
  }

  protected save(): void {
    download('doceo-spare-codes.txt', `${(this.spareCodes() ?? []).join('\n')}\n`, 'text/plain');
  }

  /** A secret in groups of four, as one copies it by hand. */
  protected grouped(secret: string): string {
    return secret.match(/.{1,4}/g)?.join(' ') ?? secret;
  }

  private send<T>(call: Observable<T>, then: (value: T) => void): void {
    this.busy.set(true);
    this.wrong.set(null);
    call.subscribe({
      next: (value) => {
        this.busy.set(false);
        then(value);
      },
      error: (error: ApiError) => {
        this.busy.set(false);
        this.wrong.set(error);
      },
    });
  }
}
