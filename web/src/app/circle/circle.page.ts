import { Component, computed, inject, type OnInit, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { api, type Circle, circleNameSchema, type PlanSummary, ROLES } from '@doceo/contract';
import { MessageService } from 'primeng/api';
import { ApiClient } from '../data/api-client';
import type { ApiError } from '../data/api-error';
import { SessionStore } from '../data/session';
import { PlanRowComponent } from '../plan/plan-row.component';

/** Circles, who is in them, and the plans shared there. */
@Component({
  selector: 'doceo-circle-page',
  imports: [FormsModule, PlanRowComponent],
  templateUrl: './circle.page.html',
  styleUrl: './circle.page.css',
})
export class CirclePage implements OnInit {
  private readonly client = inject(ApiClient);
  private readonly router = inject(Router);
  private readonly messages = inject(MessageService);
  protected readonly session = inject(SessionStore);
  protected readonly circles = signal<Circle[] | null>(null);
  protected readonly plans = signal<PlanSummary[]>([]);
  protected readonly error = signal<{ circleId: string | null; problem: ApiError } | null>(null);
  protected readonly roles = ROLES;
  protected readonly byCircle = computed(
    () =>
      new Map(
        (this.circles() ?? []).map(({ id }) => [id, this.plans().filter((plan) => plan.circleId === id)]),
      ),
  );
  protected name = '';
  protected email = '';
  protected role: (typeof ROLES)[number] = 'editor';

  ngOnInit(): void {
    this.client.call(api.circles.list).subscribe((circles) => this.circles.set(circles));
    this.client.call(api.plans.list).subscribe((plans) => this.plans.set(plans));
  }

  protected found(): void {
    if (!circleNameSchema.safeParse(this.name).success) return;
    this.client.call(api.circles.create, { body: { id: crypto.randomUUID(), name: this.name } }).subscribe({
      next: (circle) => {
        this.name = '';
        this.circles.update((list) => [...(list ?? []), circle]);
      },
      error: (problem: ApiError) => this.error.set({ circleId: null, problem }),
    });
  }

  protected add(circle: Circle): void {
    this.error.set(null);
    this.client
      .call(api.circles.addMember, {
        params: { id: circle.id },
        body: { email: this.email.trim(), role: this.role },
      })
      .subscribe({
        next: (changed) => {
          this.email = '';
          this.put(changed);
        },
        error: (problem: ApiError) => this.error.set({ circleId: circle.id, problem }),
      });
  }

  protected remove(circle: Circle, userId: string): void {
    this.client.call(api.circles.removeMember, { params: { id: circle.id, userId } }).subscribe({
      next: (changed) => this.put(changed),
      error: (problem: ApiError) => this.error.set({ circleId: circle.id, problem }),
    });
  }

  protected copy(plan: PlanSummary): void {
    const id = crypto.randomUUID();
    this.client.call(api.plans.copy, { params: { id: plan.id }, body: { id } }).subscribe({
      next: () => void this.router.navigate(['/plan', id]),
      error: (problem: ApiError) => this.messages.add({ severity: 'error', summary: problem.message }),
    });
  }

  protected unshare(plan: PlanSummary): void {
    this.client.call(api.plans.share, { params: { id: plan.id }, body: { circleId: null } }).subscribe({
      next: () => this.plans.update((list) => list.filter(({ id }) => id !== plan.id)),
      error: (problem: ApiError) => this.messages.add({ severity: 'error', summary: problem.message }),
    });
  }

  private put(circle: Circle): void {
    this.circles.update((list) => list?.map((other) => (other.id === circle.id ? circle : other)) ?? null);
  }
}
