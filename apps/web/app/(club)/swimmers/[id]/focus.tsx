export { FocusScreen as default } from '@/review/screens/FocusScreen';
