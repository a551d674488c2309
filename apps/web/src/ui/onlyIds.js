// Stands for the package that makes ids: of its eleven kinds the two that are used. See metro.config.js.
export { default as v5 } from 'uuid/only/v5';
export { default as v7 } from 'uuid/only/v7';
export { default as validate } from 'uuid/only/validate';
