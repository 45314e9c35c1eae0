import type { BankDatabase } from '../device/bank-database';
import type { UserStorage } from '../device/user-storage';

/** Under which this device keeps which life of the data it last sent its entries to. */
const LIFE_KEY = 'life';

/**
 * When the server was brought back from a backup, what this device had sent after it is gone there: all that it still
 * has waits to be sent again. The server takes each entry once, however often it comes.
 *
 * @param life of the data, as the server says it
 * @returns how many wait again
 */
export async function offerAgain(
  { events }: BankDatabase,
  storage: UserStorage,
  userId: string,
  life: string,
): Promise<number> {
  const known = storage.get(LIFE_KEY);
  if (known === life) return 0;
  const count =
    known === null ? 0 : await events.where({ userId, state: 'sent' }).modify({ state: 'waiting' });
  // Last: a page that is closed before begins again.
  storage.set(LIFE_KEY, life);
  return count;
}
