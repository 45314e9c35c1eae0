import { spawnSync } from 'node:child_process';

/** A word on a page and where it stands, points. */
export interface Word {
  text: string;
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** Pages of a PDF with the words on them and where they stand, points. */
export function pagesOf(file: string): { width: number; height: number; words: Word[] }[] {
  const { stdout } = spawnSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8' });
  return stdout
    .split('<page ')
    .slice(1)
    .map((page) => {
      const [, width, height] = /width="([\d.]+)" height="([\d.]+)"/.exec(page) ?? [];
      const words = [
        ...page.matchAll(/xMin="([\d.-]+)" yMin="([\d.-]+)" xMax="([\d.-]+)" yMax="([\d.-]+)">([^<]*)</g),
      ].map(([, left, top, right, bottom, text]) => ({
        text: text ?? '',
        left: Number(left),
        top: Number(top),
        right: Number(right),
        bottom: Number(bottom),
      }));
      return { width: Number(width), height: Number(height), words };
    });
}
