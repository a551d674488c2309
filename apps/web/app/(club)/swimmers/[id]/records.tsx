export { RecordsScreen as default } from '@/records/screens/RecordsScreen';
