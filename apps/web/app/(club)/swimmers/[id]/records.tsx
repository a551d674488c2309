export { RecordsScreen as default } from '@/records';
