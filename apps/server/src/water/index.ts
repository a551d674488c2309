export { refuseUnswimmable } from './service';
