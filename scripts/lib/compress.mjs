import { readdirSync, statSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

const brotli = promisify(brotliCompress);
const zip = promisify(gzip);
/** What is text, or a pack of it; letters and pictures are compressed as they are. */
const TEXT = /\.(js|css|svg|json|txt|webmanifest|bin)$/;
/** Smaller ones gain nothing. */
const LEAST_BYTES = 1024;

/** Puts compressed copies beside the files of a folder, so that no request pays for it. */
export async function compressFolder(folder) {
  const files = readdirSync(folder, { recursive: true })
    .map((file) => join(folder, String(file)))
    .filter((file) => TEXT.test(file) && statSync(file).isFile() && statSync(file).size >= LEAST_BYTES);
  await Promise.all(
    files.map(async (file) => {
      const bytes = await readFile(file);
      const params = {
        [constants.BROTLI_PARAM_QUALITY]: 9,
        [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
      };
      await writeFile(`${file}.br`, await brotli(bytes, { params }));
      await writeFile(`${file}.gz`, await zip(bytes, { level: 9 }));
    }),
  );
}
