export { useRecordsQuery, useSaveTestMutation } from './api';
