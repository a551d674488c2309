export { shows } from './looks';
