import { Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Curriculum, type Entries, type EntryKind, type Layer, type Strand, STRANDS } from '@doceo/core';
import { STRAND_NAMES } from '@doceo/texts';
import { type ChosenEntry, entryName, KIND_WORDS } from './chosen-entry';
import { listedEntries, type NamedEntry } from './listed-entries';
import { newDrill, newFault, newQuestion, newSkill } from './new-entries';

/** Entries listed at once; the rest are found by words. */
const MAX_LISTED = 60;

interface Listed extends NamedEntry {
  /** Whose it is, and whether it is retired. */
  mark: string;
  retired: boolean;
}

/** An entry that was begun, to be put into the layer. */
export type NewEntry = { [K in EntryKind]: { kind: K; entry: Entries[K] } }[EntryKind];

/** Drills, faults and questions of a skill, or whatever has the words one looks for; and the ways to begin another. */
@Component({
  selector: 'doceo-entry-list',
  imports: [FormsModule],
  templateUrl: './entry-list.component.html',
  styleUrl: './entry-list.component.css',
})
export class EntryListComponent {
  /** What is taught with the layer as it stands on the screen. */
  readonly curriculum = input.required<Curriculum>();
  readonly layer = input.required<Layer>();
  readonly chosen = input.required<ChosenEntry | null>();
  /** The skill whose drills, faults and questions are listed; null for all. */
  readonly skillId = input.required<string | null>();
  readonly editable = input.required<boolean>();
  readonly choose = output<ChosenEntry>();
  readonly added = output<NewEntry>();

  protected readonly kindWords = KIND_WORDS;
  protected readonly strands = STRANDS.map((strand) => ({ strand, name: STRAND_NAMES[strand] }));
  protected readonly words = signal('');

  protected readonly listed = computed<Listed[]>(() => {
    const words = this.words().trim().toLowerCase();
    return [
      ...listedEntries(this.curriculum(), words, this.skillId()).map((one) => ({
        ...one,
        retired: false,
        mark: this.markOf(one),
      })),
      ...this.retired().filter(({ name }) => !words || name.toLowerCase().includes(words)),
    ].slice(0, MAX_LISTED);
  });
  protected readonly listTitle = computed(() => {
    const skillId = this.skillId();
    return this.words().trim()
      ? 'Found'
      : skillId
        ? `For ${this.curriculum().skills.get(skillId).name.toLowerCase()}`
        : 'All of it';
  });
  private readonly retired = computed<Listed[]>(() =>
    this.layer().retired.map((one) => ({ ...one, retired: true, mark: 'retired', name: this.nameOf(one) })),
  );

  protected addSkill(strand: Strand): void {
    this.add({ kind: 'skill', entry: newSkill(strand) });
  }

  protected addDrill(): void {
    this.add({ kind: 'drill', entry: newDrill(this.curriculum(), this.skillId()) });
  }

  protected addFault(): void {
    this.add({ kind: 'fault', entry: newFault() });
  }

  protected addQuestion(): void {
    this.add({ kind: 'question', entry: newQuestion(this.curriculum(), this.skillId()) });
  }

  private add(one: NewEntry): void {
    this.words.set('');
    this.added.emit(one);
  }

  private nameOf({ kind, id }: ChosenEntry): string {
    const { skills, faults, drills, questions } = this.curriculum();
    return entryName({ skill: skills, fault: faults, drill: drills, question: questions }[kind].get(id));
  }

  private markOf({ kind, id }: ChosenEntry): string {
    const origin = this.curriculum().originOf(kind, id);
    if (!origin || origin.owner === 'shipped') return '';
    const whose = origin.owner === 'own' ? 'mine' : 'circle';
    return origin.covers ? `${whose}, changed` : `${whose}, new`;
  }
}
