export { ReviewScreen as default } from '@/review';
