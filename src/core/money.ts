/** Money is whole cents, and tax hundredths of a percent: no fraction ever comes into it. */

const WHOLE = 10_000;

/** An amount before tax with its tax, rounded to the nearest cent. @param taxPoints hundredths of a percent */
export const withTaxCents = (cents: number, taxPoints: number): number =>
  Math.floor((cents * (WHOLE + taxPoints) + WHOLE / 2) / WHOLE);
