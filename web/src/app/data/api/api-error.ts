import { HttpErrorResponse } from '@angular/common/http';
import { type ErrorBody, type ErrorCode, type Issue } from '@doceo/contract';
import { ERROR_TEXTS } from './error-texts';

/** Any failed call. `offline` when no server answered. */
export class ApiError extends Error {
  constructor(
    readonly code: ErrorCode | 'offline',
    message: string,
    readonly issues: Issue[] = [],
    readonly requestId = '',
  ) {
    super(message);
  }

  /** Words for a field, by the path the contract gives it. */
  at(path: string): string | null {
    return this.issues.find((issue) => issue.path === path)?.message ?? null;
  }

  /** Whether the same call may go through later. */
  get transient(): boolean {
    return this.code === 'offline' || this.code === 'unavailable';
  }
}

export function toApiError(error: unknown): ApiError {
  if (error instanceof ApiError) return error;
  if (!(error instanceof HttpErrorResponse)) return new ApiError('internal', String(error));
  const body = (error.error as Partial<ErrorBody> | null)?.error;
  if (!body)
    return new ApiError(
      error.status >= 500 && error.status < 600 && error.status !== 500 ? 'unavailable' : 'offline',
      ERROR_TEXTS.offline ?? '',
    );
  return new ApiError(body.code, ERROR_TEXTS[body.code] ?? body.message, body.issues, body.requestId);
}
