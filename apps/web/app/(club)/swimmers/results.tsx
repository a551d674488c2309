export { ResultsScreen as default } from '@/records';
