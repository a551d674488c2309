// The core's tests of one domain, for a run over mutants: which ones is told by MUTANT_TESTS.
const { projects } = require('../jest.config.cjs');

const { displayName: _name, ...core } = projects[0];
module.exports = {
  ...core,
  rootDir: '..',
  roots: ['<rootDir>/packages/core'],
  testMatch: (process.env.MUTANT_TESTS ?? '').split(',').map((path) => `**/packages/core/src/${path}`),
};
