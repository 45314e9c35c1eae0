import { Component, ElementRef, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { registerSchema } from '@doceo/contract';
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
  protected readonly busy = signal(false);
  protected readonly error = signal<ApiError | null>(null);
  protected name = '';
  protected email = '';
  protected password = '';

  /** To the other form, ready to be typed in. */
  protected turn(): void {
    this.registering.update((now) => !now);
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
    this.send(this.session.signIn(this.email, this.password));
  }

  protected useDemo(email: string, password: string): void {
    this.send(this.session.signIn(email, password));
  }

  private send(call: Observable<unknown>): void {
    this.busy.set(true);
    this.error.set(null);
    call.subscribe({
      next: () => {
        this.busy.set(false);
        this.done.emit();
      },
      error: (error: ApiError) => {
        this.busy.set(false);
        this.error.set(error);
      },
    });
  }
}
