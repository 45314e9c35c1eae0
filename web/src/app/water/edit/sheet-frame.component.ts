import { Component, computed, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { type BeatFault, formatLength, type Sheet } from '@doceo/core';
import type { EditedDocument } from '../../data/documents/edited-document';
import { SessionStore } from '../../data/session';
import { plainLength } from '../../parts/fields/plain-length';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { SaveStateComponent } from '../../shared/documents/save-state.component';
import { UndoRedoComponent } from '../../shared/documents/undo-redo.component';
import type { Palette } from './palette';
import { SheetEditorComponent } from './sheet-editor.component';

type AnySheet = Sheet<string>;

/** A drawing of a water under the hand: its name and size, undo, what is wrong with it, and the sheet. */
@Component({
  selector: 'doceo-sheet-frame',
  imports: [RouterLink, SaveStateComponent, SheetEditorComponent, TextFieldComponent, UndoRedoComponent],
  template: `
    <header class="row">
      <a class="btn small" routerLink="/water">To the water</a>
      <doceo-text-field
        class="name"
        [label]="what()"
        name="title"
        [most]="80"
        [value]="sheet().name"
        (changed)="rename($event)"
      />
      <doceo-text-field
        class="size"
        [label]="along()"
        [figures]="true"
        [value]="length(sheet().lengthM)"
        (changed)="resize('lengthM', $event)"
      />
      <doceo-text-field
        class="size"
        [label]="across()"
        [figures]="true"
        [value]="length(sheet().widthM)"
        (changed)="resize('widthM', $event)"
      />
      <doceo-save-state [state]="document().state()" />
      <span class="spread"></span>
      <doceo-undo-redo [of]="document()" />
      <ng-content select="[tools]" />
    </header>
    @if (wrongSize(); as fault) {
      <p class="wrong" role="alert">{{ fault }}</p>
    }
    @if (document().theirs()) {
      <p class="wrong" role="alert">
        It was saved elsewhere too.
        <button type="button" class="btn small" (click)="document().keepMine()">Keep this one</button>
        <button type="button" class="btn small" (click)="document().takeTheirs()">Take the other</button>
      </p>
    }
    @if (told().length > 0) {
      <div class="wrong" role="alert">
        <ul>
          @for (fault of told(); track $index) {
            <li>{{ fault }}</li>
          }
        </ul>
      </div>
    }
    <ng-content />
    <doceo-sheet-editor
      [sheet]="sheet()"
      [palette]="palette()"
      [units]="session.units()"
      [steps]="steps()"
      [faulty]="faulty()"
      (edited)="put($event)"
    />
  `,
  styles: `
    header {
      align-items: end;
      margin-bottom: 10px;
    }

    .name {
      flex: 0 1 240px;
    }

    .size {
      flex: 0 1 96px;
    }

    .wrong {
      color: var(--safety);
      margin: 6px 0;
    }

    .wrong ul {
      margin: 0;
      padding-left: 18px;
    }
  `,
  host: { class: 'bench-main', style: 'display: block' },
})
export class SheetFrameComponent {
  protected readonly session = inject(SessionStore);
  readonly document = input.required<EditedDocument<AnySheet>>();
  readonly palette = input.required<Palette<string>>();
  readonly what = input.required<string>();
  readonly along = input.required<string>();
  readonly across = input.required<string>();
  readonly steps = input.required<readonly number[]>();
  readonly faults = input.required<(sheet: AnySheet) => BeatFault[]>();
  readonly largestM = input.required<{ lengthM: number; widthM: number }>();
  readonly leastM = input.required<{ lengthM: number; widthM: number }>();

  protected readonly wrongSize = signal<string | null>(null);
  protected readonly sheet = computed(() => this.document().value() as AnySheet);
  private readonly found = computed(() => this.faults()(this.sheet()));
  protected readonly faulty = computed(
    () => new Set(this.found().flatMap(({ path }) => this.pieceAt(path)?.id ?? [])),
  );
  /** Each fault with the piece it is of; what only the server knows behind them. */
  protected readonly told = computed(() => {
    const own = this.found().map(({ path, message }) => {
      const piece = this.pieceAt(path);
      const corner = /shape\[(\d+)\]/.exec(path)?.[1];
      const where = piece
        ? `${this.palette().kinds.find(({ kind }) => kind === piece.kind)?.name ?? piece.kind} “${piece.name}”`
        : path;
      return `${where}${corner === undefined ? '' : `, corner ${Number(corner) + 1}`}: ${message}.`;
    });
    const refusal = this.document().refusal();
    return own.length > 0 || !refusal
      ? own
      : [refusal.message, ...refusal.issues.map(({ path, message }) => `${path} ${message}`)];
  });

  protected put(sheet: AnySheet): void {
    this.document().edit(() => sheet);
  }

  protected rename(name: string): void {
    if (name.trim()) this.document().edit((sheet) => ({ ...sheet, name: name.trim() }));
  }

  protected resize(side: 'lengthM' | 'widthM', text: string): void {
    const metres = plainLength(text, this.session.units());
    const [least, most] = [this.leastM()[side], this.largestM()[side]];
    const fits = metres !== null && metres >= least && metres <= most;
    this.wrongSize.set(
      fits ? null : `“${text}” does not do: from ${this.length(least)} to ${this.length(most)}.`,
    );
    if (fits) this.document().edit((sheet) => ({ ...sheet, [side]: metres }));
  }

  protected length(metres: number): string {
    return formatLength(metres, this.session.units());
  }

  private pieceAt(path: string): AnySheet['pieces'][number] | null {
    const index = /^pieces\[(\d+)\]/.exec(path)?.[1];
    return index === undefined ? null : (this.sheet().pieces[Number(index)] ?? null);
  }
}
