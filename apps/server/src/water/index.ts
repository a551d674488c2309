export { showCourse } from './service';
export { swimmableLength } from './swimmable';
export { trackSummary } from './trackSummary';
