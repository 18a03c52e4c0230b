/** Prints as people read it and leaves the counts, and what failed, in the file that it is told. */
const { writeFileSync } = require('node:fs');
const Mocha = require('mocha');

module.exports = class extends Mocha.reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once('end', () => {
      writeFileSync(
        `test-results/${options.reporterOptions.file}`,
        JSON.stringify({
          stats: this.stats,
          titles: this.failures.map((test) => `${test.fullTitle()}: ${test.err?.message ?? ''}`),
        }),
      );
    });
  }
};
