import { Component, ElementRef, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { lostPasswordSchema, registerSchema } from '@doceo/contract';
import type { Observable } from 'rxjs';
import { ApiError } from '../data/api/api-error';
import { SessionStore } from '../data/session';
import { TextFieldComponent } from '../parts/fields/text-field.component';
import { checked } from '../data/api/checked';

/** Sign in or make an account. In demo mode the demo accounts are one click away. */
@Component({
  selector: 'doceo-sign-in',
  imports: [FormsModule, TextFieldComponent],
  templateUrl: './sign-in.component.html',
  styleUrl: './sign-in.component.css',
})
export class SignInComponent {
  protected readonly session = inject(SessionStore);
  private readonly host: HTMLElement = inject(ElementRef<HTMLElement>).nativeElement;
  readonly done = output<void>();

  protected readonly registering = signal(false);
  /** Whether somebody asks for a new password. */
  protected readonly lost = signal(false);
  /** The address that a letter was asked for. */
  protected readonly askedFor = signal<string | null>(null);
  /** The address to which the letter goes that makes the account. */
  protected readonly written = signal<string | null>(null);
  /** Whether the account wants a code of the phone. */
  protected readonly asksCode = signal(false);
  protected readonly busy = signal(false);
  protected readonly error = signal<ApiError | null>(null);
  protected name = '';
  protected email = '';
  protected password = '';
  protected code = '';

  /** To what is asked of who lost his password, and back. */
  protected turnLost(): void {
    this.lost.update((now) => !now);
    this.askedFor.set(null);
    this.error.set(null);
    setTimeout(() => this.host.querySelector<HTMLElement>('form input')?.focus());
  }

  protected askForLetter(): void {
    const form = checked(lostPasswordSchema, { email: this.email });
    if ('error' in form) return this.error.set(form.error);
    this.busy.set(true);
    this.error.set(null);
    this.session.lost(form.data.email).subscribe({
      next: () => {
        this.busy.set(false);
        this.askedFor.set(form.data.email);
      },
      error: (error: ApiError) => this.failed(error),
    });
  }

  /** To the other form, ready to be typed in. */
  protected turn(): void {
    this.registering.update((now) => !now);
    this.written.set(null);
    this.error.set(null);
    setTimeout(() => this.host.querySelector<HTMLElement>('form input')?.focus());
  }

  protected submit(): void {
    if (this.registering()) {
      const form = checked(registerSchema, {
        name: this.name,
        email: this.email,
        password: this.password,
      });
      if ('error' in form) return this.error.set(form.error);
      return this.send(this.session.register(this.name, this.email, this.password));
    }
    this.send(this.session.signIn(this.email, this.password, this.asksCode() ? this.code : ''));
  }

  protected useDemo(email: string, password: string): void {
    this.send(this.session.signIn(email, password));
  }

  private send(call: Observable<unknown>): void {
    this.busy.set(true);
    this.error.set(null);
    call.subscribe({
      next: (session) => {
        this.busy.set(false);
        if (session) this.done.emit();
        else this.written.set(this.email);
      },
      error: (error: ApiError) => this.failed(error),
    });
  }

  private failed(error: ApiError): void {
    this.busy.set(false);
    this.error.set(error);
    if (!error.issues.some(({ path }) => path === 'code') || this.asksCode()) return;
    this.asksCode.set(true);
    setTimeout(() => this.host.querySelector<HTMLElement>('input[name=code]')?.focus());
  }
}
