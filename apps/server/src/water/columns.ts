/** What is stored beside a row because lists want it, worked out from the row alone. */
export { swimmableLength } from './swimmable';
export { trackSummary } from './trackSummary';
