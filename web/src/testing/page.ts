import type { Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { api } from '@doceo/contract';
import { EMPTY_KIT } from '@doceo/core';
import { lastValueFrom } from 'rxjs';
import { DayStore } from '../app/data/lesson/day-store';
import { SessionStore } from '../app/data/session';
import { FakeServer, withServer } from './fake-server';
import { CIRCLE, JONAS, LESSON, NOW, PLAN, receipt, RIG, SAM, SESSION, TAUGHT, WATER } from './fixtures';

/** Sets the date; it goes on from there, and timers run as they do. */
export function setDate(now = NOW): void {
  jest.useFakeTimers({
    now,
    advanceTimers: true,
    doNotFake: [
      'hrtime',
      'nextTick',
      'performance',
      'queueMicrotask',
      'requestAnimationFrame',
      'cancelAnimationFrame',
      'requestIdleCallback',
      'cancelIdleCallback',
      'setImmediate',
      'clearImmediate',
      'setInterval',
      'clearInterval',
      'setTimeout',
      'clearTimeout',
    ],
  });
}

/** A server with the lesson of the fixtures. */
export function lessonServer(): FakeServer {
  return new FakeServer()
    .on(api.session.get, SESSION)
    .on(api.session.settings, ({ body }) => body as never)
    .on(api.lessons.list, [LESSON])
    .on(api.waters.list, [WATER])
    .on(api.students.list, [SAM, JONAS])
    .on(api.students.accessLog, [])
    .on(api.access.get, { people: [], fellows: [], handOver: null, before: [] })
    .on(api.access.incoming, [])
    .on(api.consents.list, [])
    .on(api.consents.news, [])
    .on(api.pages.list, [])
    .on(api.pages.news, [])
    .on(api.pages.waiting, [])
    .on(api.keeping.get, { own: null, circles: [], rule: null, goes: [], goesBesides: 0 })
    .on(api.readings.list, [])
    .on(api.flyBox.get, { box: { flies: [] }, version: 0 })
    .on(api.rigs.list, [RIG])
    .on(api.rigs.get, RIG)
    .on(api.kit.get, { kit: EMPTY_KIT, version: 0 })
    .on(api.plans.list, [PLAN])
    .on(api.plans.library, { items: [PLAN], next: null })
    .on(api.plans.get, PLAN)
    .on(api.circles.list, [CIRCLE])
    .on(api.events.list, [])
    .on(api.lessons.plan, TAUGHT)
    .on(api.records.list, [])
    .on(api.records.progress, [])
    .on(api.records.effects, { drills: [], plans: [], named: [] })
    .on(api.circles.invitations, [])
    .on(api.circles.worked, { tells: false, drills: [], few: [] })
    .on(api.news.list, { items: [], fresh: 0 })
    .on(api.versions.lineage, { plans: [], versions: [] })
    .on(api.comments.list, { items: [], next: null })
    .on(api.events.add, ({ body }) => receipt(body));
}

/** A shown component and ways to use it as a user does. */
export interface Shown<T> {
  fixture: ComponentFixture<T>;
  element: HTMLElement;
  text: () => string;
  settle: () => Promise<void>;
  /** Waits until nothing on the page has changed for a while, as after the device's store has answered. */
  quiet: () => Promise<void>;
  /** Waits until what was edited is stored, or cannot be. */
  saved: () => Promise<void>;
  /** Clicks the first button or link with this text. */
  press: (text: string | RegExp) => Promise<void>;
  all: (selector: string) => string[];
  /** Types into a field and leaves it. */
  enter: (selector: string, text: string) => Promise<void>;
  key: (selector: string, key: string, rest?: KeyboardEventInit) => Promise<void>;
}

/** Turns of the event loop without a change after which a page is at rest. */
const QUIET_TURNS = 10;

const tidy = (text: string | null | undefined): string => (text ?? '').replace(/\s+/g, ' ').trim();

/** Waits until something is so; what is never so fails its test. */
export async function until(so: () => boolean): Promise<void> {
  for (let i = 0; i < 6000 && !so(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
  if (!so()) throw new Error('It never came to be so.');
}

/** Signs in, loads the day, and shows a component with these inputs. */
export async function show<T>(
  component: Type<T>,
  server: FakeServer,
  inputs: Record<string, unknown> = {},
): Promise<Shown<T>> {
  TestBed.configureTestingModule({ imports: [component], providers: withServer(server) });
  // What a screen loads only when it is wanted has to be known before it is made.
  await TestBed.compileComponents();
  await lastValueFrom(TestBed.inject(SessionStore).load());
  await lastValueFrom(TestBed.inject(DayStore).load());
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  const element = fixture.nativeElement as HTMLElement;
  const settle = async (): Promise<void> => {
    for (let i = 0; i < 3; i++) {
      await new Promise((resolve) => setTimeout(resolve));
      await fixture.whenStable();
    }
  };
  await settle();
  // Dialogs may be shown outside their component.
  const find = (selector: string): HTMLElement[] => [...document.querySelectorAll<HTMLElement>(selector)];
  const one = (selector: string): HTMLElement => {
    const found = find(selector)[0];
    if (!found)
      throw new Error(`nothing matches ${selector} in ${tidy(document.body.textContent).slice(0, 300)}`);
    return found;
  };
  return {
    fixture,
    element,
    settle,
    quiet: async () => {
      let changed = false;
      const observer = new MutationObserver(() => (changed = true));
      observer.observe(document.body, {
        subtree: true,
        childList: true,
        attributes: true,
        characterData: true,
      });
      for (let same = 0; same < QUIET_TURNS; same = changed ? 0 : same + 1) {
        changed = false;
        await new Promise((resolve) => setTimeout(resolve, 5));
        await settle();
      }
      observer.disconnect();
    },
    saved: async () => {
      await until(() =>
        /^(saved|conflict|refused)$/.test(one('[data-save-state]').dataset['saveState'] ?? ''),
      );
      await settle();
    },
    text: () => tidy(document.body.textContent),
    all: (selector) => find(selector).map((found) => tidy(found.textContent)),
    press: async (text) => {
      const button = find('button, a, summary').find((candidate) =>
        typeof text === 'string'
          ? tidy(candidate.textContent) === text || candidate.getAttribute('aria-label') === text
          : text.test(tidy(candidate.textContent)),
      );
      if (!button)
        throw new Error(`no button ${String(text)} in ${tidy(document.body.textContent).slice(0, 300)}`);
      button.click();
      await settle();
    },
    enter: async (selector, text) => {
      const field = one(selector) as HTMLInputElement;
      field.value = text;
      field.dispatchEvent(new Event('input', { bubbles: true }));
      field.dispatchEvent(new Event('change', { bubbles: true }));
      await settle();
    },
    key: async (selector, key, rest = {}) => {
      one(selector).dispatchEvent(
        new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...rest }),
      );
      await settle();
    },
  };
}
