/** How much is tried: a seeded sample with every test run, the whole numbers with `npm run soak`. */
export const soaked = <Amount>(sample: Amount, whole: Amount): Amount =>
  process.env['SOAK'] === '1' ? whole : sample;
