export { refuseUnswimmable } from './service';
export { trackSummary } from './tracks';
