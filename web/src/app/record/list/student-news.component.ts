import { Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, type ConsentNews } from '@doceo/contract';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { DayStore } from '../../data/lesson/day-store';

/** What a guardian's silence is told after, days. */
const PATIENT_DAYS = 3;

/** What is new of students: a guardian's word that waits or ended the recording, and what came from home. Nothing else. */
@Component({
  selector: 'doceo-student-news',
  imports: [RouterLink],
  template: `
    @for (one of lines(); track one.text) {
      <p [class.ends]="one.ends">
        {{ one.text }} <a [routerLink]="['/record', one.studentId]">{{ one.name }}’s record</a>
      </p>
    }
  `,
  styles: `
    p {
      border-left: 5px solid var(--line);
      background: var(--sheet);
      padding: 8px 14px;
      margin: 8px 0;
      overflow-wrap: anywhere;
    }

    .ends {
      border-left-color: var(--safety);
    }
  `,
})
export class StudentNewsComponent {
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  private readonly news = fetched(
    () => true,
    () => this.client.call(api.consents.news),
  );
  private readonly home = fetched(
    () => true,
    () => this.client.call(api.pages.news),
  );
  protected readonly lines = computed(() => [...this.consents(), ...this.fromHome()]);
  private readonly fromHome = computed(() =>
    (this.home.value() ?? []).flatMap(({ studentId, entries }) => {
      const name = this.nameOf(studentId);
      return name
        ? [{ studentId, name, text: `${name} practised at home: ${entries} to look at first.`, ends: false }]
        : [];
    }),
  );
  private readonly consents = computed(() =>
    (this.news.value() ?? []).flatMap((one) => {
      const name = this.nameOf(one.studentId);
      const text = name && toldOf(one, name);
      return text
        ? [
            {
              studentId: one.studentId,
              name,
              text,
              ends: one.state === 'taken-back' || one.state === 'refused',
            },
          ]
        : [];
    }),
  );

  private nameOf(studentId: string): string | undefined {
    return this.day.students().find(({ id }) => id === studentId)?.student.name;
  }
}

function toldOf({ state, byName, at }: ConsentNews, name: string): string | null {
  const on = DateTime.fromISO(at).toFormat('d LLL');
  switch (state) {
    case 'taken-back':
      return `${byName} took back the consent for ${name} on ${on}: nothing is recorded any more.`;
    case 'refused':
      return `${byName} said no for ${name} on ${on}: nothing is recorded.`;
    case 'look':
      return `“${byName}” agreed for ${name}. Say whether that is the guardian.`;
    case 'over':
      return `Nobody answered for ${name}, and the link has run out.`;
    case 'asked':
      return Date.now() - Date.parse(at) > PATIENT_DAYS * 86_400_000
        ? `The guardian of ${name} has not answered since ${on}.`
        : null;
    case 'given':
      return null;
  }
}
