import { DestroyRef, inject, signal } from '@angular/core';
import type { ApiError } from '../api/api-error';
import { UserStorage } from '../device/user-storage';
import { KeptSteps } from './kept-steps';
import { type DocumentSource, EditedDocument } from './edited-document';

/** The document of a screen: on its way, there, or why not. It is closed with the screen. Make it where things are injected. */
export class OpenDocument<T> {
  private readonly storage = inject(UserStorage);
  private readonly kept = inject(KeptSteps);
  private readonly opened = signal<EditedDocument<T> | null>(null);
  private readonly problem = signal<ApiError | null>(null);
  readonly document = this.opened.asReadonly();
  readonly failed = this.problem.asReadonly();

  constructor() {
    inject(DestroyRef).onDestroy(() => this.opened()?.close());
  }

  open(source: DocumentSource<T>): void {
    const document = new EditedDocument<T>(source, this.storage, this.kept);
    document.load().subscribe({
      next: () => this.opened.set(document),
      error: (error: ApiError) => this.problem.set(error),
    });
  }
}
