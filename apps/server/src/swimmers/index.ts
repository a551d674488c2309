export { searchable } from './searchable';
