import { seededRandom } from './seeded-random';

/**
 * A UUID made from a text: the same text always gives the same id.
 *
 * @returns 36 characters, version digit 8 (custom), variant 10xx of RFC 9562
 */
export function deterministicId(text: string): string {
  const random = seededRandom(`id:${text}`);
  const hex = Array.from({ length: 32 }, () => Math.floor(random() * 16).toString(16));
  hex[12] = '8';
  hex[16] = (8 + Math.floor(random() * 4)).toString(16);
  const all = hex.join('');
  return [all.slice(0, 8), all.slice(8, 12), all.slice(12, 16), all.slice(16, 20), all.slice(20)].join('-');
}
