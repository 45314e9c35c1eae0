/**
 * What a wind makes of the surface of still water, from which wind on, m/s: below the first it lies like glass, a light
 * chop of 16 to 24 km/h is best to fish in. Rules of thumb of the trade.
 */
export const CHOP = { glassMs: 0.8, lightMs: 16 / 3.6, roughMs: 24 / 3.6 } as const;
