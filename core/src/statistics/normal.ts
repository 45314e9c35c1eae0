import { CoreError } from '../error';

/** Two-sided 90 % point of the normal distribution. */
export const Z90 = 1.6449;

/**
 * The value below which a share of the normal distribution lies, by P. J. Acklam's rational approximation (2003), good to
 * about 1e-9 of the value.
 *
 * @param share 0…1, both excluded
 * @returns in standard deviations from the mean
 * @throws CoreError 'out-of-range'
 */
export function normalQuantile(share: number): number {
  if (!(share > 0 && share < 1))
    throw new CoreError('out-of-range', { name: 'share', value: share, min: 0, max: 1 });
  const LOW = 0.02425;
  if (share > 1 - LOW) return -normalQuantile(1 - share);
  if (share < LOW) {
    const q = Math.sqrt(-2 * Math.log(share));
    return (
      poly(
        [
          -7.784894002430293e-3, -0.3223964580411365, -2.400758277161838, -2.549732539343734,
          4.374664141464968, 2.938163982698783,
        ],
        q,
      ) / poly([7.784695709041462e-3, 0.3224671290700398, 2.445134137142996, 3.754408661907416, 1], q)
    );
  }
  const q = share - 0.5;
  const r = q * q;
  return (
    (q *
      poly(
        [
          -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716,
          2.506628277459239,
        ],
        r,
      )) /
    poly(
      [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572, 1],
      r,
    )
  );
}

/**
 * The share of the normal distribution below a value, by Abramowitz and Stegun 26.2.17, good to 1e-7.
 *
 * @param z standard deviations from the mean
 * @returns 0…1
 */
export function normalShare(z: number): number {
  if (z < 0) return 1 - normalShare(-z);
  const t = 1 / (1 + 0.2316419 * z);
  const density = Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);
  return 1 - density * t * poly([1.330274429, -1.821255978, 1.781477937, -0.356563782, 0.31938153], t);
}

function poly(coefficients: readonly number[], x: number): number {
  return coefficients.reduce((sum, coefficient) => sum * x + coefficient, 0);
}
