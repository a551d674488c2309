export { compute } from './compute';
