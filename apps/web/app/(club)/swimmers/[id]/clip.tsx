export { ClipScreen as default } from '@/review';
