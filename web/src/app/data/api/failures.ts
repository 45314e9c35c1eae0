import { inject, Injectable } from '@angular/core';
import { MessageService } from 'primeng/api';
import type { ApiError } from './api-error';

/** Tells what went wrong where there is no place of its own for it on the screen. */
@Injectable({ providedIn: 'root' })
export class Failures {
  private readonly messages = inject(MessageService);

  /** To be given to `subscribe` as it is. */
  readonly tell = (error: ApiError): void =>
    this.messages.add({ severity: 'error', summary: error.message, life: 8000 });
}
