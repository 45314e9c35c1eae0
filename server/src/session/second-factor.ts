import type { Settings } from '../settings';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { queueLetter } from '../mail/mail.sql';
import { DatabaseLimiter } from './database-limiter';
import { checkCode, newSecret, newSpareCodes, setUpAddress, spareCodeHash } from './one-time-code';
import { seal, unseal } from './sealed';
import {
  endSecondFactor,
  lockSecondFactor,
  offerSecret,
  replaceSpareCodes,
  takeSpareCode,
  useStep,
} from './second-factor.sql';
import { consumed } from './sign-in-guard';
import type { UserRow } from './users.sql';

const PURPOSE = 'second-factor';
/** Codes tried in an hour, whoever tries them: a million there are, and three count at a time. */
const TRIES = 10;
const HOUR_S = 3600;

type Owner = Pick<UserRow, 'id' | 'email'>;

/** The second step of signing in: a code of a phone, or a spare one. */
export class SecondFactor {
  private readonly tries: DatabaseLimiter;

  constructor(
    private readonly pool: Pool,
    private readonly settings: Pick<Settings, 'DOCEO_SESSION_SECRET'>,
    private readonly nowMs: () => number = Date.now,
  ) {
    this.tries = new DatabaseLimiter(pool, { keyPrefix: 'tries-code', points: TRIES, duration: HOUR_S });
  }

  /** Makes a secret that counts when its first code comes. */
  async offer({ id, email }: Owner): Promise<{ secret: string; address: string }> {
    const secret = newSecret();
    const sealed = seal(this.settings.DOCEO_SESSION_SECRET, PURPOSE, secret);
    if (!(await offerSecret(this.pool, id, sealed)))
      throw new HttpError(
        'already-exists',
        [],
        'The second step is on already. End it first to change the phone.',
      );
    return { secret, address: setUpAddress(secret, email) };
  }

  /** The first code of a phone: from here on one is asked for. The spare codes, which are told once. */
  async begin(owner: Owner, code: string): Promise<string[]> {
    const spare = newSpareCodes();
    await this.try(owner, code, async (db) => {
      await replaceSpareCodes(db, owner.id, spare.map(spareCodeHash) as string[]);
      await queueLetter(db, 'second-factor-on', owner.email);
    });
    return spare;
  }

  /** Ends it, for who has the phone or a spare code. */
  async end(owner: Owner, code: string): Promise<void> {
    await this.try(owner, code, async (db) => {
      await endSecondFactor(db, owner.id);
      await queueLetter(db, 'second-factor-off', owner.email);
    });
  }

  /**
   * Judges what was typed, and uses it up.
   *
   * @throws HttpError 'wrong-credentials' at `code`, with what to do; 'too-many' after ten in an hour
   */
  async try(
    owner: Owner,
    code: string,
    then: (db: Db) => Promise<void> = async () => undefined,
  ): Promise<void> {
    await consumed(this.tries, owner.id);
    await this.pool.transaction(async (db) => {
      const { totp_secret, totp_on, totp_step } = await lockSecondFactor(db, owner.id);
      const spare = spareCodeHash(code);
      if (totp_on && spare && (await takeSpareCode(db, owner.id, spare))) {
        await queueLetter(db, 'spare-code-used', owner.email);
        return then(db);
      }
      const secret = totp_secret && unseal(this.settings.DOCEO_SESSION_SECRET, PURPOSE, totp_secret);
      if (!secret)
        throw wrongCode(
          totp_secret
            ? 'This installation cannot read the phone’s codes any more. Use a spare code, or ask who runs it.'
            : 'The second step is not set up.',
        );
      const check = checkCode(secret, code.replace(/\s/g, ''), this.nowMs(), totp_step);
      if (check.kind !== 'right') throw wrongCode(WORDS[check.kind](check as never));
      await useStep(db, owner.id, check.step);
      await then(db);
    });
    await this.tries.delete(owner.id);
  }
}

const WORDS = {
  clock: ({ offMin }: { offMin: number }) =>
    `The phone’s clock is ${Math.abs(offMin)} minutes ${offMin < 0 ? 'behind' : 'ahead'}. Let it take the time from the network, then use its next code.`,
  used: () => 'That code was used already. Wait for the next one.',
  wrong: () => 'is not right',
};

/** That a code is asked for, or what is wrong with the one that came. */
export function wrongCode(message: string, code = 'wrong'): HttpError {
  return new HttpError('wrong-credentials', [{ path: 'code', code, message }]);
}
