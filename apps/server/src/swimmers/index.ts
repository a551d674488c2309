export { searchable } from './service';
