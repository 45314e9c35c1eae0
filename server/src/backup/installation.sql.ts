import type { Installation } from '@doceo/contract';
import { type Db, rows } from '../db/pool';

/** Which life of the data this is. */
export async function findInstallation(db: Db): Promise<Installation> {
  const [found] = await rows<{ life: string; back_to: Date | null }>(
    db,
    'SELECT life, back_to FROM installation WHERE id = 1',
  );
  return { life: found?.life ?? '', backTo: found?.back_to?.toISOString() ?? null };
}
