export { showCourse } from './service';
export { swimmableLength, trackSummary } from './columns';
