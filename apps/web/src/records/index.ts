import { laterFrom } from '@/ui/later';

export { useRecordsQuery, useSaveTestMutation } from './api';

const later = laterFrom(() => import('./screens'), 'Opening the records');

export const ImportScreen = later('ImportScreen');
export const MeetScreen = later('MeetScreen');
export const RecordsScreen = later('RecordsScreen');
export const ResultsScreen = later('ResultsScreen');
