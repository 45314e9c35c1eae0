import { Component, ElementRef, inject, signal } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { FormsModule } from '@angular/forms';
import { api, codeOnlySchema, passwordOnlySchema, secondFactorEndSchema } from '@doceo/contract';
import { ApiClient } from '../data/api/api-client';
import { Sending } from '../data/api/sending';
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

    .looking {
      min-height: 72px;
    }

    @media (max-width: 700px) {
      .looking {
        min-height: 92px;
      }
    }
  `,
})
export class SecondStepComponent {
  private readonly client = inject(ApiClient);
  private readonly host: HTMLElement = inject(ElementRef<HTMLElement>).nativeElement;
  protected readonly state = fetched(
    () => true,
    () => this.client.call(api.account.secondFactor),
  );
  /** What the phone is to read, once it was asked for. */
  protected readonly offer = signal<{ secret: string; address: string } | null>(null);
  protected readonly spareCodes = signal<readonly string[] | null>(null);
  /** Which form is open. */
  protected readonly doing = signal<'begin' | 'end' | null>(null);
  protected readonly copied = signal(false);
  protected readonly sending = new Sending();
  protected password = '';
  protected code = '';

  protected turnTo(what: 'begin' | 'end' | null): void {
    this.doing.set(what);
    this.offer.set(null);
    this.sending.clear();
    this.password = this.code = '';
  }

  protected askForSecret(): void {
    const form = this.sending.checked(passwordOnlySchema, { password: this.password });
    if (form)
      this.sending.send(this.client.call(api.account.offerSecondFactor, { body: form }), (offer) => {
        this.offer.set(offer);
        this.copied.set(false);
        setTimeout(() => this.host.querySelector<HTMLElement>('input[name=first-code]')?.focus());
      });
  }

  protected begin(): void {
    const form = this.sending.checked(codeOnlySchema, { code: this.code });
    if (form)
      this.sending.send(this.client.call(api.account.beginSecondFactor, { body: form }), ({ spareCodes }) =>
        this.ended(spareCodes),
      );
  }

  protected end(): void {
    const form = this.sending.checked(secondFactorEndSchema, { password: this.password, code: this.code });
    if (form)
      this.sending.send(this.client.call(api.account.endSecondFactor, { body: form }), () =>
        this.ended(null),
      );
  }

  protected async copy(secret: string): Promise<void> {
    await navigator.clipboard.writeText(secret);
    this.copied.set(true);
  }

  protected save(): void {
    download('doceo-spare-codes.txt', `${(this.spareCodes() ?? []).join('\n')}\n`, 'text/plain');
  }

  /** A secret in groups of four, as one copies it by hand. */
  protected grouped(secret: string): string {
    return secret.match(/.{1,4}/g)?.join(' ') ?? secret;
  }

  /** It is on, with spare codes to keep, or off. */
  private ended(spareCodes: readonly string[] | null): void {
    this.turnTo(null);
    this.spareCodes.set(spareCodes);
    this.state.again();
  }
}
