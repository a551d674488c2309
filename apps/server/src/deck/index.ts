export { addEvents, type NotedEvent } from './service';
