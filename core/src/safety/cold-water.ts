/** Water below this many °C lowers how deep one wades, and is warned of. A rule of thumb. */
export const COLD_WATER_C = 8;

/** Whether water is that cold; what is not known is not. */
export function isCold(waterC: number | null): boolean {
  return waterC !== null && waterC < COLD_WATER_C;
}
