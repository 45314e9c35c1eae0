import type { BankEvent } from '@doceo/core';

/** What was one tap for several students: entries of one device at one instant, of one kind. */
export function together(entries: readonly BankEvent[], one: BankEvent): BankEvent[] {
  return entries.filter(
    ({ atMs, deviceId, body }) =>
      atMs === one.atMs && deviceId === one.deviceId && body.kind === one.body.kind,
  );
}
