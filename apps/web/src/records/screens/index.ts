export { ImportScreen } from './ImportScreen';
export { MeetScreen } from './MeetScreen';
export { RecordsScreen } from './RecordsScreen';
export { ResultsScreen } from './ResultsScreen';
