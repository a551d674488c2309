// Properties are tried on the same values in every run, so that a run can be trusted and repeated.
// PROPERTY_SEED=random tries others; a number repeats what such a run has found.
const fc = require('fast-check');

const asked = process.env.PROPERTY_SEED;
const seed = asked === 'random' ? Date.now() : Number(asked ?? 20261125);
fc.configureGlobal({ ...fc.readConfigureGlobal(), seed });
