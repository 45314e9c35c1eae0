import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { extname, join } from 'node:path';

const TYPES = {
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.woff2': 'font/woff2',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
};

/**
 * Files of a folder in one more, as the parts of a form (RFC 7578): browsers take such a body apart by themselves.
 *
 * @returns where it is served, and its type
 */
export function packFiles(folder, files) {
  const contents = files.map((file) => readFileSync(join(folder, file)));
  const hash = createHash('sha256');
  for (const content of contents) hash.update(content);
  const id = hash.digest('hex').toUpperCase();
  const boundary = `doceo-${id}`;
  const parts = files.flatMap((file, i) => [
    Buffer.from(
      `--${boundary}\r\nContent-Disposition: form-data; name="/${file}"; filename="${file}"\r\nContent-Type: ${TYPES[extname(file)] ?? 'application/octet-stream'}\r\n\r\n`,
    ),
    contents[i],
    Buffer.from('\r\n'),
  ]);
  const name = `rest-${id.slice(0, 8)}.bin`;
  writeFileSync(join(folder, name), Buffer.concat([...parts, Buffer.from(`--${boundary}--\r\n`)]));
  return { url: `/${name}`, type: `multipart/form-data; boundary=${boundary}` };
}
