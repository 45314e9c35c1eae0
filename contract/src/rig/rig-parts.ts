import * as z from 'zod';

/** Diameter of leader material, metres. */
export const diameterSchema = z.number().min(0.00005).max(0.002);
/** Even hook sizes, the larger number the smaller hook. */
export const hookSizeSchema = z.int().min(2).max(22).multipleOf(2);
