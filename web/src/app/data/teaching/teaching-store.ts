import { computed, inject, Injectable, signal } from '@angular/core';
import { api, type Teaching } from '@doceo/contract';
import {
  type Curriculum,
  type Layer,
  type OwnedLayer,
  resolveCurriculum,
  type Question,
  SHIPPED_BASICS,
} from '@doceo/core';
import { catchError, type Observable, of, tap } from 'rxjs';
import { ApiClient } from '../api/api-client';
import { UserStorage } from '../device/user-storage';
import { sameJson } from '../same-json';

/** What the signed-in instructor teaches: his layer over that of his circle over what ships. Kept for the bank. */
@Injectable({ providedIn: 'root' })
export class TeachingStore {
  private readonly client = inject(ApiClient);
  private readonly kept = inject(UserStorage).value<Teaching | null>('teaching', null);

  /** null until it was heard of once on this device. */
  readonly teaching = this.kept.asReadonly();
  readonly curriculum = computed<Curriculum>(() => this.resolved(this.layers()));
  /** Questions that ship come after the first screen. */
  private readonly questions = signal<readonly Question[]>([]);
  /** Whether the server was asked since the start. */
  readonly loaded = signal(false);

  private readonly layers = computed<OwnedLayer[]>(
    () => {
      const { circle, own } = this.kept() ?? {};
      return [
        ...(circle && circle.version > 0 ? [{ owner: 'circle' as const, layer: circle.layer }] : []),
        ...(own && own.version > 0 ? [{ owner: 'own' as const, layer: own.layer }] : []),
      ];
    },
    { equal: sameJson },
  );

  /** Asks the server; a failure leaves what this device knows. */
  load(): Observable<Teaching | null> {
    if (this.questions().length === 0)
      void import('./shipped-questions').then(({ SHIPPED_QUESTIONS }) =>
        this.questions.set(SHIPPED_QUESTIONS),
      );
    return this.client.call(api.teaching.get).pipe(
      tap((teaching) => this.heard(teaching)),
      catchError(() => of(null)),
    );
  }

  /** What a call answered. */
  heard(teaching: Teaching): void {
    this.kept.set(teaching);
    this.loaded.set(true);
  }

  /**
   * The curriculum with another layer of the user's own, or of his circle. Below that of the circle only what ships lies,
   * and nothing over it: so it is for those who have no layer of their own.
   */
  curriculumWith(owner: 'own' | 'circle', layer: Layer): Curriculum {
    const lower = owner === 'own' ? this.layers().filter((one) => one.owner === 'circle') : [];
    return this.resolved([...lower, { owner, layer }]);
  }

  private resolved(layers: readonly OwnedLayer[]): Curriculum {
    const shipped = { ...SHIPPED_BASICS, questions: [...this.questions()] };
    return resolveCurriculum([{ owner: 'shipped', layer: shipped }, ...layers]);
  }
}
