// Properties are tried on the same values in every run, so that a run can be trusted and repeated. `npm test -- deep` takes
// another seed every day and prints it; PROPERTY_SEED=<number> repeats what it found.
const fc = require('fast-check');

const seed = Number(process.env.PROPERTY_SEED ?? 20261125);
// A case that fails is made smaller for a while, not for ever.
fc.configureGlobal({ ...fc.readConfigureGlobal(), seed, interruptAfterTimeLimit: 300_000 });
