/**
 * Every chart in one file that is loaded when the first is drawn: apart, the library they share would
 * come along with the first screen.
 */
export { LoadChart } from './LoadChart';
export { PlanChart } from './PlanChart';
export { RampChart } from './RampChart';
export { ResultChart } from './ResultChart';
export { TrendChart } from './TrendChart';
export { AttendanceChart } from './AttendanceChart';
