import { computed, inject, Injectable } from '@angular/core';
import { api } from '@doceo/contract';
import { type Question, questionsHere } from '@doceo/core';
import { hereQuestion } from '@doceo/texts';
import { ApiClient } from '../data/api/api-client';
import { fetched } from '../data/api/fetched';
import { DayStore } from '../data/lesson/day-store';
import { ReadingStore } from '../data/records/reading-store';
import { SessionStore } from '../data/session';
import { BankSession } from './bank-session';

/** Questions about the rig of the block, the water of the lesson and what was read there today. */
@Injectable()
export class QuestionsHere {
  private readonly client = inject(ApiClient);
  private readonly book = inject(BankSession);
  private readonly day = inject(DayStore);
  private readonly readings = inject(ReadingStore);
  private readonly session = inject(SessionStore);
  private readonly water = computed(() => this.day.waterOf(this.book.lesson()));
  private readonly beats = fetched(
    () => this.water()?.id ?? null,
    (id) => this.client.call(api.waters.beats, { params: { id } }),
  );

  constructor() {
    this.readings.load();
  }

  private readonly rig = computed(() => {
    const id = this.book.block()?.rigId;
    const rig = this.book.plan()?.body.rigs.find((one) => one.id === id)?.rig;
    return rig ? this.readings.known(rig, this.book.group.student()?.id ?? null) : null;
  });

  readonly questions = computed<Question[]>(() => {
    const water = this.water()?.water ?? null;
    const logged = this.book.bodies();
    return questionsHere(this.book.curriculum(), {
      rig: this.rig(),
      depthM: this.day.moment()?.waterId === this.water()?.id ? (this.day.spot()?.depthM ?? null) : null,
      lineM: this.book.drill()?.lineOutM ?? 0,
      rules: water?.rules ?? null,
      species: water?.species ?? [],
      waterC: logged.flatMap((body) => (body.kind === 'temperature' ? [body.celsius] : [])).at(-1) ?? null,
      beats: (this.beats.value() ?? []).map(({ beat }) => beat),
      stones: logged.flatMap((body) => (body.kind === 'stones' ? [body.counts] : [])),
    }).map((question) => hereQuestion(question, this.session.units()));
  });
}
