/** Prints as people read it and leaves the counts in a file. */
const { writeFileSync } = require('node:fs');
const Mocha = require('mocha');

module.exports = class extends Mocha.reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once('end', () => {
      writeFileSync('test-results/core.json', JSON.stringify({ stats: this.stats }));
    });
  }
};
