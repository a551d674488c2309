export { shelvesOf } from '../own';
export * from './compare';
export * from './entries';
export * from './problems';
