export { FocusScreen as default } from '@/review';
