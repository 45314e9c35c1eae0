import { Component, computed, inject, input, output, signal } from '@angular/core';
import {
  api,
  type Circle,
  type LayerFile,
  readLayerFile,
  type ShownLayer,
  writeLayerFile,
} from '@doceo/contract';
import {
  type Curriculum,
  ENTRY_KINDS,
  entriesOf,
  type EntryKind,
  type Layer,
  layerCounts,
} from '@doceo/core';
import { ApiClient } from '../data/api/api-client';
import { Failures } from '../data/api/failures';
import { fetched } from '../data/api/fetched';
import { download, fileName } from '../data/download';
import { sameJson } from '../data/same-json';
import { SessionStore } from '../data/session';
import { TeachingStore } from '../data/teaching/teaching-store';
import { OpenFileComponent } from '../parts/fields/open-file.component';
import { type ChosenEntry, entryName, KIND_WORDS } from './chosen-entry';

/** What a fellow shows, an entry a line. */
interface Offered extends ChosenEntry {
  name: string;
  /** Whether it is in this layer just so. */
  here: boolean;
}

/** Which layers lie over each other, and how they travel: as files, to the circle, from a colleague. */
@Component({
  selector: 'doceo-layers-panel',
  imports: [OpenFileComponent],
  templateUrl: './layers-panel.component.html',
  styleUrl: './layers-panel.component.css',
})
export class LayersPanelComponent {
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  private readonly session = inject(SessionStore);
  protected readonly store = inject(TeachingStore);
  /** The layer on the screen, and what lies below it. */
  readonly layer = input.required<Layer>();
  readonly below = input.required<Curriculum>();
  readonly mine = input(true);
  readonly editable = input(true);
  /** A whole layer is to be laid in the place of this one. */
  readonly taken = output<Layer>();
  /** Entries of another layer are to be put into this one. */
  readonly entries = output<{ kind: EntryKind; ids: readonly string[]; from: Layer }[]>();

  protected readonly read = readLayerFile;
  protected readonly kinds = KIND_WORDS;
  protected readonly said = signal('');
  protected readonly circles = fetched<true, Circle[]>(
    () => true,
    () => this.client.call(api.circles.list),
  );
  protected readonly shown = fetched<true, ShownLayer[]>(
    () => true,
    () => this.client.call(api.teaching.shown),
  );
  protected readonly open = signal<string | null>(null);
  protected readonly counts = computed(() =>
    layerCounts(this.layer(), { has: (kind, id) => has(this.below(), kind, id) }),
  );
  protected readonly shippedCounts = computed(() => {
    const { skills, drills } = this.below();
    return { skills: skills.all.length, drills: drills.all.length };
  });

  protected save(): void {
    const name = this.session.user()?.name ?? 'curriculum';
    download(fileName(name, 'curriculum.json'), writeLayerFile(name, this.layer()), 'application/json');
  }

  protected take(file: LayerFile): void {
    this.said.set(`${file.name}: laid in the place of what was here. Undo brings that back.`);
    this.taken.emit(file.layer);
  }

  protected show(circleId: string | null): void {
    this.client.call(api.teaching.show, { body: { circleId } }).subscribe({
      next: (teaching) => {
        this.store.heard(teaching);
        this.said.set(circleId ? 'Shown. Your fellows find it on this page.' : 'Shown to nobody.');
      },
      error: this.failures.tell,
    });
  }

  protected follow(circleId: string | null): void {
    this.client.call(api.teaching.follow, { body: { circleId } }).subscribe({
      next: (teaching) => this.store.heard(teaching),
      error: this.failures.tell,
    });
  }

  protected offered(layer: Layer): Offered[] {
    return ENTRY_KINDS.flatMap((kind) =>
      entriesOf(layer, kind).map((entry) => ({
        kind,
        id: entry.id,
        name: entryName(entry),
        here: entriesOf(this.layer(), kind).some((own) => sameJson(own, entry)),
      })),
    );
  }

  protected takeOne(from: Layer, { kind, id }: ChosenEntry, name: string): void {
    this.said.set(`“${name}” is yours now.`);
    this.entries.emit([{ kind, ids: [id], from }]);
  }

  protected takeAll(from: Layer, owner: string): void {
    this.said.set(`All of ${owner} is yours now. Undo takes it back.`);
    this.entries.emit(
      ENTRY_KINDS.map((kind) => ({ kind, ids: entriesOf(from, kind).map(({ id }) => id), from })),
    );
  }
}

/** Whether a curriculum has an entry, in force or retired. */
function has({ skills, faults, drills, questions }: Curriculum, kind: EntryKind, id: string): boolean {
  const shelves = { skill: skills, fault: faults, drill: drills, question: questions };
  return shelves[kind].find(id) !== undefined;
}
