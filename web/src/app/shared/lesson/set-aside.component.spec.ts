import { TestBed } from '@angular/core/testing';
import { api, type EventReceipt } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import type { FakeServer } from '../../../testing/fake-server';
import { attempt, event, receipt, SAM, uuid } from '../../../testing/fixtures';
import { lessonServer, show, type Shown, until } from '../../../testing/page';
import { BankStore } from '../../data/lesson/bank-store';
import { SetAsideComponent } from './set-aside.component';

const NOTE = event({ kind: 'note', text: 'good loop \ud83c', aboutId: null });
const GONE = attempt('casting.gone', null);
const AWAY = attempt('casting.pause', null, { studentId: uuid(19) });

describe('entries that were set aside', () => {
  let server: FakeServer;
  let refused: Record<string, Partial<EventReceipt['refused'][number]>>;
  beforeEach(() => {
    Dexie.dependencies.indexedDB = new IDBFactory();
    localStorage.clear();
    refused = {
      [NOTE.id]: {
        issues: [{ path: 'body.text', code: 'half-character', message: 'contains half a character' }],
      },
      [GONE.id]: { issues: [{ path: 'body.skillId', code: 'gone', message: 'is no skill of the graph' }] },
      [AWAY.id]: { code: 'no-student', message: 'The student is not in this lesson.' },
    };
    server = lessonServer().on(api.events.add, ({ body }) =>
      receipt(body, {
        refused: (body as { events: BankEvent[] }).events.flatMap(({ id }) =>
          refused[id] ? [{ id, ...refused[id] }] : [],
        ),
      }),
    );
  });

  async function open(): Promise<Shown<SetAsideComponent>> {
    const page = await show(SetAsideComponent, server);
    const bank = TestBed.inject(BankStore);
    await bank.addAll([NOTE, GONE, AWAY, attempt('casting.pause', null)]);
    await until(() => bank.setAside().length === 3 && bank.waiting() === 0);
    await page.settle();
    await page.press('3 set aside');
    return page;
  }
  const left = (): string[] =>
    TestBed.inject(BankStore)
      .setAside()
      .map((one) => one.event.id);
  const sent = (): BankEvent[] =>
    server.of(api.events.add).flatMap(({ body }) => (body as { events: BankEvent[] }).events);

  it('are told each with whose it is, what it says and what would help', async () => {
    const page = await open();
    const text = page.text();
    expect(text).toContain('Sam Okande: “good loop');
    expect(text).toContain('half a character, as of an emoji that was cut');
    expect(text).toContain('This skill is not in the library any more');
    expect(text).toContain('a student who is not on your list: good');
    expect(text).toContain('The student is not in this lesson.');
  });

  it('are mended and sent again: a cut emoji is left out, a skill is chosen', async () => {
    const page = await open();
    refused = {};
    const buttons = () => [...document.querySelectorAll<HTMLElement>('.p-dialog li')];
    const press = async (words: string): Promise<void> => {
      const item = buttons().find((one) => one.textContent?.includes(words));
      [...(item?.querySelectorAll('button') ?? [])]
        .find((one) => one.textContent?.includes('Send again'))
        ?.click();
      await page.settle();
    };
    await press('good loop');
    await until(() => left().length === 2 && TestBed.inject(BankStore).waiting() === 0);
    expect(sent().findLast(({ id }) => id === NOTE.id)?.body).toMatchObject({ text: 'good loop ' });
    const gone = buttons().find((one) => one.textContent?.includes('It counts for'))!;
    expect(gone.querySelector('button')?.disabled).toBe(true);
    const choice = gone.querySelector('select')!;
    choice.value = 'casting.pause';
    choice.dispatchEvent(new Event('change'));
    await page.settle();
    gone.querySelector('button')?.click();
    await until(() => left().length === 1 && TestBed.inject(BankStore).waiting() === 0);
    expect(sent().findLast(({ id }) => id === GONE.id)?.body).toMatchObject({
      skillId: 'casting.pause',
      good: true,
    });
    expect(left()).toEqual([AWAY.id]);
  });

  it('go only when told, and come back when that was a slip', async () => {
    const page = await open();
    await page.press('Let it go');
    await until(() => left().length === 2);
    await page.settle();
    expect(page.text()).toContain('One is gone.');
    await page.press('Undo');
    await until(() => left().length === 3);
  });

  it('are saved to a file with all that is in them', async () => {
    const page = await open();
    let saved: Blob | null = null;
    URL.createObjectURL = (blob) => {
      saved = blob as Blob;
      return 'blob:x';
    };
    URL.revokeObjectURL = () => undefined;
    await page.press('Save all to a file');
    const text = await new Promise<string>((resolve) => {
      const reader = new FileReader();
      reader.onload = () => resolve(String(reader.result));
      reader.readAsText(saved!);
    });
    const file = JSON.parse(text) as { format: string; entries: { event: BankEvent; who: string }[] };
    expect(file.format).toBe('doceo-entries');
    expect(file.entries.map((entry) => entry.event.id).sort()).toEqual([NOTE.id, GONE.id, AWAY.id].sort());
    expect(file.entries.some(({ who }) => who === SAM.student.name)).toBe(true);
  });
});
