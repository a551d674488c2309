export { ClipScreen as default } from '@/review/screens/ClipScreen';
