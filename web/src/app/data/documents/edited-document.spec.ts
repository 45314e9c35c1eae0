import { of, Subject, throwError } from 'rxjs';
import { ApiError } from '../api/api-error';
import { type DraftStore, EditedDocument } from './edited-document';
import type { Steps } from './history';
import type { KeptSteps } from './kept-steps';

interface Value {
  text: string;
}

describe('a document under the hand', () => {
  let drafts: Map<string, string>;
  const store: DraftStore = {
    get: (key) => drafts.get(key) ?? null,
    set: (key, text) => void drafts.set(key, text),
    remove: (key) => void drafts.delete(key),
  };
  beforeEach(() => {
    drafts = new Map();
    jest.useFakeTimers();
  });
  afterEach(() => jest.useRealTimers());

  const open = (save: jest.Mock, stored = { value: { text: 'a' }, version: 1 }) => {
    const document = new EditedDocument<Value>({ key: 'draft', load: () => of(stored), save }, store);
    document.load().subscribe();
    return document;
  };
  const write = (document: EditedDocument<Value>, text: string): void => document.edit(() => ({ text }));

  it('saves a moment after the last edit, once, on the version it came from', () => {
    const save = jest.fn((value: Value) => of({ value, version: 2 }));
    const document = open(save);
    write(document, 'b');
    write(document, 'c');
    expect(document.state()).toBe('unsaved');
    jest.advanceTimersByTime(1000);
    expect(save.mock.calls).toEqual([[{ text: 'c' }, 1]]);
    expect(document.state()).toBe('saved');
    expect(drafts.size).toBe(0);
  });

  it('undoes and redoes, and an edit ends what can be redone', () => {
    const document = open(jest.fn((value: Value) => of({ value, version: 2 })));
    write(document, 'b');
    write(document, 'c');
    document.undo();
    expect(document.value()?.text).toBe('b');
    document.redo();
    expect(document.value()?.text).toBe('c');
    document.undo();
    write(document, 'd');
    expect(document.canRedo()).toBe(false);
  });

  it('undoes what was typed in one run together, and each run by itself', () => {
    const document = open(jest.fn((value: Value) => of({ value, version: 2 })));
    for (const text of ['ab', 'abc', 'abcd']) document.edit(() => ({ text }), 'title');
    document.endRun();
    document.edit(() => ({ text: 'abcde' }), 'title');
    write(document, 'z');
    document.undo();
    document.undo();
    expect(document.value()?.text).toBe('abcd');
    document.undo();
    expect([document.value()?.text, document.canUndo()]).toEqual(['a', false]);
  });

  it('has a draft of what is typed from the first letter on', () => {
    const document = open(jest.fn(() => new Subject<{ value: Value; version: number }>()));
    document.edit(() => ({ text: 'ab' }), 'title');
    expect(drafts.get('draft')).toContain('"ab"');
    expect(document.state()).toBe('unsaved');
  });

  it('goes on with its steps when one comes back, unless it was changed elsewhere', () => {
    const steps = new Map<string, { value: unknown; steps: Steps<unknown> }>();
    const kept = {
      leave: (key: string, value: unknown, of: Steps<unknown>) => void steps.set(key, { value, steps: of }),
      take: (key: string, value: unknown) =>
        JSON.stringify(steps.get(key)?.value) === JSON.stringify(value)
          ? (steps.get(key)?.steps ?? null)
          : null,
    } as unknown as KeptSteps;
    const save = (value: Value) => of({ value, version: 2 });
    const opened = (stored: string): EditedDocument<Value> => {
      const source = { key: 'draft', load: () => of({ value: { text: stored }, version: 1 }), save };
      const document = new EditedDocument<Value>(source, store, kept);
      document.load().subscribe();
      return document;
    };
    const first = opened('a');
    write(first, 'b');
    jest.advanceTimersByTime(1000);
    first.close();
    const back = opened('b');
    back.undo();
    expect(back.value()?.text).toBe('a');
    expect(opened('changed elsewhere').canUndo()).toBe(false);
  });

  it('keeps a draft on the device until the server has it, and takes it up again', () => {
    const waiting = new Subject<{ value: Value; version: number }>();
    const document = open(jest.fn(() => waiting));
    write(document, 'b');
    jest.advanceTimersByTime(1000);
    const again = open(jest.fn((value: Value) => of({ value, version: 2 })));
    expect(again.value()?.text).toBe('b');
    expect(document.state()).toBe('saving');
  });

  it('tells a conflict and overwrites nothing until told to', () => {
    const stored = { value: { text: 'theirs' }, version: 5 };
    const save = jest
      .fn()
      .mockReturnValueOnce(throwError(() => new ApiError('version-conflict', '')))
      .mockImplementation((value: Value) => of({ value, version: 6 }));
    const document = new EditedDocument<Value>(
      {
        key: 'draft',
        load: jest
          .fn()
          .mockReturnValueOnce(of({ value: { text: 'a' }, version: 1 }))
          .mockReturnValue(of(stored)),
        save,
      },
      store,
    );
    document.load().subscribe();
    write(document, 'mine');
    jest.advanceTimersByTime(1000);
    expect(document.state()).toBe('conflict');
    expect(document.theirs()).toEqual(stored);
    document.keepMine();
    jest.advanceTimersByTime(1000);
    expect(save.mock.calls.at(-1)).toEqual([{ text: 'mine' }, 5]);
    expect(document.state()).toBe('saved');
  });

  describe('of which two changes can be put together', () => {
    /** Words of both, in the order of the alphabet; a word that either took out is gone. */
    const words = (text: string): string[] => text.split(' ').filter(Boolean);
    const merge = (base: Value, mine: Value, theirs: Value) => {
      const [was, here, there] = [base, mine, theirs].map(({ text }) => words(text)) as [
        string[],
        string[],
        string[],
      ];
      const kept = was.filter((word) => here.includes(word) && there.includes(word));
      const come = [...here, ...there].filter((word) => !was.includes(word));
      return {
        value: { text: [...new Set([...kept, ...come])].sort().join(' ') },
        asks: come.includes('ask'),
      };
    };
    const merged = jest.fn();
    const opened = (theirs: string) => {
      const save = jest
        .fn()
        .mockReturnValueOnce(throwError(() => new ApiError('version-conflict', '')))
        .mockImplementation((value: Value, version: number) => of({ value, version: version + 1 }));
      const load = jest
        .fn()
        .mockReturnValueOnce(of({ value: { text: 'a b' }, version: 1 }))
        .mockReturnValue(of({ value: { text: theirs }, version: 5 }));
      const document = new EditedDocument<Value>({ key: 'draft', load, save, merge, merged }, store);
      document.load().subscribe();
      return { document, save };
    };
    beforeEach(() => merged.mockReset());

    it('stands together what was changed apart, is saved over theirs, and undo takes back only mine', () => {
      const { document, save } = opened('a b theirs');
      write(document, 'a b mine');
      jest.advanceTimersByTime(2000);
      expect(save.mock.calls.at(-1)).toEqual([{ text: 'a b mine theirs' }, 5]);
      expect([document.state(), document.theirs()]).toEqual(['saved', null]);
      expect(merged).toHaveBeenCalledTimes(1);
      document.undo();
      expect(document.value()).toEqual({ text: 'a b theirs' });
    });

    it('is asked for what cannot stand together, with what both began with', () => {
      const { document } = opened('a b ask');
      write(document, 'a b mine');
      jest.advanceTimersByTime(2000);
      expect([document.state(), document.base()]).toEqual(['conflict', { text: 'a b' }]);
      expect(merged).not.toHaveBeenCalled();
    });

    it('knows from its draft what it began with, though the device was away meanwhile', () => {
      const { document } = opened('a b theirs');
      write(document, 'a b mine');
      const load = jest.fn().mockReturnValue(of({ value: { text: 'a b theirs' }, version: 5 }));
      const save = jest
        .fn()
        .mockReturnValueOnce(throwError(() => new ApiError('version-conflict', '')))
        .mockImplementation((value: Value) => of({ value, version: 6 }));
      const again = new EditedDocument<Value>({ key: 'draft', load, save, merge, merged }, store);
      again.load().subscribe();
      expect([again.value(), again.base()]).toEqual([{ text: 'a b mine' }, { text: 'a b' }]);
      jest.advanceTimersByTime(2000);
      expect(save.mock.calls.at(-1)).toEqual([{ text: 'a b mine theirs' }, 5]);
    });
  });

  it('does not take its own save, whose answer was lost, for a conflict', () => {
    const save = jest.fn(() => throwError(() => new ApiError('version-conflict', '')));
    const document = new EditedDocument<Value>(
      {
        key: 'draft',
        load: jest
          .fn()
          .mockReturnValueOnce(of({ value: { text: 'a' }, version: 1 }))
          .mockReturnValue(of({ value: { text: 'b' }, version: 2 })),
        save,
      },
      store,
    );
    document.load().subscribe();
    write(document, 'b');
    jest.advanceTimersByTime(1000);
    expect(document.state()).toBe('saved');
  });

  it('says why a save was refused and keeps the text', () => {
    const document = open(
      jest.fn(() =>
        throwError(() => new ApiError('invalid', 'no', [{ path: 'title', code: 'x', message: 'too long' }])),
      ),
    );
    write(document, 'b');
    jest.advanceTimersByTime(1000);
    expect(document.state()).toBe('refused');
    expect(document.refusal()?.at('title')).toBe('too long');
    expect(document.value()?.text).toBe('b');
  });

  it('saves what waits when it is closed', () => {
    const save = jest.fn((value: Value) => of({ value, version: 2 }));
    const document = open(save);
    write(document, 'b');
    document.close();
    expect(save).toHaveBeenCalledTimes(1);
  });
});
