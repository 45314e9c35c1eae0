import { Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import {
  api,
  type Circle,
  circleNameSchema,
  type Invitation,
  MAX_LISTED_PLANS,
  type PlanSummary,
  ROLES,
  type WorkedDrill,
} from '@doceo/contract';
import { forkJoin, type Observable } from 'rxjs';
import { ApiClient } from '../data/api/api-client';
import type { ApiError } from '../data/api/api-error';
import { Failures } from '../data/api/failures';
import { fetched } from '../data/api/fetched';
import { SessionStore } from '../data/session';
import { FinderComponent } from './finder/finder.component';
import { GoingOnComponent } from './going-on/going-on.component';
import { FetchingComponent } from '../shared/fetching.component';
import { LoadFailedComponent } from '../shared/load-failed.component';
import { PlanRowComponent } from '../shared/plan/plan-row.component';
import { ChoiceFieldComponent, NamedPipe } from '../parts/fields/choice-field.component';
import { TextFieldComponent } from '../parts/fields/text-field.component';
import { JoinLinksComponent } from './joining/join-links.component';
import { WorkedComponent } from './worked/worked.component';

/** What each role may do, in a word beside its name. */
const ROLE_TEXTS: Record<(typeof ROLES)[number], string> = {
  owner: 'owner: asks members in, gives roles',
  editor: 'editor: shares plans, draws waters',
  reader: 'reader: looks and takes copies',
};

/** Plans of a circle that are shown before somebody asks for all. */
const SHOWN = 8;

/** Circles, who is in them or asked to be, and the plans shared there. */
@Component({
  selector: 'doceo-circle-page',
  imports: [
    FetchingComponent,
    ChoiceFieldComponent,
    FinderComponent,
    FormsModule,
    GoingOnComponent,
    JoinLinksComponent,
    LoadFailedComponent,
    NamedPipe,
    PlanRowComponent,
    TextFieldComponent,
    WorkedComponent,
  ],
  templateUrl: './circle.page.html',
  styleUrl: './circle.page.css',
})
export class CirclePage {
  private readonly client = inject(ApiClient);
  private readonly router = inject(Router);
  private readonly failures = inject(Failures);
  protected readonly session = inject(SessionStore);
  protected readonly page = fetched(
    () => true,
    () =>
      forkJoin({
        circles: this.client.call(api.circles.list),
        plans: this.client.call(api.plans.list),
        asked: this.client.call(api.circles.invitations),
        news: this.client.call(api.news.list),
      }),
  );
  protected readonly circles = computed(() => this.page.value()?.circles ?? []);
  protected readonly asked = computed(() => this.page.value()?.asked ?? []);
  protected readonly error = signal<{ circleId: string | null; problem: ApiError } | null>(null);
  /** The circle about to be left, so that what follows is told before. */
  protected readonly leaving = signal<string | null>(null);
  protected readonly roles = ROLES.map((id) => ({ id, text: ROLE_TEXTS[id] }));
  /** Whether only the newest plans are here. */
  protected readonly isCut = computed(() => (this.page.value()?.plans.length ?? 0) >= MAX_LISTED_PLANS);
  protected readonly byCircle = computed(() => {
    const plans = this.page.value()?.plans ?? [];
    return new Map(
      this.circles().map(({ id }) => {
        const shared = plans.filter((plan) => plan.circleId === id);
        return [id, { shown: this.whole().has(id) ? shared : shared.slice(0, SHOWN), of: shared.length }];
      }),
    );
  });
  /** Circles of which all plans are shown. */
  private readonly whole = signal<ReadonlySet<string>>(new Set());
  /** What schools told of drills. */
  protected readonly worked = signal<readonly WorkedDrill[]>([]);
  /** The circle of which it is told what worked. */
  protected readonly lookedAt = signal<string | null>(null);
  protected readonly looked = computed(
    () => this.circles().find(({ id }) => id === this.lookedAt()) ?? this.circles()[0] ?? null,
  );
  protected readonly emails: Record<string, string> = {};
  protected name = '';
  /** Whether a circle was to be started without a name. */
  protected readonly unnamed = signal(false);
  protected role: (typeof ROLES)[number] = 'editor';

  protected showAll(circleId: string): void {
    this.whole.update((before) => new Set(before).add(circleId));
  }

  protected found(): void {
    this.unnamed.set(!circleNameSchema.safeParse(this.name).success);
    if (this.unnamed()) return;
    this.client.call(api.circles.create, { body: { id: crypto.randomUUID(), name: this.name } }).subscribe({
      next: (circle) => {
        this.name = '';
        this.page.update((page) => ({ ...page, circles: [...page.circles, circle] }));
      },
      error: (problem: ApiError) => this.error.set({ circleId: null, problem }),
    });
  }

  protected invite({ id }: Circle): void {
    const body = { email: (this.emails[id] ?? '').trim(), role: this.role };
    this.change(id, this.client.call(api.circles.invite, { params: { id }, body }), () => {
      this.emails[id] = '';
    });
  }

  protected withdraw({ id }: Circle, email: string): void {
    this.change(id, this.client.call(api.circles.withdraw, { params: { id, email } }));
  }

  protected setRole({ id }: Circle, userId: string, role: (typeof ROLES)[number]): void {
    this.change(id, this.client.call(api.circles.setRole, { params: { id, userId }, body: { role } }));
  }

  /** The member of whom it is asked whether he is to go: joining again takes an invitation. */
  protected readonly takingOut = signal<string | null>(null);

  protected remove({ id }: Circle, userId: string): void {
    this.takingOut.set(null);
    this.error.set(null);
    this.client.call(api.circles.removeMember, { params: { id, userId } }).subscribe({
      next: () => this.page.again(),
      error: (problem: ApiError) => this.error.set({ circleId: id, problem }),
    });
  }

  protected leave({ id }: Circle): void {
    this.error.set(null);
    this.client.call(api.circles.leave, { params: { id } }).subscribe({
      next: () => {
        this.leaving.set(null);
        this.page.again();
      },
      error: (problem: ApiError) => this.error.set({ circleId: id, problem }),
    });
  }

  /** Whether the others would be left without an owner. */
  protected lastOwner({ role, members }: Circle): boolean {
    const owners = members.filter((member) => member.role === 'owner').length;
    return role === 'owner' && owners === 1 && members.length > 1;
  }

  protected answer({ circleId }: Invitation, accept: boolean): void {
    this.client
      .call(api.circles.answer, { params: { id: circleId }, body: { accept } })
      .subscribe({ next: () => this.page.again(), error: this.failures.tell });
  }

  protected copy(plan: PlanSummary): void {
    const id = crypto.randomUUID();
    this.client.call(api.plans.copy, { params: { id: plan.id }, body: { id } }).subscribe({
      next: () => void this.router.navigate(['/plan', id]),
      error: this.failures.tell,
    });
  }

  /** My plan is private again, or another's is taken out of a circle of mine. */
  protected unshare(plan: PlanSummary): void {
    this.client.call(api.plans.share, { params: { id: plan.id }, body: { circleId: null } }).subscribe({
      next: () =>
        this.page.update((page) => ({ ...page, plans: page.plans.filter(({ id }) => id !== plan.id) })),
      error: this.failures.tell,
    });
  }

  protected replace(changed: Circle): void {
    this.page.update((page) => ({
      ...page,
      circles: page.circles.map((circle) => (circle.id === changed.id ? changed : circle)),
    }));
  }

  private change(circleId: string, call: Observable<Circle>, done: () => void = () => undefined): void {
    this.error.set(null);
    call.subscribe({
      next: (changed) => {
        done();
        this.replace(changed);
      },
      error: (problem: ApiError) => this.error.set({ circleId, problem }),
    });
  }
}
