import { signal } from '@angular/core';
import { catchError, concatMap, debounceTime, type Observable, of, Subject, switchMap } from 'rxjs';
import { sameJson } from '../same-json';
import { ApiError } from '../api/api-error';
import type { UserStorage } from '../device/user-storage';
import { History, type Undoable } from './history';
import type { KeptSteps } from './kept-steps';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'conflict' | 'refused';

/** Where a draft is kept on this device. */
export type DraftStore = Pick<UserStorage, 'get' | 'set' | 'remove'>;

/** A document as the server has it. */
export interface Stored<T> {
  value: T;
  version: number;
}

/** The same after a save. */
export interface Saved<T> extends Stored<T> {
  /** Of a save that took up what somebody else had saved: what that makes of a value that lacks it. */
  rebase?: (value: T) => T;
}

/** Where a document comes from and goes to. */
export interface DocumentSource<T> {
  /** Key of the copy kept on this device until the server has it. */
  key: string;
  load: () => Observable<Stored<T>>;
  save: (value: T, baseVersion: number) => Observable<Saved<T>>;
  /** What comes of two changes of one state, where they can be put together at all. */
  merge?: (base: T, mine: T, theirs: T) => Merged<T>;
  /** Told when two changes were put together without asking. */
  merged?: () => void;
}

/** Two changes put together. */
export interface Merged<T> {
  value: T;
  /** Whether something in it is asked first: till then it is as here. */
  asks: boolean;
}

interface Draft<T> {
  value: T;
  baseVersion: number;
  /** What it began with; drafts of before have none. */
  base?: T;
}

const SAVE_AFTER_MS = 700;

/**
 * A document under the hand: undo and redo, saved by itself a moment after each edit, a draft on this device until
 * the server has it, and a conflict told when somebody saved in between.
 */
export class EditedDocument<T> implements Undoable {
  private readonly current = signal<T | null>(null);
  private readonly history = new History<T>();
  private readonly saveState = signal<SaveState>('saved');
  private readonly problem = signal<ApiError | null>(null);
  private readonly other = signal<Stored<T> | null>(null);
  private readonly changed = new Subject<void>();
  private version = 0;
  /** What the server had under that version; null where that is not known any more. */
  private readonly begun = signal<T | null>(null);
  private run: string | null = null;

  readonly value = this.current.asReadonly();
  readonly state = this.saveState.asReadonly();
  /** Why the last save was refused. */
  readonly refusal = this.problem.asReadonly();
  /** What both states of a conflict began with; null where that is not known any more. */
  readonly base = this.begun.asReadonly();
  /** What the server holds while there is a conflict. */
  readonly theirs = this.other.asReadonly();
  readonly canUndo = this.history.canUndo;
  readonly canRedo = this.history.canRedo;

  constructor(
    private readonly source: DocumentSource<T>,
    private readonly drafts: DraftStore,
    private readonly kept: Pick<KeptSteps, 'leave' | 'take'> | null = null,
  ) {
    this.changed
      .pipe(
        debounceTime(SAVE_AFTER_MS),
        concatMap(() => this.save()),
      )
      .subscribe();
  }

  /** Loads it; a draft left on this device is taken up again. Errors go to the caller. */
  load(): Observable<unknown> {
    return this.source.load().pipe(
      switchMap(({ value, version }) => {
        this.beginsWith(value, version);
        const draft = this.readDraft();
        this.current.set(draft?.value ?? value);
        const steps = this.kept?.take(this.source.key, draft?.value ?? value);
        if (steps) this.history.resume(steps);
        if (!draft || sameJson(draft.value, value)) {
          this.dropDraft();
          return of(null);
        }
        this.beginsWith(draft.base ?? (draft.baseVersion === version ? value : null), draft.baseVersion);
        this.saveState.set('unsaved');
        this.changed.next();
        return of(null);
      }),
    );
  }

  /**
   * @param run names what is being typed: letters of one run are undone together
   */
  edit(change: (value: T) => T, run: string | null = null): void {
    const before = this.current();
    if (before === null) return;
    const after = change(before);
    if (after === before || sameJson(after, before)) return;
    if (run === null || run !== this.run) this.history.keep(before);
    this.run = run;
    this.put(after);
  }

  /** What is typed from now on is a step of its own. */
  endRun(): void {
    this.run = null;
  }

  undo(): void {
    this.step((now) => this.history.back(now));
  }

  redo(): void {
    this.step((now) => this.history.forth(now));
  }

  /** After a conflict: mine replaces theirs. */
  keepMine(): void {
    const theirs = this.other();
    if (!theirs) return;
    this.beginsWith(theirs.value, theirs.version);
    this.other.set(null);
    this.markUnsaved();
  }

  /** After a conflict: theirs replaces mine; undo brings mine back. */
  takeTheirs(): void {
    const theirs = this.other();
    const mine = this.current();
    if (!theirs || mine === null) return;
    this.beginsWith(theirs.value, theirs.version);
    this.other.set(null);
    this.history.keep(mine);
    this.current.set(theirs.value);
    this.saveState.set('saved');
    this.dropDraft();
  }

  /**
   * After a conflict: a value made of mine and theirs stands in the place of both; undo brings mine back.
   *
   * @param rebase what theirs makes of a step that lacks it
   */
  settle(value: T, rebase: (value: T) => T): void {
    const theirs = this.other();
    const mine = this.current();
    if (!theirs || mine === null) return;
    this.beginsWith(theirs.value, theirs.version);
    this.other.set(null);
    this.history.keep(mine);
    this.history.rebase(rebase);
    this.put(value);
  }

  /** The version that the value on the screen began with. */
  baseVersion(): number {
    return this.version;
  }

  private rebase(change: (value: T) => T): void {
    this.history.rebase(change);
    this.current.update((now) => (now === null ? null : change(now)));
  }

  /** Ends the document; what waits is saved at once. */
  close(): void {
    const now = this.current();
    if (now !== null) this.kept?.leave(this.source.key, now, this.history.steps());
    this.changed.complete();
  }

  private step(to: (now: T) => T | undefined): void {
    this.run = null;
    const now = this.current();
    const target = now === null ? undefined : to(now);
    if (target !== undefined) this.put(target);
  }

  private put(value: T): void {
    this.current.set(value);
    this.markUnsaved();
  }

  private markUnsaved(): void {
    this.writeDraft();
    if (this.saveState() === 'conflict' && this.other()) return;
    this.saveState.set('unsaved');
    this.changed.next();
  }

  private save(): Observable<unknown> {
    const value = this.current();
    if (value === null || this.other() || this.saveState() === 'saved') return of(null);
    this.saveState.set('saving');
    return this.source.save(value, this.version).pipe(
      switchMap((saved) => {
        this.beginsWith(saved.value, saved.version);
        this.problem.set(null);
        const edited = !sameJson(this.current(), value);
        if (saved.rebase) this.rebase(saved.rebase);
        if (!edited) {
          this.saveState.set('saved');
          this.dropDraft();
        } else {
          this.writeDraft();
        }
        return of(null);
      }),
      catchError((error: ApiError) =>
        error.code === 'version-conflict' ? this.meetConflict(value) : this.refuse(error),
      ),
    );
  }

  private refuse(error: ApiError): Observable<null> {
    this.problem.set(error);
    this.saveState.set('refused');
    return of(null);
  }

  /** A save that went through but whose answer was lost looks like a conflict with oneself, and is none. */
  private meetConflict(mine: T): Observable<unknown> {
    return this.source.load().pipe(
      switchMap((theirs) => {
        if (sameJson(theirs.value, mine)) {
          this.beginsWith(theirs.value, theirs.version);
          this.saveState.set('saved');
          this.dropDraft();
        } else if (!this.putTogether(theirs)) {
          this.other.set(theirs);
          this.saveState.set('conflict');
        }
        return of(null);
      }),
      catchError((error: ApiError) => this.refuse(error)),
    );
  }

  /** What both changed apart stands together without asking, and is saved; steps of undo have theirs in them too. */
  private putTogether({ value: theirs, version }: Stored<T>): boolean {
    const { merge, merged } = this.source;
    const [base, mine] = [this.begun(), this.current()];
    if (!merge || base === null || mine === null) return false;
    const both = merge(base, mine, theirs);
    if (both.asks) return false;
    this.history.rebase((step) => merge(base, step, theirs).value);
    this.beginsWith(theirs, version);
    this.put(both.value);
    merged?.();
    return true;
  }

  private beginsWith(value: T | null, version: number): void {
    this.begun.set(value);
    this.version = version;
  }

  private readDraft(): Draft<T> | null {
    const text = this.drafts.get(this.source.key);
    try {
      return text ? (JSON.parse(text) as Draft<T>) : null;
    } catch {
      return null;
    }
  }

  private writeDraft(): void {
    const draft = { value: this.current(), baseVersion: this.version, base: this.begun() ?? undefined };
    this.drafts.set(this.source.key, JSON.stringify(draft));
  }

  private dropDraft(): void {
    this.drafts.remove(this.source.key);
  }
}
