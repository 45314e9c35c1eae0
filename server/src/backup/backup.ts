import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Pool } from '../db/pool';
import { rows } from '../db/pool';
import { type About, aboutPath, DATA, DELETIONS, SECRET, sha256 } from './backup-file';
import { dump } from './client';

/** What is backed up besides the database. */
export interface Beside {
  secret: string;
  /** What the file of deletions says. */
  deletions: string;
}

/**
 * Writes a whole backup: all data as they are at one moment, what seals sessions and second factors, and who was deleted.
 * The server may go on meanwhile. What breaks off leaves nothing that looks like a backup.
 *
 * @param folder is made, and must not be there
 * @throws Error that says why not
 */
export async function backUp(pool: Pool, url: string, folder: string, beside: Beside): Promise<About> {
  if (existsSync(folder)) throw new Error(`${folder} is there already.`);
  const made = `${folder}.part`;
  rmSync(made, { recursive: true, force: true });
  mkdirSync(made, { recursive: true, mode: 0o700 });
  try {
    const at = new Date().toISOString();
    const [step] = await rows<{ name: string }>(pool, 'SELECT MAX(name) AS name FROM migrations');
    await dump(url, join(made, DATA));
    writeFileSync(join(made, SECRET), beside.secret, { mode: 0o600 });
    writeFileSync(join(made, DELETIONS), beside.deletions, { mode: 0o600 });
    const about: About = {
      ...{ format: 'doceo-backup', version: 1, at },
      ...{ sha256: await sha256(join(made, DATA)), schema: step?.name ?? '' },
    };
    writeFileSync(aboutPath(made), `${JSON.stringify(about, null, 2)}\n`, { flush: true });
    renameSync(made, folder);
    return about;
  } catch (error) {
    rmSync(made, { recursive: true, force: true });
    throw error;
  }
}
