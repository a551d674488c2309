export { addEvents } from './service';
