export { recordsOf, resultsForFile } from './service';
