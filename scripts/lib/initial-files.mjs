import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Files the page asks for at once: those named in it, and what their modules import statically. */
export function initialFiles(folder) {
  const html = readFileSync(join(folder, 'index.html'), 'utf8');
  const wanted = [...html.matchAll(/(?:src|href)="([\w.-]+\.(?:js|css))"/g)].map((match) => match[1]);
  const seen = new Set();
  while (wanted.length > 0) {
    const file = wanted.pop();
    if (seen.has(file)) continue;
    seen.add(file);
    if (file.endsWith('.js'))
      wanted.push(
        ...[
          ...readFileSync(join(folder, file), 'utf8').matchAll(/(?:from|import)\s*"\.\/([\w.-]+\.js)"/g),
        ].map((match) => match[1]),
      );
  }
  return [...seen];
}
