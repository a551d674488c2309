export { searchable } from './columns';
export { shows } from './looks';
