export { listSessions } from './service';
