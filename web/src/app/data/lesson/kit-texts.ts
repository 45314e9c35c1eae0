import type { KitOf, KitShort } from '@doceo/core';

const OF: Record<KitOf, string> = { any: '', child: ', for a child', left: ', wound with the right hand' };

/** `Rod, for a child` */
export function kitName({ item, of }: Pick<KitShort, 'item' | 'of'>): string {
  return item.slice(0, 1).toUpperCase() + item.slice(1) + OF[of];
}

/** `2 short: 4 needed, 2 on hand` */
export function shortText({ missing, count, have }: KitShort): string {
  return `${missing} short: ${count} needed, ${have ?? 0} on hand`;
}

/** `€ 190`, without cents. */
export function priceText(amount: number, currency: string): string {
  return new Intl.NumberFormat('en', {
    ...{ style: 'currency', currency, currencyDisplay: 'narrowSymbol' },
    maximumFractionDigits: 0,
  }).format(amount);
}
