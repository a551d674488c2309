export { searchable } from './columns';
