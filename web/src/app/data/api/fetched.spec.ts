import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { finalize, Subject } from 'rxjs';
import { ApiError } from './api-error';
import { fetched } from './fetched';

describe('something that is fetched', () => {
  const calls: { asked: string; answer: Subject<string>; ended: boolean }[] = [];
  const asked = signal<string | null>('sam');
  const start = () =>
    TestBed.runInInjectionContext(() =>
      fetched(asked, (question) => {
        const call = { asked: question, answer: new Subject<string>(), ended: false };
        calls.push(call);
        return call.answer.pipe(finalize(() => (call.ended = true)));
      }),
    );
  beforeEach(() => {
    calls.splice(0);
    asked.set('sam');
    TestBed.configureTestingModule({});
  });

  it('shows the answer to the last question, whichever comes last', () => {
    const record = start();
    TestBed.tick();
    asked.set('lidia');
    TestBed.tick();
    expect(calls.map((call) => [call.asked, call.ended])).toEqual([
      ['sam', true],
      ['lidia', false],
    ]);
    calls[1]?.answer.next('of Lidia');
    calls[0]?.answer.next('of Sam');
    expect(record.value()).toBe('of Lidia');
  });

  it('shows nothing of the one before while the next is on its way', () => {
    const record = start();
    TestBed.tick();
    calls[0]?.answer.next('of Sam');
    expect(record.value()).toBe('of Sam');
    asked.set('lidia');
    TestBed.tick();
    expect(record.value()).toBeNull();
    asked.set(null);
    TestBed.tick();
    expect([record.value(), calls.length]).toEqual([null, 2]);
  });

  it('tells why it failed, and tries again', () => {
    const record = start();
    TestBed.tick();
    calls[0]?.answer.error(new ApiError('internal', 'no'));
    expect(record.failed()?.code).toBe('internal');
    record.again();
    TestBed.tick();
    expect(record.failed()).toBeNull();
    calls[1]?.answer.next('at last');
    record.update((text) => `${text}!`);
    expect(record.value()).toBe('at last!');
  });
});
