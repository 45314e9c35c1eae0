import { createHash } from 'node:crypto';
import { isIPv6 } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import { RateLimiterRes } from 'rate-limiter-flexible';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { DatabaseLimiter } from './database-limiter';

const QUARTER_HOUR_S = 900;
const HOUR_S = 3600;
/** Waiting grows twofold with each try beyond the free ones, milliseconds. */
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 4000;

/** Failed tries in a quarter of an hour: how many are free, and how many there may be at most. */
const TRIES = {
  /** Of a browser on which the account was used before. */
  device: { free: 5, most: 10 },
  address: { free: 10, most: 60 },
  email: { free: 5, most: 50 },
  all: { free: 1000, most: 20_000 },
} as const;
/** New accounts in an hour. */
const ACCOUNTS = { address: 20, all: 500 } as const;
/** Letters that somebody who is not signed in asks for, in an hour. */
const LETTERS = { address: 20, email: 4, all: 2000 } as const;

/** Letters that somebody who is signed in has sent to others, in an hour. */
const INVITATIONS = 40;

export type Pause = (ms: number) => Promise<unknown>;

/** Who tries: the address a request comes from, the account it is for, and the browser if the account knows it. */
export interface Try {
  address: string;
  email: string;
  device: string | null;
}

/**
 * Slows down who tries passwords, then refuses: by address, by account and over all. Only failed tries count. A browser
 * that the account knows is counted by itself, so that nobody can shut an owner out from elsewhere.
 */
export class SignInGuard {
  private readonly tries: Record<keyof typeof TRIES, DatabaseLimiter>;
  private readonly accounts: Record<keyof typeof ACCOUNTS, DatabaseLimiter>;
  private readonly invitations: DatabaseLimiter;
  private readonly letters: Record<keyof typeof LETTERS, DatabaseLimiter>;

  constructor(
    pool: Pool,
    private readonly pause: Pause = wait,
  ) {
    const tries = (name: keyof typeof TRIES) =>
      new DatabaseLimiter(pool, {
        keyPrefix: `tries-${name}`,
        points: TRIES[name].most,
        duration: QUARTER_HOUR_S,
      });
    const hourly = (keyPrefix: string, points: number) =>
      new DatabaseLimiter(pool, { keyPrefix, points, duration: HOUR_S });
    this.tries = {
      device: tries('device'),
      address: tries('address'),
      email: tries('email'),
      all: tries('all'),
    };
    this.accounts = {
      address: hourly('accounts-address', ACCOUNTS.address),
      all: hourly('accounts-all', ACCOUNTS.all),
    };
    this.invitations = hourly('invitations', INVITATIONS);
    this.letters = {
      address: hourly('letters-address', LETTERS.address),
      email: hourly('letters-email', LETTERS.email),
      all: hourly('letters-all', LETTERS.all),
    };
  }

  /**
   * Counts a try as failed until it is known to have succeeded, and makes it wait.
   *
   * @returns to be called when the try was right
   * @throws HttpError 'too-many' with the time after which to try again
   */
  async admit(one: Try): Promise<() => Promise<void>> {
    const counted = this.countsOf(one);
    let waitMs = 0;
    for (const [name, key] of counted) {
      const { consumedPoints } = await consumed(this.tries[name], key);
      const beyond = consumedPoints - TRIES[name].free;
      if (beyond > 0) waitMs = Math.max(waitMs, Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (beyond - 1)));
    }
    if (waitMs > 0) await this.pause(waitMs);
    return async () => {
      for (const [name, key] of counted) await this.tries[name].reward(key, 1);
    };
  }

  /** @throws HttpError 'too-many' when too many accounts were made from this address, or over all */
  async admitAccount(address: string): Promise<void> {
    await consumed(this.accounts.address, network(address));
    await consumed(this.accounts.all, 'all');
  }

  /**
   * Whether another letter goes to an address that a stranger named. Beyond a few in an hour none does, and nobody is
   * told so: the same for who has an account and who has none.
   *
   * @throws HttpError 'too-many' when too many were asked for from one place, or over all
   */
  async admitLetter(address: string, email: string): Promise<boolean> {
    await consumed(this.letters.address, network(address));
    await consumed(this.letters.all, 'all');
    return this.letters.email.consume(unnamed(email), 1).then(
      () => true,
      (error: unknown) => {
        if (error instanceof RateLimiterRes) return false;
        throw error;
      },
    );
  }

  /** @throws HttpError 'too-many' when somebody has asked very many addresses */
  async admitInvitation(userId: string): Promise<void> {
    await consumed(this.invitations, userId);
  }

  private countsOf({ address, email, device }: Try): [keyof typeof TRIES, string][] {
    return device
      ? [['device', device]]
      : [
          ['address', network(address)],
          ['email', unnamed(email)],
          ['all', 'all'],
        ];
  }
}

/** @throws HttpError 'too-many' with when to try again */
export async function consumed(limiter: DatabaseLimiter, key: string): Promise<RateLimiterRes> {
  try {
    return await limiter.consume(key, 1);
  } catch (error) {
    if (!(error instanceof RateLimiterRes)) throw error;
    throw new HttpError('too-many', [], undefined, Math.ceil(error.msBeforeNext / 1000));
  }
}

/** What stands for an e-mail in a count: counts name nobody. */
function unnamed(email: string): string {
  return createHash('sha256').update(email).digest('hex');
}

/** What an address shares with its neighbours: of the newer kind everybody has a whole network of 2^64. */
function network(address: string): string {
  return isIPv6(address) && !address.startsWith('::ffff:')
    ? address.split(':').slice(0, 4).join(':')
    : address;
}
