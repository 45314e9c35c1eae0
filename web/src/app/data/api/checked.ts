import { toIssues } from '@doceo/contract';
import { ApiError } from './api-error';

/** A part of the contract that a form is held against. */
export interface Contract<T> {
  safeParse(
    form: unknown,
  ): { success: true; data: T } | { success: false; error: Parameters<typeof toIssues>[0] };
}

/** What a form holds when its contract takes it; else what is wrong with it, field by field, as the server would say. */
export function checked<T>(contract: Contract<T>, form: unknown): { data: T } | { error: ApiError } {
  const found = contract.safeParse(form);
  return found.success
    ? { data: found.data }
    : { error: new ApiError('invalid', 'Please look at the marked fields.', toIssues(found.error)) };
}
