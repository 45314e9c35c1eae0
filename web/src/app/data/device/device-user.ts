import { Injectable, signal } from '@angular/core';

/** Whose the things on this device are that are read and written now; null while nobody is signed in. */
@Injectable({ providedIn: 'root' })
export class DeviceUser {
  private readonly current = signal<string | null>(null);
  readonly id = this.current.asReadonly();

  set(id: string | null): void {
    this.current.set(id);
  }
}
