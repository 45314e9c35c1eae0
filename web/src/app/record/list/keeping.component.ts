import { Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { api, type Keeping, keepingChangeSchema, type KeepingRule } from '@doceo/contract';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { Sending } from '../../data/api/sending';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';

/** What is put there for whoever sets a rule for the first time: two seasons, and a year more. Typical, and his to change. */
const TYPICAL: KeepingRule = { entryMonths: 24, studentMonths: 36 };

/** Lines that are shown before more are asked for. */
const SHOWN = 8;

/** How long records are kept: the rules of the circles and one's own, and what goes next by the shortest of them. */
@Component({
  selector: 'doceo-keeping',
  imports: [ChoiceFieldComponent, FormsModule, LoadFailedComponent, RouterLink, TextFieldComponent],
  templateUrl: './keeping.component.html',
  styles: `
    :host {
      display: block;
      margin-top: 28px;
      max-width: 640px;
    }

    h3 {
      margin-top: 12px;
    }

    ul {
      list-style: none;
      margin: 8px 0;
      padding: 0;
    }

    li {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 14px;
      border-bottom: 1px solid var(--line);
      padding: 6px 0;
      overflow-wrap: anywhere;
    }

    form {
      display: grid;
      gap: 8px;
      max-width: 420px;
      margin-top: 10px;
    }
  `,
})
export class KeepingComponent {
  private readonly client = inject(ApiClient);
  protected readonly keeping = fetched(
    () => true,
    () => this.client.call(api.keeping.get),
  );
  protected readonly sentence = computed(() => ruleText(this.keeping.value()?.rule ?? null));
  /** Whose rules the user may set: his own, and those of circles that he governs. */
  protected readonly places = computed(() => [
    { value: 'own', text: 'my own records' },
    ...(this.keeping.value()?.circles ?? [])
      .filter(({ mine }) => mine)
      .map(({ circleId, name }) => ({ value: circleId, text: `all who teach in ${name}` })),
  ]);
  /** Of whom is told at first what goes; all that came once it is asked for. */
  protected readonly first = SHOWN;
  protected readonly whole = signal(false);
  protected readonly setting = signal(false);
  protected readonly place = signal('own');
  protected entryMonths = '';
  protected studentMonths = '';
  protected readonly hasRule = computed(() => this.ruleAt(this.place()) !== null);
  protected readonly sending = new Sending();

  protected told(rule: KeepingRule | null): string {
    return ruleText(rule);
  }

  protected day(on: string): string {
    return DateTime.fromISO(on).toFormat('d LLL yyyy');
  }

  protected begin(): void {
    this.choose(this.place());
    this.sending.clear();
    this.setting.set(true);
  }

  protected choose(place: string | null): void {
    this.place.set(place ?? 'own');
    const { entryMonths, studentMonths } = this.ruleAt(this.place()) ?? TYPICAL;
    this.entryMonths = String(entryMonths);
    this.studentMonths = String(studentMonths);
  }

  protected save(): void {
    const form = this.sending.checked(keepingChangeSchema, {
      rule: { entryMonths: monthsOf(this.entryMonths), studentMonths: monthsOf(this.studentMonths) },
    });
    if (form) this.send(form);
  }

  protected end(): void {
    this.send({ rule: null });
  }

  private send(body: { rule: KeepingRule | null }): void {
    const place = this.place();
    this.sending.send(
      place === 'own'
        ? this.client.call(api.keeping.own, { body })
        : this.client.call(api.keeping.ofCircle, { params: { id: place }, body }),
      (keeping) => {
        this.keeping.update(() => keeping);
        this.setting.set(false);
      },
    );
  }

  private ruleAt(place: string): KeepingRule | null {
    const { own = null, circles = [] }: Partial<Keeping> = this.keeping.value() ?? {};
    return place === 'own' ? own : (circles.find(({ circleId }) => circleId === place)?.rule ?? null);
  }
}

const monthsOf = (text: string): number => (/^\s*\d{1,4}\s*$/.test(text) ? Number(text) : Number.NaN);

function ruleText(rule: KeepingRule | null): string {
  if (!rule) return 'for as long as the student is not deleted';
  const { entryMonths, studentMonths } = rule;
  return `entries ${entryMonths} months, all of a student ${studentMonths} months after the last lesson`;
}
