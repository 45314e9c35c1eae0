/**
 * A number as people type it: comma or point for decimals, blanks and a unit behind it allowed.
 *
 * @returns null for what is no number
 */
export function plainNumber(text: string): number | null {
  const match = /^([+-]?\d+(?:[.,]\d+)?|[.,]\d+)\s*\D*$/u.exec(text.trim());
  if (!match) return null;
  const value = Number((match[1] as string).replace(',', '.'));
  return Number.isFinite(value) ? value : null;
}
