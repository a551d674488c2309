export { ReviewScreen as default } from '@/review/screens/ReviewScreen';
