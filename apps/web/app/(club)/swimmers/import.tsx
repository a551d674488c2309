export { ImportScreen as default } from '@/records/screens/ImportScreen';
