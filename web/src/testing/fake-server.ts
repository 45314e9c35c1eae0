import {
  HttpBackend,
  HttpErrorResponse,
  type HttpEvent,
  type HttpRequest,
  HttpResponse,
  provideHttpClient,
} from '@angular/common/http';
import { type EnvironmentProviders, type Provider, provideZonelessChangeDetection } from '@angular/core';
import { provideRouter } from '@angular/router';
import type { Endpoint, ErrorCode, Issue } from '@doceo/contract';
import { MessageService } from 'primeng/api';
import { providePrimeNG } from 'primeng/config';
import { asyncScheduler, type Observable, observeOn, of, scheduled, throwError } from 'rxjs';

export interface Call {
  method: string;
  path: string;
  query: Record<string, string>;
  body: unknown;
}

type Answer = (call: Call, params: Record<string, string>) => unknown;

/** Thrown by an answer to fail the call as the server would. */
export class Refusal {
  constructor(
    readonly status: number,
    readonly code?: ErrorCode,
    readonly issues: Issue[] = [],
  ) {}
}

/** Stands where the network is: answers by endpoint, and remembers what was asked. */
export class FakeServer implements HttpBackend {
  readonly calls: Call[] = [];
  private readonly answers: { endpoint: Endpoint<never, never, never, unknown>; answer: Answer }[] = [];

  /** Sets what an endpoint answers from now on. */
  on<P, Q, B, R>(
    endpoint: Endpoint<P, Q, B, R>,
    answer: R | ((call: Call, params: Record<string, string>) => R),
  ): this {
    const give = typeof answer === 'function' ? (answer as Answer) : () => answer;
    this.answers.unshift({
      endpoint: endpoint as unknown as Endpoint<never, never, never, unknown>,
      answer: give,
    });
    return this;
  }

  /** Makes an endpoint fail from now on; status 0 is a server that does not answer. */
  refuse<P, Q, B, R>(
    endpoint: Endpoint<P, Q, B, R>,
    status: number,
    code?: ErrorCode,
    issues: Issue[] = [],
  ): this {
    return this.on(endpoint, () => {
      throw new Refusal(status, code, issues);
    });
  }

  /** Calls of one endpoint so far. */
  of(endpoint: { method: string; path: string }): Call[] {
    const pattern = patternOf(endpoint.path);
    return this.calls.filter(({ method, path }) => method === endpoint.method && pattern.test(path));
  }

  handle(request: HttpRequest<unknown>): Observable<HttpEvent<unknown>> {
    const query = Object.fromEntries(
      request.params.keys().map((key) => [key, request.params.get(key) ?? '']),
    );
    const call: Call = {
      method: request.method.toLowerCase(),
      path: request.url,
      query,
      body: request.body === null ? null : JSON.parse(JSON.stringify(request.body)),
    };
    this.calls.push(call);
    const found = this.answers.find(
      ({ endpoint }) => endpoint.method === call.method && patternOf(endpoint.path).test(call.path),
    );
    if (!found) return failed(call, new Refusal(404, 'not-found'));
    const params = patternOf(found.endpoint.path).exec(call.path)?.groups ?? {};
    try {
      const body = found.answer(call, params);
      return scheduled(of(new HttpResponse({ status: 200, body: structuredClone(body) })), asyncScheduler);
    } catch (refusal) {
      if (refusal instanceof Refusal) return failed(call, refusal);
      throw refusal;
    }
  }
}

function failed(call: Call, { status, code, issues }: Refusal): Observable<never> {
  const error = code ? { error: { code, message: `server says ${code}`, issues, requestId: 'r1' } } : null;
  return throwError(() => new HttpErrorResponse({ status, url: call.path, error })).pipe(
    observeOn(asyncScheduler),
  );
}

function patternOf(path: string): RegExp {
  return new RegExp(`^${path.replace(/:(\w+)/g, '(?<$1>[^/]+)')}$`);
}

/** What a component needs around it, with the fake in place of the network. */
export function withServer(server: FakeServer): (Provider | EnvironmentProviders)[] {
  return [
    provideZonelessChangeDetection(),
    provideRouter([{ path: '**', children: [] }]),
    provideHttpClient(),
    { provide: HttpBackend, useValue: server },
    providePrimeNG({}),
    MessageService,
  ];
}
