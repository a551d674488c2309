export { ResultsScreen as default } from '@/records/screens/ResultsScreen';
