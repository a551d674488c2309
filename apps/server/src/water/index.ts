export { refuseUnswimmable, showCourse } from './service';
export { trackSummary } from './tracks';
